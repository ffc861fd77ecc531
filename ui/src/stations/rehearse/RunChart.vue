<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import { minutes, weight } from '@/say'
import { wordsAt } from './account'
import type { Trace } from './rehearsal'

/** Two runs of one vessel over time: the value that they follow, and below it what the hands did. */
const props = defineProps<{ yours: Trace; expert: Trace; at: number }>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 1200, height: 280 })
const H = 290
const LEFT = 84
const BASE = H - 92

const end = computed(
  () => Math.max(60, props.yours.at_s.at(-1) ?? 0, props.expert.at_s.at(-1) ?? 0) * 1.03,
)
const values = computed(() => [
  ...props.yours.value,
  ...props.expert.value,
  ...(props.yours.goal === null ? [] : [props.yours.goal]),
])
const x = computed(() => scaleLinear([0, end.value], [LEFT, width.value - 30]))
const y = computed(() => {
  const [low, high] = [Math.min(...values.value), Math.max(...values.value)]
  const room = Math.max(1e-6, high - low) * 0.08
  return scaleLinear([high + room, low - room], [12, BASE])
})
const path = (run: Trace) =>
  line<number>()
    .x((i) => x.value(run.at_s[i]!))
    .y((i) => y.value(run.value[i]!))(run.at_s.map((_, i) => i)) ?? ''
const figure = (v: number) =>
  props.yours.unit === 'kg'
    ? weight(v)
    : `${v.toFixed(Math.abs(v) < 10 ? 1 : 0).replace('-', '−')} ${props.yours.unit}`
const OFTEN = ['stir', 'scrape', 'fold', 'turn', 'swirl']
const hands = (run: Trace) => run.acts.filter((a) => OFTEN.includes(a.kind))
const words = (run: Trace) => wordsAt(run, x.value, 44)
const marks = computed(() => {
  const step =
    [1, 2, 5, 10, 15, 20, 30, 60, 120].find((s) => end.value / 60 / s <= width.value / 90) ?? 240
  return Array.from({ length: Math.floor(end.value / 60 / step) + 1 }, (_, i) => i * step)
})
</script>

<template>
  <figure ref="frame">
    <svg
      :width="width"
      :height="H"
      role="img"
      :aria-label="`${yours.follows}: your run of ${minutes(yours.at_s.at(-1) ?? 0)} minutes beside one in practised hands of ${minutes(expert.at_s.at(-1) ?? 0)}`"
    >
      <template v-if="yours.goal !== null">
        <line :x1="LEFT" :x2="width - 30" :y1="y(yours.goal)" :y2="y(yours.goal)" class="dotted" />
        <text :x="width - 30" :y="y(yours.goal) - 7" text-anchor="end" class="goal">
          to {{ figure(yours.goal) }}
        </text>
      </template>
      <line :x1="x(at)" :x2="x(at)" y1="8" :y2="BASE" class="at" />
      <path :d="path(expert)" class="expert" />
      <path :d="path(yours)" class="yours" />
      <path :d="`M${LEFT} 8V${BASE}H${width - 30}`" class="axis" />
      <g v-for="m in marks" :key="m">
        <line :x1="x(m * 60)" :x2="x(m * 60)" :y1="BASE" :y2="BASE + 5" class="axis" />
        <text :x="x(m * 60)" :y="BASE + 20" text-anchor="middle">{{ m }}</text>
      </g>
      <text :x="width - 22" :y="BASE + 20" class="soft">min</text>
      <text v-for="v in y.ticks(4)" :key="v" :x="LEFT - 8" :y="y(v) + 5" text-anchor="end">
        {{ figure(v) }}
      </text>
      <text :x="LEFT + 8" y="20" class="soft">{{ yours.follows }}</text>
      <g v-for="(run, i) in [yours, expert]" :key="i" :class="i ? 'of-expert' : 'of-yours'">
        <text :x="LEFT - 8" :y="BASE + 45 + i * 30" text-anchor="end" class="who">
          {{ i ? 'practised' : 'you' }}
        </text>
        <line
          v-for="(act, k) in hands(run)"
          :key="'h' + k"
          :x1="x(act.at_s)"
          :x2="x(act.at_s)"
          :y1="BASE + 34 + i * 30"
          :y2="BASE + 44 + i * 30"
          class="hand"
        />
        <text
          v-for="word in words(run)"
          :key="'f' + word.x"
          :x="word.x"
          :y="BASE + 58 + i * 30"
          class="act"
        >
          {{ word.text }}
        </text>
      </g>
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
.yours {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.expert {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 2.4;
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
.axis {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.at {
  stroke: var(--ridge);
  stroke-width: 2;
}
.hand {
  stroke: var(--ink);
  stroke-width: 2;
}
.of-expert .hand {
  stroke: var(--cobalt);
}
.act {
  font-size: 12px;
  fill: var(--ink-soft);
}
.who {
  font-weight: 650;
}
.of-expert .who {
  fill: var(--cobalt);
}
.soft {
  fill: var(--ink-soft);
}
</style>
