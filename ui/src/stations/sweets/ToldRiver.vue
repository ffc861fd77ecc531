<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Told } from '@/api/client'
import LayerPatterns from '@/charts/LayerPatterns.vue'
import { grams } from '@/say'
import { riverOf, type Height } from './told'

/**
 * The batch as an upright river: as wide as what is in the pan weighs, each line a tributary at its own height, what
 * boils off or drains to its right, and what came of it at the foot. A touch moves the cut: what it is made of there.
 */
const props = defineProps<{ told: Told; ys: number[]; height: number; labels?: boolean }>()
const WIDTH = 284
const LEFT = 44
const FOOT = 62
const BED = 156

const heights = computed(() => riverOf(props.told, props.ys))
const scale = computed(() => BED / Math.max(0.001, ...heights.value.map((h) => h.kg)))
const wide = (kg: number) => Math.max(1.5, kg * scale.value)
const end = computed(() => Math.max(props.height - FOOT, (heights.value.at(-1)?.y ?? 0) + 40))
const finished = computed(() => props.told.finished_kg)

/** The right bank: straight where nothing happens, a bend where something comes in or goes off. */
const bank = computed(() => {
  let at = { x: 0, y: heights.value[0]?.y ?? 0 }
  const bends = heights.value.map((h) => {
    const to = { x: LEFT + wide(h.kg), y: h.y }
    const half = (to.y - at.y) / 2
    const path =
      at.x === 0
        ? `L${to.x} ${to.y}`
        : `C${at.x} ${at.y + half} ${to.x} ${to.y - half} ${to.x} ${to.y}`
    at = to
    return path
  })
  const last = LEFT + wide(finished.value)
  return `${bends.join('')}C${at.x} ${at.y + 24} ${last} ${at.y + 16} ${last} ${at.y + 40}V${end.value}`
})
const first = computed(() => heights.value[0]?.y ?? 0)
const bed = computed(() => `M${LEFT} ${first.value}${bank.value}H${LEFT}Z`)
const ins = computed(() =>
  heights.value.filter((h) => h.in_kg && h.line !== heights.value[0]?.line),
)
const offs = computed(() => heights.value.filter((h) => h.off_kg > 0.001))
const where = (h: Height) => LEFT + wide(h.kg) + 10

const LAYERS = ['fat', 'protein', 'lactose', 'minerals', 'sugar', 'water'] as const
/** After which change the cut is: the last, until it is moved. */
const moved = ref<number>()
watch(
  () => heights.value.length,
  () => (moved.value = undefined),
)
const last = computed(() => heights.value.length - 1)
const cutAt = computed(() => Math.min(moved.value ?? last.value, last.value))
const cutHeight = computed(() => heights.value[cutAt.value])
const foot = computed(() => cutAt.value === last.value)
const cutKg = computed(() => (foot.value ? finished.value : (cutHeight.value?.kg ?? 0)))
const cutGap = computed(
  () => (heights.value[cutAt.value + 1]?.y ?? end.value) - (cutHeight.value?.y ?? 0),
)
const cutTall = computed(() => (foot.value ? 44 : Math.min(44, Math.max(12, cutGap.value * 0.5))))
const cutY = computed(() =>
  foot.value
    ? Math.min(end.value - 58, (cutHeight.value?.y ?? 0) + 34)
    : (cutHeight.value?.y ?? 0) + Math.min(14, cutGap.value * 0.15),
)
/** From bank to bank. */
const cut = computed(() => {
  const layers = cutHeight.value?.layers
  if (!layers) return []
  const width = wide(cutKg.value)
  let x = LEFT
  return LAYERS.map((name) => {
    const w = layers[name] * width
    x += w
    return { name, x: x - w, w, pct: Math.round(layers[name] * 100) }
  })
})
const cutSaid = computed(() =>
  [grams(cutKg.value), ...cut.value.map((c) => `${c.name} ${c.pct} %`)].join(', '),
)
function touch(event: MouseEvent) {
  const drawn = event.currentTarget as SVGGraphicsElement
  const box = drawn.ownerSVGElement!.getBoundingClientRect()
  const y = ((event.clientY - box.top) / box.height) * (end.value + FOOT)
  moved.value = Math.max(0, heights.value.filter((h) => h.y <= y).length - 1)
}
function key(event: KeyboardEvent) {
  const to: Record<string, number> = {
    ArrowDown: cutAt.value + 1,
    ArrowRight: cutAt.value + 1,
    ArrowUp: cutAt.value - 1,
    ArrowLeft: cutAt.value - 1,
    Home: 0,
    End: last.value,
  }
  const at = to[event.key]
  if (at === undefined) return
  event.preventDefault()
  moved.value = Math.min(last.value, Math.max(0, at))
}
/** What is said under its weight. */
const cutUnder = computed(() => {
  const h = cutHeight.value
  if (foot.value || !h?.off) return 'cut: its layers'
  return `${grams(h.off_kg)} ${h.off === 'whey' ? 'drained' : 'boiled off'}`
})
const cutX = computed(() => LEFT + wide(cutKg.value))
const cutRight = computed(() => cutX.value + 12 < WIDTH - 70)

