<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Forecast } from '@/api/client'
import type { Figures } from '@/stations/bench/figures'
import { minutes, stageName, volume } from '@/say'
import { milkColour } from '@/theme/milk'

/** The way down against time: the ribbon's width is the uncertainty; lanes for stirring and the spoon. */
const props = defineProps<{ forecast: Forecast; figures: Figures }>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 840, height: 226 })
const small = computed(() => width.value < 560)
const LEFT = 56
const TOP = computed(() => (small.value ? 18 : 34))
const AXIS = computed(() => TOP.value + 68)

const t = computed(() => props.forecast.track)
const end = computed(() => {
  const last = Math.max(t.value.at_s.at(-1)! * 1.02, props.figures.afterBoil.high * 1.04)
  return Math.min(
    last,
    Math.max(props.figures.afterBoil.high * 1.06, props.figures.afterBoil.likely * 1.3),
  )
})
const x = computed(() =>
  scaleLinear(
    [-(small.value ? 0 : props.forecast.first_boil_s.likely), end.value],
    [LEFT, width.value - 40],
  ),
)
const y = computed(() =>
  scaleLinear(
    [props.forecast.start_m3 * 1.02, t.value.volume_m3.at(-1)!],
    [TOP.value + 4, AXIS.value],
  ),
)
const rows = computed(() =>
  t.value.at_s.map((_, i) => i).filter((i) => t.value.low_s[i]! <= end.value * 1.3),
)
const within = (s: number) => Math.min(s, end.value)
const ribbon = computed(
  () =>
    area<number>()
      .x0((i) => x.value(within(t.value.low_s[i]!)))
      .x1((i) => x.value(within(t.value.high_s[i]!)))
      .y((i) => y.value(t.value.volume_m3[i]!))(rows.value) ?? '',
)
const middle = computed(
  () =>
    line<number>()
      .x((i) => x.value(t.value.at_s[i]!))
      .y((i) => y.value(t.value.volume_m3[i]!))(
      rows.value.filter((i) => t.value.at_s[i]! <= end.value),
    ) ?? '',
)
const ticks = computed(() => x.value.domain()[1]! / 60)
const marks = computed(() => {
  const step = [5, 10, 15, 20, 30, 60].find((s) => ticks.value / s <= (small.value ? 5 : 9)) ?? 60
  const list = []
  for (let m = small.value ? 0 : -step; m <= ticks.value; m += step)
    if (m * 60 >= x.value.domain()[0]!) list.push(m)
  return list
})
const stop = computed(() => props.figures.afterBoil)
const clear = (m: number) =>
  [stop.value.low, stop.value.likely, stop.value.high].every(
    (s) => Math.abs(x.value(s) - x.value(m * 60)) > 26,
  )

/** Moments along the top; those that would collide keep their line and lose their words. */
const moments = computed(() => {
  const shift = stop.value.likely - props.forecast.after_boil_s.likely
  let free = -Infinity
  return props.forecast.moments.map((m) => {
    const at =
      m.name === 'off' || m.name === 'sugar in' ? m.at_s + (m.at_s > 0 ? shift : 0) : m.at_s
    const text =
      m.name === 'off'
        ? `off at ${minutes(at)}`
        : m.detail && m.name !== 'flame down'
          ? `${m.name}: ${m.detail}`
          : m.name
    const px = x.value(Math.min(Math.max(at, x.value.domain()[0]!), end.value))
    const before = m.name === 'sugar in' // its words stand left of its line: "off" follows close behind
    const fits = (before ? px - text.length * 6.6 : px) > free
    if (fits) free = (before ? px : px + text.length * 6.6) + 4
    return { px, text, fits, before, name: m.name }
  })
})
const stirTicks = computed(() => {
  const list: number[] = []
  let at = 0
  let i = 0
  while (at < stop.value.likely && list.length < 200) {
    while (i < t.value.at_s.length - 1 && t.value.at_s[i + 1]! <= at) i++
    const every = t.value.stir_s[i]!
    if (every <= 20) return { list, solid: at }
    at += every
    if (at < stop.value.likely) list.push(at)
  }
  return { list, solid: null }
})
function lane(stages: number[]) {
  const spans: { stage: number; from: number; to: number }[] = []
  for (const i of rows.value) {
    const at = Math.min(t.value.at_s[i]!, end.value)
    const last = spans.at(-1)
    if (last && last.stage === stages[i]) last.to = at
    else {
      if (last) last.to = at
      spans.push({ stage: stages[i]!, from: at, to: at })
    }
  }
  return spans.filter((s) => s.to > s.from)
}
/** Named stops that suit this sugar; where two overlap, the one the stop is in, or the earlier. */
const named = computed(() => {
  const fitting = props.forecast.judgement.named.filter((n) => n.sugar_fits)
  const taken: { text: string; from: number; to: number }[] = []
  for (const n of [...fitting].sort((a, b) => Number(b.inside) - Number(a.inside))) {
    const span = { text: n.name, from: Math.max(0, n.from_s), to: Math.min(n.to_s, end.value) }
    const clear = taken.every((t) => span.from >= t.to - 30 || span.to <= t.from + 30)
    if (clear && span.to > span.from) taken.push(span)
  }
  return taken
})
const lanes = computed(() => [
  { name: 'hot', spans: lane(t.value.hot_stage) },
  { name: 'cold', spans: lane(t.value.cold_stage) },
])
const current = (s: { from: number; to: number }) =>
  s.from <= stop.value.likely && stop.value.likely < s.to + 1
