<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { components } from '@/api/schema'
import { clock, cm, weight } from '@/say'

/** What the instruments sent during a batch, a strip a channel, thinned to its highest and lowest. */
type Channel = components['schemas']['SamplesOut']
const props = defineProps<{ channels: Channel[] }>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 1200, height: 80 })
const H = 70
const LEFT = 190
const RIGHT = 96
const began = computed(() => Math.min(...props.channels.map((c) => c.at_s[0] ?? Infinity)))
const ended = computed(() => Math.max(...props.channels.map((c) => c.at_s.at(-1) ?? -Infinity)))
const x = computed(() => scaleLinear([began.value, ended.value], [LEFT, width.value - RIGHT]))

function said(c: Channel, value: number): string {
  if (c.unit === 'kg') return weight(value)
  if (c.unit === 'm') return `${cm(value)} cm`
  return `${value.toFixed(1)} ${c.unit}`
}
const strips = computed(() =>
  props.channels.map((c) => {
    const low = Math.min(...c.values)
    const high = Math.max(...c.values)
    const y = scaleLinear([low, high === low ? low + 1 : high], [H - 8, 8])
    const d = line<number>()
      .x((i) => x.value(c.at_s[i]!))
      .y((i) => y(c.values[i]!))(c.at_s.map((_, i) => i))
    return { ...c, d: d ?? '', low: said(c, low), high: said(c, high) }
  }),
)
</script>

<template>
  <figure ref="frame">
    <svg
      v-for="s in strips"
      :key="s.channel"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`${s.name}: ${s.count} samples from ${s.low} to ${s.high}`"
    >
      <text x="4" y="30" class="name">{{ s.name }}</text>
      <text x="4" y="50" class="soft">{{ s.count }} samples</text>
      <path :d="s.d" />
      <text :x="width - RIGHT + 10" y="18">{{ s.high }}</text>
      <text :x="width - RIGHT + 10" :y="H - 6" class="soft">{{ s.low }}</text>
    </svg>
    <figcaption class="soft">
      <span>{{ clock(began) }}</span><span>{{ clock(ended) }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  border-bottom: 1px solid var(--ridge);
}
path {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
text {
  font-size: 14px;
}
.name {
  font-weight: 650;
}
.soft {
  fill: var(--ink-soft);
}
figcaption {
  display: flex;
  justify-content: space-between;
  margin: 4px 96px 0 190px;
  font-size: 14px;
}
</style>
