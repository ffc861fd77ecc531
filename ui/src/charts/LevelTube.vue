<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Level } from '@/api/client'

/**
 * A spirit level: the tube is the range, the green its window, the bubble the value, as wide as it is unsure. The
 * window's edges can be dragged, or moved with the arrow keys.
 */
const props = defineProps<{
  level: Level
  small?: boolean
  /** Its window is the library's: it is looked at, not moved. */
  still?: boolean
}>()
const emit = defineEmits<{ window: [range: [number, number]] }>()
const TOO = { under: ' too little', over: ' too much' }
const MOST = { under: 'below most', over: 'above most' }
const W = 318
const H = 26

const moved = ref<[number, number] | null>(null)
const edges = computed<[number, number] | null>(
  () => moved.value ?? (props.level.window as [number, number] | null),
)
const share = computed(() => props.level.share.likely * 100)
/** The tube shows the window with as much again on both sides, and the value in any case. */
const span = computed<[number, number]>(() => {
  const [low, high] = (props.level.window as [number, number] | null) ?? [
    share.value * 0.7,
    share.value * 1.3,
  ]
  const wide = Math.max(1.5, high - low)
  const from = Math.min(low - 0.75 * wide, share.value - 0.3 * wide)
  const to = Math.max(high + 0.75 * wide, share.value + 0.3 * wide)
  return [Math.max(0, from), Math.min(100, to)]
})
const x = (pct: number) => {
  const [low, high] = span.value
  return 8 + ((pct - low) / (high - low)) * (W - 16)
}
const at = (px: number) => {
  const [low, high] = span.value
  return low + ((px - 8) / (W - 16)) * (high - low)
}
const bubble = computed(() => {
  const half = Math.min(60, Math.max(15, x(props.level.share.high * 100) - x(share.value)))
  return Math.min(W - half - 3, Math.max(half + 3, x(share.value)))
})
const bubbleHalf = computed(() =>
  Math.min(60, Math.max(15, x(props.level.share.high * 100) - x(share.value))),
)
const text = (pct: number) => (Math.round(pct * 10) / 10).toString()

const svg = ref<SVGSVGElement>()
let held: 0 | 1 | null = null
function down(event: PointerEvent, edge: 0 | 1) {
  held = edge
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function put(edge: 0 | 1, pct: number, done: boolean) {
  const now = [...edges.value!] as [number, number]
  const value = Math.round(Math.min(100, Math.max(0, pct)) * 2) / 2
  now[edge] = edge === 0 ? Math.min(value, now[1] - 0.5) : Math.max(value, now[0] + 0.5)
  moved.value = now
  if (done) {
    emit('window', now)
    moved.value = null
  }
}
function move(event: PointerEvent) {
  if (held === null) return
  const box = svg.value!.getBoundingClientRect()
  put(held, at(((event.clientX - box.left) * W) / box.width), false)
}
function up(event: PointerEvent) {
  if (held === null) return
  const box = svg.value!.getBoundingClientRect()
  put(held, at(((event.clientX - box.left) * W) / box.width), true)
  held = null
}
function key(event: KeyboardEvent, edge: 0 | 1) {
  const by = { ArrowRight: 0.5, ArrowUp: 0.5, ArrowLeft: -0.5, ArrowDown: -0.5 }[event.key]
  if (!by) return
  event.preventDefault()
  put(edge, edges.value![edge] + by, true)
}
</script>

<template>
  <div class="level" :class="[level.word, { small }]">
    <p v-if="!small">
      <b
        >{{ level.name
        }}<em v-if="still && level.word !== 'in'">
          {{ MOST[level.word as 'under' | 'over'] }}</em
        ></b
      >
      <span
        >{{ level.of }} <strong>{{ text(share) }} %</strong
        ><em v-if="!still && level.word !== 'in'">{{
          TOO[level.word as 'under' | 'over']
        }}</em></span
      >
    </p>
    <svg
      ref="svg"
      :viewBox="`0 0 ${W} ${small ? H + 4 : H + 20}`"
      :role="small || still ? 'img' : 'group'"
      :aria-label="`${level.of} ${text(share)} %, ${level.word === 'in' ? 'within' : level.word} its window`"
    >
      <rect x="2" y="2" :width="W - 4" :height="H" rx="13" class="tube" />
      <template v-if="edges">
        <rect :x="x(edges[0])" y="2" :width="x(edges[1]) - x(edges[0])" :height="H" class="good" />
        <template v-for="(edge, i) in edges" :key="i">
          <path :d="`M${x(edge)} -1v${H + 6}`" class="edge" />
          <text v-if="!small" :x="x(edge)" :y="H + 18" text-anchor="middle">{{ text(edge) }}</text>
          <rect
            v-if="!small && !still"
            :x="x(edge) - 13"
            y="-4"
            width="26"
            :height="H + 14"
            class="grip"
            role="slider"
            tabindex="0"
            :aria-label="`${i ? 'most' : 'least'} ${level.of}`"
            :aria-valuenow="edge"
            :aria-valuemin="0"
            :aria-valuemax="100"
            :aria-valuetext="`${text(edge)} %`"
            @pointerdown="down($event, i as 0 | 1)"
            @pointermove="move"
            @pointerup="up"
            @keydown="key($event, i as 0 | 1)"
          />
        </template>
      </template>
      <rect x="2" y="2" :width="W - 4" :height="H" rx="13" class="rim" />
      <rect
        :x="bubble - bubbleHalf"
        y="6"
        :width="2 * bubbleHalf"
        :height="H - 8"
        rx="9"
        class="bubble"
      />
      <path :d="`M${bubble} 11v8`" class="mark" />
    </svg>
  </div>
</template>

<style scoped>
p {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 15px;
}
p b {
  font-size: 17px;
  font-weight: 650;
}
strong {
  font-weight: 680;
  font-size: 17px;
}
b em {
  margin-left: 10px;
  font-size: 13.5px;
}
em {
  font-style: normal;
  color: var(--madder);
  font-weight: 600;
}
svg {
  width: 100%;
  overflow: visible;
  touch-action: pan-y;
}
.tube {
  fill: color-mix(in srgb, var(--leaf) 9%, var(--enamel));
}
.good {
  fill: color-mix(in srgb, var(--leaf) 24%, var(--enamel));
}
.rim {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  pointer-events: none;
}
.edge {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.bubble {
  fill: var(--enamel);
  stroke: var(--ink);
  stroke-width: 1.8;
  pointer-events: none;
  transition:
    x var(--pour),
    width var(--pour);
}
.mark {
  stroke: var(--leaf);
  stroke-width: 2.6;
  stroke-linecap: round;
  pointer-events: none;
}
.under .bubble,
.over .bubble {
  stroke: var(--madder);
  stroke-width: 2.6;
}
.under .mark,
.over .mark {
  stroke: var(--madder);
}
.grip {
  fill: transparent;
  cursor: ew-resize;
  touch-action: none;
}
.grip:focus-visible {
  outline: none;
  stroke: var(--cobalt);
  stroke-width: 2;
}
text {
  font-size: 13.5px;
  fill: var(--ink-soft);
}
.small svg {
  width: 92px;
}
.small .rim,
.small .bubble {
  stroke-width: 4;
}
</style>
