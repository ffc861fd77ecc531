<script setup lang="ts">
import { computed } from 'vue'
import type { PanOut } from '@/api/client'
import { wallPath } from './geometry'

/** A pan's outline at one scale (11 px to the cm), for shelves and forms. */
const props = defineProps<{ pan: PanOut }>()
const SCALE = 760
const r = computed(
  () => Math.max(...(props.pan.outline_m as [number, number][]).map(([x]) => x)) * SCALE,
)
const h = computed(() => props.pan.height_m * SCALE)
</script>

<template>
  <svg :width="2 * r + 16" :height="h + 12" role="img" :aria-label="`${pan.name}, drawn to scale`">
    <path
      :d="wallPath(pan, r + 8, h + 4, SCALE)"
      fill="var(--hollow)"
      stroke="var(--iron)"
      stroke-width="4"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
  </svg>
</template>
