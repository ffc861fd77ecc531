<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import { beginsAt } from './labels'
import { between, useSlide } from './slide'
import SlideKnob from './SlideKnob.vue'

/** Whey collected against time with its range, thickness ends marked, and the time one can drag. */
const props = defineProps<{
  seconds: number[]
  whey: number[]
  low: number[]
  high: number[]
  at: number
  ends: { name: string; seconds: { likely: number } | null }[]
  tooSour: number | null
}>()
const emit = defineEmits<{ drag: [seconds: number]; drop: [seconds: number] }>()

const holder = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(holder, { width: 760, height: 280 })
const HEIGHT = 280
const end = computed(() => Math.min(36 * 3600, Math.max(14 * 3600, props.at * 1.35)))
const x = computed(() => scaleLinear([0, end.value], [62, width.value - 40]))
const y = computed(() => scaleLinear([0, Math.max(...props.high) * 1.04], [HEIGHT - 36, 40]))
const rows = computed(() =>
  props.seconds.map((_, i) => i).filter((i) => props.seconds[i]! <= end.value),
)
const band = computed(
  () =>
    area<number>()
      .x((i) => x.value(props.seconds[i]!))
      .y0((i) => y.value(props.low[i]!))
      .y1((i) => y.value(props.high[i]!))(rows.value) ?? '',
)
const path = computed(
  () =>
    line<number>()
      .x((i) => x.value(props.seconds[i]!))
      .y((i) => y.value(props.whey[i]!))(rows.value) ?? '',
)
const here = computed(() => between(props.seconds, props.whey, props.at))
const marked = computed(() =>
  props.ends.filter((e) => e.seconds && e.seconds.likely > 0 && e.seconds.likely <= end.value),
)
const ticks = computed(() => {
  const every = end.value > 22 * 3600 ? 4 : 2
  return Array.from(
    { length: Math.floor(end.value / 3600 / every) + 1 },
    (_, i) => i * every * 3600,
  )
})
const hours = (s: number) => (Math.round(s / 360) / 10).toString()
const clamp = (s: number) => Math.min(end.value, Math.max(900, Math.round(s / 900) * 900))
const slide = useSlide(svg, (px) => clamp(x.value.invert(px)), {
  drag: (s) => emit('drag', s),
  drop: (s) => emit('drop', s),
})
</script>

<template>
  <div ref="holder">
    <svg
      ref="svg"
      :width="width"
      :height="HEIGHT"
      role="group"
      :aria-label="`${Math.round(here * 1000)} g of whey after ${hours(at)} hours`"
      @pointerdown="slide.down"
      @pointermove="slide.move"
      @pointerup="slide.up"
      @pointercancel="slide.up"
    >
      <path :d="band" class="band" />
      <g v-for="t in y.ticks(4)" :key="t">
        <text x="54" :y="y(t) + 5" text-anchor="end">{{ Math.round(t * 1000) }} g</text>
        <line x1="62" :x2="width - 40" :y1="y(t)" :y2="y(t)" class="grid" />
      </g>
      <g v-for="(m, i) in marked" :key="m.name">
        <line
          :x1="x(m.seconds!.likely)"
          :x2="x(m.seconds!.likely)"
          y1="34"
          :y2="HEIGHT - 36"
          class="end"
        />
        <text :x="beginsAt(x(m.seconds!.likely), m.name, width)" :y="i % 2 ? 30 : 14" class="name">
          {{ m.name }}
        </text>
      </g>
      <g v-if="tooSour !== null && tooSour <= end">
        <line :x1="x(tooSour)" :x2="x(tooSour)" y1="34" :y2="HEIGHT - 36" class="sour" />
        <text :x="x(tooSour) - 5" y="52" text-anchor="end" class="sourly">too sour</text>
      </g>
      <path :d="path" class="curve" />
      <line x1="62" :x2="width - 40" :y1="HEIGHT - 36" :y2="HEIGHT - 36" class="curve" />
      <text v-for="t in ticks" :key="t" :x="x(t)" :y="HEIGHT - 15" text-anchor="middle">
        {{ hours(t) }}
      </text>
      <text :x="width - 34" :y="HEIGHT - 32">h</text>
      <line :x1="x(at)" :x2="x(at)" :y1="y(here)" :y2="HEIGHT - 36" class="drop" />
      <SlideKnob
        :x="x(at)"
        :y="y(here)"
        label="How long it hangs"
        :max="Math.round(end / 3600)"
        :now="Number(hours(at))"
        :text="`${hours(at)} hours, ${Math.round(here * 1000)} g of whey`"
        @step="emit('drop', clamp(at + $event * 900))"
      />
    </svg>
  </div>
</template>

<style scoped>
svg {
  touch-action: none;
  cursor: ew-resize;
  overflow: visible;
}
text {
  font-size: 13.5px;
}
.grid {
  stroke: var(--ridge);
}
.band {
  fill: color-mix(in srgb, var(--leaf) 20%, transparent);
}
.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.end {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 4;
}
.name {
  font-weight: 600;
}
.sour {
  stroke: var(--madder);
  stroke-width: 2;
}
.sourly {
  fill: var(--madder);
  font-weight: 600;
}
.drop {
  stroke: var(--cobalt);
  stroke-width: 2.4;
}
</style>
