<script setup lang="ts">
defineProps<{ station: string; on: boolean }>()

/** Two strokes a station: the enamel-filled part, and the line work (28 px grid). */
const ICONS: Record<string, [string, string]> = {
  larder: [
    'M7.6 16.5h12.8V25H7.6z',
    'M10 7.5v4L7 15.6V24a1.6 1.6 0 0 0 1.600 1.600h10.800A1.600 1.600 0 0 0 21 24v-8.400l-3-4.100v-4M8.600 7.500h10.800M11.700 4.200h4.600M14 4.200v3.300M7 16.600h14M21 17.500c3 .2 3 4.600 0 4.800',
  ],
  bench: [
    'M4.600 15.500h17.300c-1.200 5.500-4.600 8-8.600 8s-7.500-2.500-8.700-8z',
    'M2 9.500h2.500c.4 9.500 4.300 14.300 8.800 14.300s8.400-4.800 8.800-14.300h2.400M4.800 15.500h16.900M13.300 4.500v11M10.800 8h2.500M10.800 11.500h2.500',
  ],
  stove: [
    'M14 5.500c3.500 4.700 4.700 8.500 3.100 12-1 2-5.200 2-6.200 0C9.300 14 10.500 10.200 14 5.500z',
    'M14 5c3.600 4.800 4.900 8.900 3.100 12.300-1.200 2.300-5 2.300-6.200 0C9.100 13.900 10.400 9.800 14 5zM5.700 11.500c2.300 2.300 2.500 5 1 7.200M22.300 11.500c-2.300 2.300-2.500 5-1 7.200M3 23.500h22',
  ],
  book: [
    'M4 7c3.500-1 7-.6 10 1.200v15C11 21.400 7.500 21 4 22z',
    'M14 8.200C11 6.400 7.500 6 4 7v15c3.500-1 7-.6 10 1.200 3-1.800 6.500-2.200 10-1.200V7c-3.500-1-7-.6-10 1.200zM14 8.200v15M17 11.500c1.700.3 2.300 4.600 4.200 5.500',
  ],
}
</script>

<template>
  <svg width="26" height="26" viewBox="0 0 28 28" aria-hidden="true">
    <path :d="ICONS[station]![0]" :fill="on ? '#8fa0cf' : '#fffef8'" />
    <path
      :d="ICONS[station]![1]"
      fill="none"
      stroke="currentColor"
      stroke-width="1.9"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
  </svg>
</template>
