<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useId } from 'vue'
import type { PanOut } from '@/api/client'
import { cm, volume } from '@/say'
import { milkColour } from '@/theme/milk'
import { radiusAt, wallPath } from './geometry'

/**
 * A pan in section, to scale, on its burner: the milk now, the level to stop at, how far the boil climbs.
 * The stop can be dragged, tapped, or moved with the arrow keys.
 */
const props = withDefaults(
  defineProps<{
    pan: PanOut
    now: number
    nowVolume?: number
    stop: number
    stopVolume?: number
    climb?: number
    spare?: number
    concentration?: number
    stopConcentration?: number
    flame?: string
    draggable?: boolean
    lowest?: number
    highest?: number
    height?: number
    stirred?: number | null
    quiet?: boolean
  }>(),
  {
    nowVolume: undefined,
    stopVolume: undefined,
    climb: undefined,
    spare: undefined,
    concentration: 1,
    stopConcentration: 2,
    flame: undefined,
    lowest: 0,
    highest: 1,
    height: 296,
    stirred: null,
  },
)
const emit = defineEmits<{ drag: [depth: number]; drop: [depth: number] }>()

const frame = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(frame, { width: 676, height: 332 })
const clip = useId()

const BURNER = 68
const small = computed(() => width.value < 500)
const widest = computed(() =>
  Math.max(...(props.pan.outline_m as [number, number][]).map(([r]) => r)),
)
// handles left, the figure of the stop right
const leftSide = computed(() => (props.quiet ? (small.value ? 44 : 70) : small.value ? 56 : 66))
const rightSide = computed(() => (props.quiet ? (small.value ? 44 : 70) : small.value ? 56 : 100))
const scale = computed(() =>
  Math.min(
    (width.value - leftSide.value - rightSide.value) / (2 * widest.value),
    (props.height - BURNER - 24) / props.pan.height_m,
  ),
)
// a narrow screen draws a smaller pan: the drawing is no taller than it needs
const tall = computed(() => Math.min(props.height, props.pan.height_m * scale.value + BURNER + 26))
const unit = computed(() => Math.min(1, (widest.value * scale.value) / 190))
const x0 = computed(() => leftSide.value + (width.value - leftSide.value - rightSide.value) / 2)
const y0 = computed(() => tall.value - BURNER)
const y = (depth: number) => y0.value - depth * scale.value
const half = (depth: number) => radiusAt(props.pan, depth) * scale.value
const rim = computed(() => ({ r: half(props.pan.height_m), y: y(props.pan.height_m) }))
const ticks = computed(() => {
  const list = []
  for (let i = 0; i * 0.005 <= props.pan.height_m + 1e-9; i++)
    list.push({ depth: i * 0.005, whole: i % 2 === 0, label: i % 2 === 0 && i > 0 ? i / 2 : 0 })
  return list
})
const labelled = computed(() => (small.value ? 5 : scale.value < 1300 ? 2 : 1))
const foam = computed(() => {
  if (props.climb === undefined) return ''
  const r = half(Math.min(props.climb, props.pan.height_m)) - 8
  let x = x0.value - r
  let d = `M${x} ${y(props.climb)}`
  for (let i = 0; x < x0.value + r - 14; i++) {
    const w = 16 + ((i * 37) % 22)
    d += `a${w / 2} ${w / 2.6} 0 0 1 ${w} 0`
    x += w
  }
  return d
})
const tight = computed(() => props.spare !== undefined && props.spare < 0.01)
const flameScale = computed(
  () => ({ gentle: 0.6, medium: 0.82, strong: 1 })[props.flame ?? ''] ?? 0,
)
const wall = computed(() => Math.max(4.5, Math.min(6, scale.value * 0.0034)))
const stirClock = computed(() =>
  wallPath(props.pan, x0.value, y0.value, scale.value, wall.value + 7),
)

const clamp = (d: number) => Math.min(props.highest, Math.max(props.lowest, d))
let dragging = false

function depthAt(event: PointerEvent): number {
  const box = svg.value!.getBoundingClientRect()
  return clamp((y0.value - ((event.clientY - box.top) * tall.value) / box.height) / scale.value)
}
function down(event: PointerEvent) {
  if (!props.draggable) return
  dragging = true
  svg.value!.setPointerCapture(event.pointerId)
  emit('drag', depthAt(event))
}
function move(event: PointerEvent) {
  if (dragging) emit('drag', depthAt(event))
}
function up(event: PointerEvent) {
  if (!dragging) return
  dragging = false
  emit('drop', depthAt(event))
}
function key(event: KeyboardEvent) {
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  const millimetres = Math.round(props.stop * 1000) + by * (event.shiftKey ? 5 : 1)
  emit('drop', clamp(millimetres / 1000))
}
</script>

