<script setup lang="ts">
import type { Drawing } from './shapes'

/** Shapes one above another, in the school's ink. */
defineProps<{ shapes: Drawing }>()
</script>

<template>
  <g class="shapes">
    <component :is="s.tag" v-for="(s, i) in shapes" :key="i" v-bind="s.at" />
  </g>
</template>

<style scoped>
.shapes :deep(.ink) {
  fill: none;
  stroke: var(--ink);
  stroke-linecap: round;
  stroke-linejoin: round;
}
.shapes :deep(.iron) {
  fill: none;
  stroke: var(--iron);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.shapes :deep(.inside) {
  fill: var(--hollow);
}
.shapes :deep(.solid) {
  fill: var(--ink);
}
.shapes :deep(.filled) {
  stroke: var(--ink);
  stroke-linecap: round;
  stroke-linejoin: round;
}
.shapes :deep(.flame) {
  fill: #fffef8;
  stroke: var(--cobalt);
  stroke-width: 1.4;
  stroke-linejoin: round;
}
.shapes :deep(.whey) {
  fill: color-mix(in srgb, var(--leaf) 24%, var(--enamel));
}
.shapes :deep(.ice) {
  fill: color-mix(in srgb, var(--water-line) 34%, transparent);
}
.shapes :deep(.mercury) {
  stroke: var(--madder);
  stroke-width: 2.6;
  stroke-linecap: round;
}
</style>
