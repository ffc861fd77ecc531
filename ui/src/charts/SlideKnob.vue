<script setup lang="ts">
import { computed } from 'vue'

/**
 * The round knob that slides, by finger or arrow keys: sideways, or `upright`; `downward`: what lies lower is more. With
 * Shift a step is large.
 */
const props = defineProps<{
  x: number
  y: number
  label: string
  min?: number
  max: number
  now: number
  text: string
  upright?: boolean
  downward?: boolean
}>()
const emit = defineEmits<{ step: [by: 1 | -1, large: boolean] }>()

const up = computed(() => (props.downward ? -1 : 1))
function key(event: KeyboardEvent) {
  const by = { ArrowRight: 1, ArrowUp: up.value, ArrowLeft: -1, ArrowDown: -up.value }[event.key]
  if (!by) return
  event.preventDefault()
  emit('step', by as 1 | -1, event.shiftKey)
}
const arrows = computed(() =>
  props.upright
    ? `M${props.x - 6} ${props.y - 3}l6-6 6 6M${props.x - 6} ${props.y + 3}l6 6 6-6`
    : `M${props.x - 3} ${props.y - 6}l-6 6 6 6M${props.x + 3} ${props.y - 6}l6 6-6 6`,
)
</script>

<template>
  <g
    class="knob"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-orientation="upright ? 'vertical' : undefined"
    :aria-valuemin="min ?? 0"
    :aria-valuemax="max"
    :aria-valuenow="now"
    :aria-valuetext="text"
    @keydown="key"
  >
    <slot />
    <circle :cx="x" :cy="y" r="26" class="halo" />
    <circle :cx="x" :cy="y" r="15" />
    <path :d="arrows" />
  </g>
</template>

<style scoped>
.knob circle {
  fill: var(--plate);
}
.knob .halo {
  fill: transparent;
}
.knob path {
  fill: none;
  stroke: var(--plate-ink);
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.knob:focus-visible {
  outline: none;
}
.knob:focus-visible .halo {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 2;
}
</style>