const pieces = computed(() => Math.min(24, props.told.count ?? 0))
const row = computed(() => (pieces.value > 15 ? Math.ceil(pieces.value / 2) : pieces.value))
const apart = computed(() => Math.min(26, (WIDTH - LEFT) / Math.max(1, row.value)))
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${end + FOOT}`"
    :height="end + FOOT"
    role="group"
    :aria-label="`${grams(told.in_kg)} went in, ${grams(told.steam_kg)} boiled off${told.whey_kg > 0.001 ? `, ${grams(told.whey_kg)} drained` : ''}, ${grams(finished)} came of it`"
  >
    <defs>
      <LayerPatterns />
      <linearGradient id="told-milk" x1="0" x2="0" y1="0" y2="1">
        <stop offset="0" stop-color="#fffef8" />
        <stop offset="0.45" stop-color="#fbf3dc" />
        <stop offset="1" stop-color="#f3e2b8" />
      </linearGradient>
    </defs>
    <g v-for="h in ins" :key="`in-${h.line}`">
      <rect
        x="-2"
        :y="h.y - wide(h.in_kg) / 2"
        :width="LEFT + 3"
        :height="wide(h.in_kg)"
        class="in"
      />
      <text v-if="labels" x="0" :y="h.y - wide(h.in_kg) / 2 - 4">{{ grams(h.in_kg) }}</text>
    </g>
    <path :d="`M0 ${first}H${LEFT}`" class="in first" />
    <path :d="bed" class="bed" @click="touch" />
    <path
      v-for="h in ins"
      :key="`mouth-${h.line}`"
      :d="`M${LEFT} ${h.y - wide(h.in_kg) / 2 + 1}v${Math.max(0, wide(h.in_kg) - 2)}`"
      class="mouth"
    />
    <g v-for="h in offs" :key="`off-${h.line}-${h.off}`">
      <path :d="`M${where(h) - 4} ${h.y}q18 -4 26 -22`" class="off" />
      <text
        v-if="foot || h !== cutHeight"
        :x="Math.min(WIDTH - 4, where(h) + 30)"
        :y="h.y + 12"
        :text-anchor="where(h) > WIDTH - 100 ? 'end' : 'start'"
      >
        <tspan class="figure">{{ grams(h.off_kg) }}</tspan>
        <tspan :x="Math.min(WIDTH - 4, where(h) + 30)" dy="17">
          {{ h.off === 'whey' ? 'whey drained' : 'boiled off' }}
        </tspan>
      </text>
    </g>
    <g
      v-if="cut.length && finished > 0"
      class="cut"
      role="slider"
      tabindex="0"
      aria-orientation="vertical"
      aria-label="The cut through it"
      :aria-valuemin="0"
      :aria-valuemax="last"
      :aria-valuenow="cutAt"
      :aria-valuetext="cutSaid"
      @keydown="key"
    >
      <clipPath id="told-bed"><path :d="bed" /></clipPath>
      <g clip-path="url(#told-bed)" pointer-events="none">
        <rect
          v-for="c in cut"
          :key="c.name"
          :x="c.x"
          :y="cutY"
          :width="c.w"
          :height="cutTall"
          :fill="`url(#p-${c.name})`"
          class="layer"
        />
      </g>
      <path :d="`M${LEFT} ${cutY}H${cutX}m0 ${cutTall}H${LEFT}`" class="edge" />
      <g v-if="foot || cutRight" aria-hidden="true" :transform="`translate(${cutX + 12} ${cutY})`">
        <text :y="Math.min(18, cutTall / 2 + 5)" class="figure">{{ grams(cutKg) }}</text>
        <text :y="Math.min(18, cutTall / 2 + 5) + 18">{{ cutUnder }}</text>
      </g>
      <text v-else :x="LEFT + 8" :y="cutY - 5" class="figure" aria-hidden="true">
        {{ grams(cutKg) }}
      </text>
    </g>
    <g v-if="told.stuck_kg > 0.0005">
      <path :d="`M${LEFT + wide(finished)} ${end - 8}q14 6 18 14`" class="off" />
      <text :x="LEFT + wide(finished) + 26" :y="end + 2">{{ grams(told.stuck_kg) }} stuck</text>
    </g>
    <g
      v-for="i in pieces"
      :key="i"
      :transform="`translate(${LEFT + ((i - 1) % row) * apart} ${end + 14 + Math.floor((i - 1) / row) * 24}) scale(${Math.min(1, apart / 18)})`"
    >
      <path d="M1 0H15L12 18H4Z" class="piece" />
    </g>
  </svg>
  <p class="touchit" aria-hidden="true">
    {{
      foot
        ? 'Touch the river: what it is made of there.'
        : `Made of, where it weighs ${grams(cutKg)}:`
    }}
  </p>
  <ul class="key" aria-hidden="true">
    <li v-for="c in cut" :key="c.name">
      <svg width="14" height="14">
        <rect width="14" height="14" :fill="`url(#p-${c.name})`" stroke="var(--ink)" />
      </svg>
      {{ c.name }} {{ c.pct }} %
    </li>
  </ul>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}
.bed {
  fill: url(#told-milk);
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linejoin: round;
}
.in {
  fill: #fffef8;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.in.first {
  stroke-width: 2;
}
.mouth {
  stroke: #fbf3dc;
  stroke-width: 3;
}
.off {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  stroke-dasharray: 2 4;
  stroke-linecap: round;
}
.bed {
  cursor: pointer;
}
.layer {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.cut:focus-visible {
  outline: none;
}
.cut:focus-visible .edge {
  stroke: var(--cobalt);
  stroke-width: 4;
}
.piece {
  fill: #f3e2b8;
  stroke: var(--ink);
  stroke-width: 1.6;
}
text {
  font-size: 13.5px;
  fill: var(--ink-soft);
}
.figure {
  font-size: 15px;
  font-weight: 680;
  fill: var(--ink);
}
.touchit {
  margin-top: 8px;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.key {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 3px 14px;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.key li {
  display: flex;
  gap: 7px;
  align-items: center;
}
</style>