<template>
  <div ref="frame" class="pan">
    <svg
      ref="svg"
      :width="width"
      :height="tall"
      :viewBox="`0 0 ${width} ${tall}`"
      :class="{ grab: draggable }"
      role="group"
      :aria-label="`${pan.name} in section: ${cm(now)} cm now, stop at ${cm(stop)} cm`"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
    >
      <clipPath :id="clip"><path :d="wallPath(pan, x0, y0, scale) + 'Z'" /></clipPath>

      <!-- worktop, trivet and flame -->
      <line
        v-if="!quiet"
        x1="0"
        :x2="width"
        :y1="tall - 1"
        :y2="tall - 1"
        class="ink"
        stroke-width="2"
      />
      <path
        :d="`M${x0 - 40 * unit} ${y0 + 10}H${x0 - 166 * unit}V${tall - 2}M${x0 + 40 * unit} ${y0 + 10}H${x0 + 166 * unit}V${tall - 2}`"
        class="ink"
        stroke-width="3"
        fill="none"
      />
      <path
        d="M-75 -25a4 4 0 0 1 4-4h142a4 4 0 0 1 4 4v9h-150zM-40 -16h80v14h-80z"
        :transform="`translate(${x0} ${tall}) scale(${unit} 1)`"
        fill="var(--ink)"
      />
      <g
        v-if="flameScale"
        :transform="`translate(${x0} ${tall - 30}) scale(${unit} ${flameScale})`"
      >
        <path
          v-for="i in 7"
          :key="i"
          :d="`M${(i - 4) * 21 - 9} 0c-4-9 4-12 ${6 + (i - 4) * 1.6} -21c${3 - (i - 4) * 0.6} 8 17 12 ${12 - (i - 4)} 21z`"
          class="flame"
        />
      </g>

      <!-- handles -->
      <g
        v-for="s in [-1, 1]"
        :key="s"
        :transform="`translate(${x0 + s * rim.r} ${rim.y}) scale(${s * unit} ${unit})`"
      >
        <template v-if="pan.kind === 'kadhai'">
          <path d="M2 30C22 30 38 20 48 6" class="handle" />
          <path d="M2 30C22 30 38 20 48 6" class="hole" />
        </template>
        <template v-else>
          <path d="M4 22H34" class="handle flat" />
          <path d="M4 22H34" class="hole flat" />
        </template>
      </g>

      <g :clip-path="`url(#${clip})`">
        <rect :width="width" :y="rim.y" :height="y0 - rim.y + 4" x="0" fill="var(--hollow)" />
        <rect
          x="0"
          :width="width"
          :y="y(now)"
          :height="y0 - y(now) + 4"
          :fill="milkColour(concentration)"
        />
        <rect
          v-if="draggable || stop < now"
          x="0"
          :width="width"
          :y="y(stop)"
          :height="y0 - y(stop) + 4"
          :fill="milkColour(stopConcentration)"
          class="follows"
        />
      </g>
      <path v-if="foam" :d="foam" class="foam" :class="{ tight }" />
      <path :d="wallPath(pan, x0, y0, scale, wall / 2)" class="wall" :stroke-width="wall" />
      <circle :cx="x0 - rim.r - 3" :cy="rim.y" r="6" fill="var(--iron)" />
      <circle :cx="x0 + rim.r + 3" :cy="rim.y" r="6" fill="var(--iron)" />
      <template v-if="stirred !== null">
        <path :d="stirClock" class="groove" />
        <path
          :d="stirClock"
          class="stir"
          :class="{ full: stirred >= 1 }"
          pathLength="100"
          :stroke-dasharray="`${Math.min(1, stirred) * 100} 200`"
        />
      </template>

      <!-- gauge -->
      <g class="gauge">
        <line :x1="x0" :x2="x0" :y1="y(now)" :y2="rim.y" />
        <line :x1="x0" :x2="x0" :y1="y0" :y2="y(now)" class="wet" />
        <template v-for="t in ticks" :key="t.depth">
          <line
            :x1="x0"
            :x2="x0 + (t.whole ? 9 : 5)"
            :y1="y(t.depth)"
            :y2="y(t.depth)"
            :class="{ wet: t.depth <= now }"
          />
          <text
            v-if="t.label && !quiet && t.label % labelled === 0"
            :x="x0 - 7"
            :y="y(t.depth) + 4.5"
            text-anchor="end"
            :class="{ milky: t.depth <= now }"
          >
            {{ t.label }}
          </text>
        </template>
        <text v-if="!quiet" :x="x0" :y="rim.y - 7" text-anchor="middle" class="soft">cm</text>
      </g>

      <!-- levels -->
      <line :x1="x0 - half(now)" :x2="x0 + half(now)" :y1="y(now)" :y2="y(now)" class="level" />
      <template v-if="!quiet">
        <text
          :x="x0 - half(now) * 0.86"
          :y="y(stop) - y(now) < 34 ? y(now) - 8 : y(now) + 25"
          class="figure"
          :class="{ milky: y(stop) - y(now) >= 34 }"
        >
          {{ cm(now) }}
          <tspan class="unit" dx="4">cm now</tspan>
        </text>
        <text
          v-if="nowVolume !== undefined && !small && y(stop) - y(now) > 52"
          :x="x0 - half(now) * 0.86"
          :y="y(now) + 46"
          class="note milky"
        >
          {{ volume(nowVolume) }}
        </text>
        <g v-if="climb !== undefined && spare !== undefined">
          <text v-if="!small" :x="x0 - 30" :y="y(climb) - 14" text-anchor="end" class="note">
            the boil climbs to {{ cm(climb) }} cm
          </text>
          <text :x="x0 + 20" :y="y(climb) - 14" class="spare" :class="{ tight }">
            {{ cm(spare) }} cm to spare{{ tight ? ': too tight' : '' }}
          </text>
        </g>
      </template>
      <g class="stop follows">
        <line
          :x1="x0 - half(stop)"
          :x2="x0 + half(stop) + (draggable ? 30 : 6)"
          :y1="y(stop)"
          :y2="y(stop)"
        />
        <g
          v-if="draggable"
          class="knob"
          role="slider"
          tabindex="0"
          aria-label="Level to stop at"
          aria-orientation="vertical"
          :aria-valuemin="Number(cm(lowest))"
          :aria-valuemax="Number(cm(highest))"
          :aria-valuenow="Number(cm(stop))"
          :aria-valuetext="`${cm(stop)} cm${stopVolume === undefined ? '' : ', ' + volume(stopVolume)}`"
          @keydown="key"
        >
          <circle :cx="x0 + half(stop) + 30" :cy="y(stop)" r="26" class="halo" />
          <circle :cx="x0 + half(stop) + 30" :cy="y(stop)" r="16" />
          <path
            :d="`M${x0 + half(stop) + 24} ${y(stop) - 3}l6-6 6 6M${x0 + half(stop) + 24} ${y(stop) + 3}l6 6 6-6`"
          />
        </g>
        <g v-if="draggable && !small" :transform="`translate(${x0 + half(stop) + 56} ${y(stop)})`">
          <text class="big" y="14">{{ cm(stop) }}</text>
          <text y="38" class="caption">cm, stop here</text>
          <text v-if="stopVolume !== undefined" y="58" class="note">{{ volume(stopVolume) }}</text>
        </g>
        <text
          v-else-if="draggable && small"
          :x="x0 - half(stop) * 0.8"
          :y="y(stop) + 22"
          class="figure milky"
        >
          {{ cm(stop) }}
          <tspan class="unit" dx="4">cm stop</tspan>
        </text>
      </g>
      <slot :x0="x0" :y="y" :half="half" :width="width" />
    </svg>
  </div>