const shade = (seconds: number) => {
  const i = t.value.at_s.findIndex((s) => s >= seconds)
  return milkColour(t.value.concentration[i < 0 ? t.value.at_s.length - 1 : i]!)
}
const fits = (s: { from: number; to: number }, text: string) =>
  x.value(s.to) - x.value(s.from) > text.length * 7 + 14
const laneY = computed(() => AXIS.value + (small.value ? 38 : 58))
</script>

<template>
  <figure ref="frame" class="ribbon">
    <svg
      :width="width"
      :height="laneY + (named.length ? 75 : 50)"
      role="img"
      :aria-label="`Stop about ${minutes(stop.likely)} minutes after the first boil, ${minutes(stop.low)} to ${minutes(stop.high)}`"
    >
      <g v-if="!small">
        <g v-for="(m, i) in moments" :key="i" class="moment">
          <line
            :x1="m.px"
            :x2="m.px"
            y1="4"
            :y2="m.name === 'off' || m.name === 'sugar in' ? AXIS - 14 : AXIS - 30"
          />
          <text
            v-if="m.fits"
            :x="m.before ? m.px - 6 : m.px + 6"
            :text-anchor="m.before ? 'end' : 'start'"
            y="14"
            :class="{ strong: m.name === 'off' }"
          >
            {{ m.text }}
          </text>
        </g>
        <line
          :x1="x(x.domain()[0]!)"
          :x2="x(0)"
          :y1="y(forecast.start_m3)"
          :y2="y(t.volume_m3[0]!)"
          class="heat"
        />
      </g>
      <path
        :d="ribbon"
        :fill="
          milkColour(
            forecast.milk_kg / Math.max(0.01, forecast.product_kg.likely - forecast.sugar_kg),
          )
        "
        class="band"
      />
      <path :d="middle" class="middle" />
      <text :x="LEFT - 8" :y="y(forecast.start_m3) + 5" text-anchor="end" class="axis">
        {{ volume(forecast.start_m3) }}
      </text>
      <text
        :x="LEFT - 8"
        :y="Math.min(y(figures.volume), AXIS - 4) + 5"
        text-anchor="end"
        class="axis goal"
      >
        {{ volume(figures.volume) }}
      </text>
      <line
        :x1="LEFT"
        :x2="x(stop.likely)"
        :y1="y(figures.volume)"
        :y2="y(figures.volume)"
        class="dotted"
      />
      <line :x1="LEFT" :x2="width - 40" :y1="AXIS" :y2="AXIS" class="base" />
      <g v-for="m in marks" :key="m">
        <line :x1="x(m * 60)" :x2="x(m * 60)" :y1="AXIS" :y2="AXIS + 5" class="base" />
        <text
          v-if="clear(m)"
          :x="x(m * 60)"
          :y="AXIS + 20"
          text-anchor="middle"
          class="axis"
          :class="{ zero: m === 0 }"
        >
          {{ m < 0 ? '−' + -m : m }}
        </text>
      </g>
      <text :x="width - 34" :y="AXIS + 5" class="axis soft">min</text>
      <line :x1="x(stop.low)" :x2="x(within(stop.high))" :y1="AXIS" :y2="AXIS" class="window" />
      <circle :cx="x(stop.likely)" :cy="y(figures.volume)" r="6" class="dot" />
      <circle :cx="x(stop.likely)" :cy="AXIS" r="6" class="dot" />
      <text :x="x(stop.low)" :y="AXIS + 20" text-anchor="middle" class="axis goal">
        {{ minutes(stop.low) }}
      </text>
      <text :x="x(within(stop.high))" :y="AXIS + 20" text-anchor="middle" class="axis goal">
        {{ minutes(stop.high) }}
      </text>
      <text :x="x(stop.likely)" :y="AXIS + 29" text-anchor="middle" class="minutes">
        {{ minutes(stop.likely) }}
      </text>

      <g v-if="!small" class="stirs">
        <text :x="x(0) - 10" :y="laneY - 13" text-anchor="end" class="lane">stir</text>
        <line
          v-for="s in stirTicks.list"
          :key="s"
          :x1="x(s)"
          :x2="x(s)"
          :y1="laneY - 23"
          :y2="laneY - 12"
        />
        <template v-if="stirTicks.solid !== null">
          <rect
            :x="x(stirTicks.solid)"
            :y="laneY - 23"
            :width="Math.max(0, x(stop.likely) - x(stirTicks.solid))"
            height="11"
            rx="3"
          />
          <text :x="x(stop.likely) + 8" :y="laneY - 13" class="axis">without a pause</text>
        </template>
      </g>
      <g v-if="named.length" :transform="`translate(0 ${laneY})`">
        <text :x="x(0) - 10" y="15" text-anchor="end" class="lane">named</text>
        <g v-for="n in named" :key="n.text" class="named" :class="{ current: current(n) }">
          <path :d="`M${x(n.from) + 2} 20v-16h${Math.max(2, x(n.to) - x(n.from) - 4)}v16`" />
          <text v-if="fits(n, n.text)" :x="x(n.from) + 9" y="17">{{ n.text }}</text>
        </g>
      </g>
      <g
        v-for="(l, i) in lanes"
        :key="l.name"
        :transform="`translate(0 ${laneY + (named.length ? 25 : 0) + i * 25})`"
      >
        <text :x="x(0) - 10" y="16" text-anchor="end" class="lane">{{ l.name }}</text>
        <g v-for="s in l.spans" :key="s.stage">
          <rect
            :x="x(s.from) + 1"
            y="0"
            :width="Math.max(0, x(s.to) - x(s.from) - 2)"
            height="22"
            rx="4"
            :fill="shade((s.from + s.to) / 2)"
            class="span"
            :class="{ current: current(s) }"
          />
          <text
            v-if="fits(s, stageName(s.stage))"
            :x="x(s.from) + 9"
            y="16"
            class="stage"
            :class="{ current: current(s) }"
          >
            {{ stageName(s.stage) }}
          </text>
        </g>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  overflow: visible;
}
.moment line {
  stroke: var(--ink);
  stroke-width: 1;
}
.moment text,
.axis {
  font-size: 13.5px;
  font-weight: 450;
}
.moment .strong,
.zero {
  font-weight: 700;
}
.heat,
.middle {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linecap: round;
}
.band {
  stroke: var(--ink);
  stroke-width: 1.2;
}
[data-kitchen='night'] .middle {
  stroke: var(--on-milk);
}
.base {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-linecap: round;
}
.dotted {
  stroke: var(--cobalt);
  stroke-width: 2;
  stroke-dasharray: 0.1 6;
  stroke-linecap: round;
}
.window {
  stroke: var(--cobalt);
  stroke-width: 9;
  stroke-linecap: round;
}
.dot {
  fill: var(--cobalt);
  stroke: var(--enamel);
  stroke-width: 2;
}
.goal {
  fill: var(--cobalt);
  font-weight: 650;
}
.soft {
  fill: var(--ink-soft);
}
.minutes {
  font-size: 30px;
  font-weight: 700;
  font-stretch: 90%;
  letter-spacing: -1px;
  fill: var(--cobalt);
}
.lane {
  font-size: 14px;
  font-weight: 680;
}
.stirs line {
  stroke: var(--ink);
  stroke-width: 2;
}
.stirs rect {
  fill: var(--ink);
}
.named path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.4;
}
.named text {
  font-size: 13.5px;
}
.named.current path {
  stroke: var(--cobalt);
  stroke-width: 2.2;
}
.named.current text {
  fill: var(--cobalt);
  font-weight: 680;
}
.span {
  stroke: var(--on-milk-soft);
  stroke-width: 1;
}
.span.current {
  stroke: var(--on-milk);
  stroke-width: 2.2;
}
.stage {
  font-size: 13.5px;
  fill: var(--on-milk);
}
.stage.current {
  font-weight: 680;
}
</style>
