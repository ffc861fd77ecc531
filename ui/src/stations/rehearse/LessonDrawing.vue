<script setup lang="ts">
import { computed } from 'vue'
import { DRAWINGS } from './lessonDrawings'
import ShapeList from './ShapeList.vue'

/** What a lesson is about, drawn: its trouble, not its success. */
const props = defineProps<{ draws: string }>()
const shapes = computed(() => DRAWINGS[props.draws]?.() ?? [])
</script>

<template>
  <svg viewBox="0 0 108 88" aria-hidden="true"><ShapeList :shapes="shapes" /></svg>
</template>
