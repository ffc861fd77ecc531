<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import { between, useSlide } from './slide'
import SlideKnob from './SlideKnob.vue'

/** How the pan cools off the flame; the moment the acid goes in can be dragged along it, or moved by key. */
const props = defineProps<{
  seconds: number[]
  celsius: number[]
  at: number
  band: [number, number] | null
}>()
const emit = defineEmits<{ drag: [seconds: number]; drop: [seconds: number] }>()

const holder = ref<HTMLElement>()
const { width } = useElementSize(holder, { width: 330, height: 240 })
const HEIGHT = 232
const end = computed(() => Math.min(1200, Math.max(600, props.at * 1.5)))
const x = computed(() => scaleLinear([0, end.value], [38, width.value - 34]))
const y = computed(() => {
  const last = props.celsius[props.seconds.findIndex((s) => s >= end.value)] ?? 60
  return scaleLinear([props.celsius[0]! + 1, last - 2], [26, HEIGHT - 34])
})
const path = computed(
  () =>
    line<number>()
      .x((i) => x.value(props.seconds[i]!))
      .y((i) => y.value(props.celsius[i]!))(
      props.seconds.map((_, i) => i).filter((i) => props.seconds[i]! <= end.value),
    ) ?? '',
)
const here = computed(() => between(props.seconds, props.celsius, props.at))
const minutes = (s: number) => {
  const m = s / 60
  return Number.isInteger(Math.round(m * 2) / 2)
    ? String(Math.round(m))
    : (Math.round(m * 2) / 2).toFixed(1)
}
const ticks = computed(() => {
  const every = end.value > 900 ? 5 : 2
  return Array.from({ length: Math.floor(end.value / 60 / every) + 1 }, (_, i) => i * every * 60)
})
/** The band, kept within the picture. */
const shade = computed(() => {
  if (!props.band) return null
  const [low, high] = y.value.domain().sort((a, b) => a - b) as [number, number]
  const [from, to] = [Math.max(low, props.band[0]), Math.min(high, props.band[1])]
  return to > from ? { y: y.value(to), height: y.value(from) - y.value(to) } : null
})
const svg = ref<SVGSVGElement>()
const clamp = (s: number) => Math.min(end.value, Math.max(0, Math.round(s / 15) * 15))
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
      :aria-label="`The pan cools to ${Math.round(here)} °C in ${minutes(at)} minutes`"
      @pointerdown="slide.down"
      @pointermove="slide.move"
      @pointerup="slide.up"
      @pointercancel="slide.up"
    >
      <rect v-if="shade" x="38" :width="Math.max(0, width - 72)" v-bind="shade" class="band" />
      <g v-for="t in y.ticks(4)" :key="t">
        <line x1="38" :x2="width - 34" :y1="y(t)" :y2="y(t)" class="grid" />
        <text x="30" :y="y(t) + 5" text-anchor="end">{{ t }}</text>
      </g>
      <text x="30" y="14" text-anchor="end">°C</text>
      <line x1="38" :x2="width - 34" :y1="HEIGHT - 34" :y2="HEIGHT - 34" class="base" />
      <text v-for="m in ticks" :key="m" :x="x(m)" :y="HEIGHT - 14" text-anchor="middle">
        {{ Math.round(m / 60) }}
      </text>
      <text :x="width - 28" :y="HEIGHT - 30">min</text>
      <path :d="path" class="curve" />
      <line :x1="x(at)" :x2="x(at)" :y1="y(here)" :y2="HEIGHT - 34" class="drop" />
      <text
        :x="x(at) + (x(at) > width - 120 ? -24 : 24)"
        :y="y(here) - 8"
        class="said"
        :text-anchor="x(at) > width - 120 ? 'end' : 'start'"
      >
        {{ Math.round(here) }} °C
      </text>
      <SlideKnob
        :x="x(at)"
        :y="y(here)"
        label="Wait after the boil"
        :max="Math.round(end / 60)"
        :now="Math.round(at / 30) / 2"
        :text="`${minutes(at)} minutes, ${Math.round(here)} °C`"
        @step="emit('drop', clamp(at + $event * 30))"
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
.base,
.curve {
  stroke: var(--ink);
  stroke-width: 2.4;
  fill: none;
  stroke-linecap: round;
}
.band {
  fill: color-mix(in srgb, var(--leaf) 16%, transparent);
}
.drop {
  stroke: var(--cobalt);
  stroke-width: 2.4;
}
.said {
  fill: var(--cobalt);
  font-size: 22px;
  font-weight: 680;
}
</style>
