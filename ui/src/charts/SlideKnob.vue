<script setup lang="ts">
/** The round knob on a curve that slides sideways, by finger or arrow keys. */
defineProps<{ x: number; y: number; label: string; max: number; now: number; text: string }>()
const emit = defineEmits<{ step: [by: 1 | -1] }>()

function key(event: KeyboardEvent) {
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key] as 1 | -1
  if (!by) return
  event.preventDefault()
  emit('step', by)
}
</script>

<template>
  <g
    class="knob"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="0"
    :aria-valuemax="max"
    :aria-valuenow="now"
    :aria-valuetext="text"
    @keydown="key"
  >
    <circle :cx="x" :cy="y" r="26" class="halo" />
    <circle :cx="x" :cy="y" r="15" />
    <path :d="`M${x - 3} ${y - 6}l-6 6 6 6M${x + 3} ${y - 6}l6 6-6 6`" />
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
