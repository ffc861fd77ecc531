<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import { minutes, weight } from '@/say'
import type { Run } from './rehearsal'

/** Two runs over time: what was in the pan, and below it what the hands did. */
const props = defineProps<{ yours: Run; expert: Run; goal: number }>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 1200, height: 280 })
const H = 290
const LEFT = 84
const BASE = H - 92

const end = computed(() => Math.max(props.yours.score.total_s, props.expert.score.total_s) * 1.03)
const top = computed(() => Math.max(...props.yours.mass_kg, ...props.expert.mass_kg) * 1.04)
const x = computed(() => scaleLinear([0, end.value], [LEFT, width.value - 30]))
const y = computed(() => scaleLinear([top.value, props.goal * 0.85], [12, BASE]))
const path = (run: Run) =>
  line<number>()
    .x((i) => x.value(run.at_s[i]!))
    .y((i) => Math.min(BASE, y.value(run.mass_kg[i]!)))(run.at_s.map((_, i) => i)) ?? ''
const hands = (run: Run) => run.acts.filter((a) => ['stir', 'scrape', 'fold'].includes(a.kind))
const flames = (run: Run) =>
  run.acts.filter((a) => ['flame', 'sugar', 'acid', 'lid', 'stop'].includes(a.kind))
const marks = computed(() => {
  const step = [5, 10, 15, 20, 30, 60].find((s) => end.value / 60 / s <= width.value / 90) ?? 120
  return Array.from({ length: Math.floor(end.value / 60 / step) + 1 }, (_, i) => i * step)
})
const LETTER: Record<string, string> = { sugar: 'sugar', acid: 'acid', lid: 'lid', stop: 'off' }
</script>

<template>
  <figure ref="frame">
    <svg
      :width="width"
      :height="H"
      role="img"
      :aria-label="`Your run of ${minutes(yours.score.total_s)} minutes beside one in practised hands of ${minutes(expert.score.total_s)}, down to ${weight(goal)}`"
    >
      <line :x1="LEFT" :x2="width - 30" :y1="y(goal)" :y2="y(goal)" class="dotted" />
      <text :x="width - 30" :y="y(goal) - 7" text-anchor="end" class="goal">
        the stop: {{ weight(goal) }}
      </text>
      <path :d="path(expert)" class="expert" />
      <path :d="path(yours)" class="yours" />
      <path :d="`M${LEFT} 8V${BASE}H${width - 30}`" class="axis" />
      <g v-for="m in marks" :key="m">
        <line :x1="x(m * 60)" :x2="x(m * 60)" :y1="BASE" :y2="BASE + 5" class="axis" />
        <text :x="x(m * 60)" :y="BASE + 20" text-anchor="middle">{{ m }}</text>
      </g>
      <text :x="width - 22" :y="BASE + 20" class="soft">min</text>
      <text :x="LEFT - 8" :y="y(yours.mass_kg[0] ?? goal) + 5" text-anchor="end">
        {{ weight(yours.mass_kg[0] ?? goal) }}
      </text>
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
          :y2="BASE + (act.kind === 'stir' ? 44 : 50) + i * 30"
          class="hand"
        />
        <text
          v-for="(act, k) in flames(run)"
          :key="'f' + k"
          :x="Math.min(width - 40, x(act.at_s) + (act.kind === 'sugar' ? -3 : 2))"
          :text-anchor="act.kind === 'sugar' ? 'end' : 'start'"
          :y="BASE + 58 + i * 30"
          class="act"
        >
          {{ act.flame ?? LETTER[act.kind] }}
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
