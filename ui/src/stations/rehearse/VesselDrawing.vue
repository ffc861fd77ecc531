<script setup lang="ts">
import { computed } from 'vue'
import ShapeList from './ShapeList.vue'
import { HIGH, topOf, vesselDrawing, WIDE, type View } from './vesselDrawings'

/** A rehearsed vessel in section, as it stands now. */
const props = defineProps<{ kind: string; view: View; label: string; top?: number }>()
const shapes = computed(() => vesselDrawing(props.kind, props.view))
const from = computed(() => props.top ?? topOf(props.view))
</script>

<template>
  <svg :viewBox="`0 ${from} ${WIDE} ${HIGH - from}`" role="img" :aria-label="label">
    <ShapeList :shapes="shapes" />
    <line x1="4" :x2="WIDE - 4" :y1="HIGH - 3" :y2="HIGH - 3" class="counter" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  overflow: visible;
}
.counter {
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linecap: round;
}
</style>