</template>

<style scoped>
.pan {
  min-width: 0;
}
svg {
  overflow: visible;
}
.grab {
  touch-action: none;
  cursor: ns-resize;
}
.ink,
.gauge line,
.level {
  stroke: var(--ink);
  stroke-linecap: round;
}
.flame {
  fill: #fffef8;
  stroke: #27408b;
  stroke-width: 1.7;
  stroke-linejoin: round;
}
.handle {
  fill: none;
  stroke: var(--iron);
  stroke-width: 24;
  stroke-linecap: round;
}
.hole {
  fill: none;
  stroke: var(--counter);
  stroke-width: 13;
  stroke-linecap: round;
}
.handle.flat {
  stroke-width: 18;
}
.hole.flat {
  stroke-width: 9;
}
.wall {
  fill: none;
  stroke: var(--iron);
  stroke-linejoin: round;
}
.foam {
  fill: none;
  stroke: var(--foam);
  stroke-width: 1.4;
}
.foam.tight {
  stroke: var(--madder);
}
.gauge line {
  stroke-width: 1.3;
}
.gauge text {
  font-size: 13.5px;
  font-weight: 450;
}
.gauge .wet {
  stroke: var(--on-milk);
}
.level {
  stroke-width: 2;
}
.milky {
  fill: var(--on-milk);
}
.figure {
  font-size: 21px;
  font-weight: 680;
}
.unit,
.note {
  font-size: 14px;
  font-weight: 450;
}
.spare {
  font-size: 14.5px;
  font-weight: 600;
  fill: var(--leaf);
}
.spare.tight {
  fill: var(--madder);
}
.stop > line {
  stroke: #27408b;
  stroke-width: 2.6;
  stroke-linecap: round;
}
.knob circle {
  fill: var(--plate);
}
.knob .halo {
  fill: transparent;
}
.knob path {
  fill: none;
  stroke: var(--plate-ink);
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.knob:focus-visible {
  outline: none;
}
.knob:focus-visible .halo {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 2;
}
.big {
  font-size: 46px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -1px;
  fill: var(--cobalt);
}
.caption {
  font-size: 15px;
  font-weight: 600;
  fill: var(--cobalt);
}
.groove {
  fill: none;
  stroke: var(--groove);
  stroke-width: 7;
  stroke-linecap: round;
}
.stir {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 7;
  stroke-linecap: round;
}
.stir.full {
  stroke: var(--saffron);
  stroke-width: 9;
}
.soft {
  fill: var(--ink-soft);
}
</style>
