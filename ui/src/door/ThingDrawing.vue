<script setup lang="ts">
/** A thing of the kitchen that two screens show at once, so that one knows which phone is in one's hand. */
defineProps<{ thing: string }>()

/** What is filled with the colour of cream, and the line work (64 px grid). */
const THINGS: Record<string, [string, string]> = {
  ladle: ['M8 42h26a13 13 0 0 1-26 0z', 'M8 42h26a13 13 0 0 1-26 0zM34 42V16a7 7 0 0 1 14-1v3'],
  sieve: [
    'M6 26h36a18 18 0 0 1-36 0z',
    'M6 26h36a18 18 0 0 1-36 0zM42 26h18M15 26v13M24 26v17M33 26v13M9 34h30',
  ],
  mould: ['M20 14h24l-5 36H25z', 'M20 14h24l-5 36H25zM32 14V4M16 14h32'],
  kettle: [
    'M12 30h34v18a6 6 0 0 1-6 6H18a6 6 0 0 1-6-6z',
    'M12 30h34v18a6 6 0 0 1-6 6H18a6 6 0 0 1-6-6zM46 34l12-8M17 30a12 12 0 0 1 24 0M29 18v-5',
  ],
  whisk: [
    'M32 30c-12 4-14 26 0 30 14-4 12-26 0-30z',
    'M32 4v56M32 30c-12 4-14 26 0 30M32 30c12 4 14 26 0 30M32 30c-5 6-5 22 0 30M32 30c5 6 5 22 0 30',
  ],
  spoon: ['M32 6c9 0 11 18 0 22-11-4-9-22 0-22z', 'M32 6c9 0 11 18 0 22-11-4-9-22 0-22zM32 28v32'],
  grater: [
    'M22 14h20l8 44H14z',
    'M22 14h20l8 44H14zM26 14a6 6 0 0 1 12 0M26 26h3M34 26h3M25 36h3M35 36h3M24 46h3M37 46h3',
  ],
  cup: [
    'M10 22h34v16a14 14 0 0 1-14 14h-6a14 14 0 0 1-14-14z',
    'M10 22h34v16a14 14 0 0 1-14 14h-6a14 14 0 0 1-14-14zM44 27h6a6 6 0 0 1 0 14h-6',
  ],
}
</script>

<template>
  <svg viewBox="0 0 64 64" role="img" :aria-label="thing">
    <path :d="THINGS[thing]?.[0]" class="cream" />
    <path :d="THINGS[thing]?.[1]" class="line" />
  </svg>
</template>

<style scoped>
.cream {
  fill: #e3c07e;
}
.line {
  fill: none;
  stroke: currentColor;
  stroke-width: 3;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
