<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Batch, Forecast } from '@/api/client'
import { cm, minutes, volume } from '@/say'
import { milkColour } from '@/theme/milk'

/** Planned against actual: the plan a dashed line in its ribbon, the batch a milk-coloured stroke inked both sides. */
const props = defineProps<{ batch: Batch; told: Forecast }>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 1200, height: 300 })
const H = 300
const LEFT = 62
const BASE = H - 34

const rows = computed(() => {
  const t = props.told.track
  const upto = t.depth_m.findIndex((d) => d <= props.told.stop_depth_m.likely + 1e-9)
  return t.at_s.map((_, i) => i).slice(0, upto < 0 ? undefined : upto + 1)
})
const points = computed(() => props.batch.points)
const end = computed(
  () => Math.max(props.told.after_boil_s.high, ...points.value.map((p) => p.at_s)) * 1.04,
)
const x = computed(() => scaleLinear([0, end.value], [LEFT, width.value - 40]))
const y = computed(() => {
  const low = Math.min(props.told.stop_m3.likely, ...points.value.map((p) => p.volume_m3))
  return scaleLinear([props.told.track.volume_m3[0]! * 1.03, low * 0.85], [14, BASE])
})
const ribbon = computed(
  () =>
    area<number>()
      .x0((i) => x.value(props.told.track.low_s[i]!))
      .x1((i) => x.value(props.told.track.high_s[i]!))
      .y((i) => y.value(props.told.track.volume_m3[i]!))(rows.value) ?? '',
)
const planned = computed(
  () =>
    line<number>()
      .x((i) => x.value(props.told.track.at_s[i]!))
      .y((i) => y.value(props.told.track.volume_m3[i]!))(rows.value) ?? '',
)
const actual = computed(() =>
  points.value.slice(1).map((p, i) => {
    const q = points.value[i]!
    const times = points.value[0]!.volume_m3 / ((p.volume_m3 + q.volume_m3) / 2)
    return {
      d: `M${x.value(q.at_s)} ${y.value(q.volume_m3)}L${x.value(p.at_s)} ${y.value(p.volume_m3)}`,
      colour: milkColour(times),
    }
  }),
)
const marks = computed(() => {
  const step = [5, 10, 15, 20, 30, 60].find((s) => end.value / 60 / s <= width.value / 90) ?? 120
  return Array.from({ length: Math.floor(end.value / 60 / step) + 1 }, (_, i) => i * step)
})
const stopY = computed(() => y.value(props.told.stop_m3.likely))
/** Below the curve, which falls; beside its end where the axis is too near. */
function place(p: { at_s: number; volume_m3: number }) {
  const [px, py] = [x.value(p.at_s), y.value(p.volume_m3)]
  if (py <= BASE - 26) return { x: px - 8, y: py + 22, 'text-anchor': 'end' }
  return px < width.value - 330
    ? { x: px + 14, y: py - 12, 'text-anchor': 'start' }
    : { x: px, y: py - 34, 'text-anchor': 'middle' }
}
</script>

<template>
  <figure ref="frame">
    <svg
      :width="width"
      :height="H"
      role="img"
      :aria-label="`The curve of ${batch.name}: planned to ${volume(told.stop_m3.likely)} in ${minutes(told.after_boil_s.likely)} minutes, with ${points.filter((p) => p.read).length} readings`"
    >
      <path :d="ribbon" class="band" />
      <path :d="planned" class="planned" />
      <line :x1="LEFT" :x2="width - 40" :y1="stopY" :y2="stopY" class="dotted" />
      <text :x="width - 40" :y="stopY - 8" text-anchor="end" class="goal">
        stop: {{ cm(told.stop_depth_m.likely) }} cm, {{ volume(told.stop_m3.likely) }}
      </text>
      <text
        :x="x(told.after_boil_s.likely * 0.5) + 14"
        :y="y(told.track.volume_m3[rows[Math.floor(rows.length * 0.5)]!]!) - 16"
        class="goal"
      >
        planned
      </text>
      <path v-for="(s, i) in actual" :key="'o' + i" :d="s.d" class="outline" />
      <path v-for="(s, i) in actual" :key="'m' + i" :d="s.d" class="milk" :stroke="s.colour" />
      <template v-for="(p, i) in points" :key="i">
        <circle
          :cx="x(p.at_s)"
          :cy="y(p.volume_m3)"
          r="6"
          class="point"
          :class="{ last: i === points.length - 1 && !p.read && i > 0 }"
        />
        <text v-if="p.read || (i === points.length - 1 && i > 0)" v-bind="place(p)">
          {{
            p.read ? `read ${cm(p.depth_m)} cm` : `off at ${minutes(p.at_s)}, ${cm(p.depth_m)} cm`
          }}
        </text>
      </template>
      <path :d="`M${LEFT} 10V${BASE}H${width - 40}`" class="axis" />
      <text :x="LEFT - 8" :y="y(told.track.volume_m3[0]!) + 5" text-anchor="end">
        {{ volume(told.start_m3) }}
      </text>
      <g v-for="m in marks" :key="m">
        <line :x1="x(m * 60)" :x2="x(m * 60)" :y1="BASE" :y2="BASE + 5" class="axis" />
        <text :x="x(m * 60)" :y="BASE + 21" text-anchor="middle">{{ m }}</text>
      </g>
      <text :x="width - 34" :y="BASE + 21" class="soft">min</text>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  overflow: visible;
}
text {
  font-size: 14px;
}
.band {
  fill: var(--cobalt);
  opacity: 0.12;
}
.planned {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 2.2;
  stroke-dasharray: 7 5;
}
.goal {
  fill: var(--cobalt);
  font-weight: 600;
}
.dotted {
  stroke: var(--cobalt);
  stroke-width: 1.6;
  stroke-dasharray: 0.1 5;
  stroke-linecap: round;
}
.outline {
  stroke: var(--ink);
  stroke-width: 11;
  stroke-linecap: round;
}
.milk {
  stroke-width: 7;
  stroke-linecap: round;
}
.point {
  fill: var(--enamel);
  stroke: var(--ink);
  stroke-width: 2;
}
.point.last {
  fill: var(--ink);
}
.axis {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.soft {
  fill: var(--ink-soft);
}
</style>
