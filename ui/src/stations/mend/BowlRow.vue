<script setup lang="ts">
/** How likely a cause is: five bowls, filled by halves. */
const props = defineProps<{ bowls: number; word: string }>()
const fill = (n: number) => Math.min(1, Math.max(0, props.bowls - n))
</script>

<template>
  <svg
    width="112"
    height="14"
    viewBox="0 0 112 14"
    role="img"
    :aria-label="`${word}: ${bowls} of 5`"
  >
    <g v-for="n in 5" :key="n" :transform="`translate(${(n - 1) * 23} 0)`">
      <path class="rim" d="M1 1.5h18a9 11 0 0 1-18 0z" />
      <path v-if="fill(n - 1) === 1" class="full" d="M1 1.5h18a9 11 0 0 1-18 0z" />
      <path v-else-if="fill(n - 1)" class="half" d="M1 1.5h18a9 11 0 0 1-18 0z" />
    </g>
  </svg>
</template>

<style scoped>
.rim {
  fill: none;
  stroke: var(--foam);
  stroke-width: 1.4;
}
.full {
  fill: var(--ink);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.half {
  fill: var(--foam);
  stroke: var(--ink);
  stroke-width: 1.4;
}
</style>
