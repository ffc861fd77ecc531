<script setup lang="ts">
import { computed } from 'vue'
import type { PanOut } from '@/api/client'
import type { Frame } from './geometry'

/** The centimetre scale that stands in the middle of the pan. */
const props = defineProps<{ pan: PanOut; frame: Frame; now: number; quiet?: boolean }>()

const ticks = computed(() => {
  const list = []
  for (let i = 0; i * 0.005 <= props.pan.height_m + 1e-9; i++)
    list.push({ depth: i * 0.005, whole: i % 2 === 0, label: i % 2 === 0 && i > 0 ? i / 2 : 0 })
  return list
})
const labelled = computed(() => (props.frame.small ? 5 : props.frame.scale < 1300 ? 2 : 1))
</script>

<template>
  <g class="gauge">
    <line :x1="frame.x0" :x2="frame.x0" :y1="frame.y(now)" :y2="frame.rim.y" />
    <line :x1="frame.x0" :x2="frame.x0" :y1="frame.y0" :y2="frame.y(now)" class="wet" />
    <template v-for="t in ticks" :key="t.depth">
      <line
        :x1="frame.x0"
        :x2="frame.x0 + (t.whole ? 9 : 5)"
        :y1="frame.y(t.depth)"
        :y2="frame.y(t.depth)"
        :class="{ wet: t.depth <= now }"
      />
      <text
        v-if="t.label && !quiet && t.label % labelled === 0"
        :x="frame.x0 - 7"
        :y="frame.y(t.depth) + 4.5"
        text-anchor="end"
        :class="{ milky: t.depth <= now }"
      >
        {{ t.label }}
      </text>
    </template>
    <text v-if="!quiet" :x="frame.x0" :y="frame.rim.y - 7" text-anchor="middle" class="soft"
      >cm</text
    >
  </g>
</template>

<style scoped>
.gauge line {
  stroke: var(--ink);
  stroke-linecap: round;
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
.gauge .milky {
  fill: var(--on-milk);
}
.gauge .soft {
  fill: var(--ink-soft);
}
</style>
