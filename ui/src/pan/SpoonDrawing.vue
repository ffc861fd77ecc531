<script setup lang="ts">
import { computed } from 'vue'

/** A spoon in section, lifted from the milk: what falls from it, or does not, at each of eight stages. */
const props = defineProps<{ stage: number; colour: string }>()

/** What hangs below the bowl (60,46 is its lowest point), and what stands in it. */
const FALLS = [
  'M52 46c1 10 2 40 1 62M60 46v62M68 46c-1 10-2 40-1 62',
  'M55 46c0 8 1 40 1 62h8c0-22 1-54 1-62z',
  'M52 46c2 8 2 18 3 30a5 5 0 0 0 10 0c1-12 1-22 3-30zM60 92c-4 5-5 8-5 10a5 5 0 0 0 10 0c0-2-1-5-5-10z',
  'M50 46c6 14 4 40 4 54-6 2-16 4-18 8h48c-2-4-12-6-18-8 0-14-2-40 4-54z',
  'M53 46c1 8 2 14 4 20a3.500 3.500 0 0 0 6 0c2-6 3-12 4-20z',
  '',
  '',
  '',
]
const HEAPS = [
  '',
  '',
  '',
  'M28 24q32-7 64 0z',
  'M29 24c6-12 18-16 31-16s25 4 31 16z',
  'M30 24c2-14 14-12 18-20 6-6 18-4 22 3 10 2 18 8 20 17z',
  'M32 25c-2-18 12-25 28-25s30 7 28 25z',
  'M33 25c-4-10 2-22 14-24 14-4 32-1 37 8 3 6 3 12 1 16z',
]
const fall = computed(() => FALLS[props.stage] ?? '')
const heap = computed(() => HEAPS[props.stage] ?? '')
</script>

<template>
  <svg width="119" height="100" viewBox="0 0 140 118" aria-hidden="true">
    <path :d="fall" :fill="stage ? colour : 'none'" class="line" :class="{ drops: stage === 0 }" />
    <path :d="heap" :fill="colour" class="line" />
    <path d="M27 24c2 14 16 23 33 23s31-9 33-23z" :fill="colour" class="line" />
    <path d="M25 23c1 17 17 26 35 26 19 0 33-8 36-24C102 6 118 1 138 0" class="metal" />
    <line x1="4" x2="136" y1="110" y2="110" class="top" />
  </svg>
</template>

<style scoped>
.line {
  stroke: var(--on-milk);
  stroke-width: 1.3;
  stroke-linejoin: round;
}
[data-kitchen='night'] .line {
  stroke: var(--ink);
}
.drops {
  stroke: var(--ink);
  stroke-dasharray: 7 5;
  stroke-linecap: round;
}
.metal {
  fill: none;
  stroke: var(--iron);
  stroke-width: 4;
  stroke-linecap: round;
}
.top {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linecap: round;
}
</style>
