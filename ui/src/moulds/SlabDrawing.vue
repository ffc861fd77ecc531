<script setup lang="ts">
import { computed } from 'vue'
import type { SweetOut } from '@/api/client'

/** A tray from above, to scale, with its cuts; and its edge, to show how thick it lies. */
const props = defineProps<{ slab: NonNullable<SweetOut['slab']>; many: string }>()
const s = computed(() => props.slab)
const px = computed(() => Math.min(330 / (s.value.length_m * 100), 230 / (s.value.width_m * 100)))
const w = computed(() => s.value.length_m * 100 * px.value)
const h = computed(() => s.value.width_m * 100 * px.value)
const cm = (m: number) => (Math.round(m * 1000) / 10).toString()
</script>

<template>
  <figure aria-label="The slab">
    <svg
      :viewBox="`-4 -6 428 ${h + 54 + s.thick_m * 100 * px}`"
      role="img"
      :aria-label="`${cm(s.length_m)} by ${cm(s.width_m)} cm, cut ${s.grid.along} by ${s.grid.across}`"
    >
      <rect x="-2" y="-4" :width="w + 4" :height="h + 8" rx="8" class="tray" />
      <rect x="2" y="0" :width="w - 4" :height="h" rx="5" class="mass" />
      <path
        v-for="i in s.grid.along - 1"
        :key="`a${i}`"
        :d="`M${(w / s.grid.along) * i} 0v${h}`"
        class="cut"
      />
      <path
        v-for="i in s.grid.across - 1"
        :key="`b${i}`"
        :d="`M2 ${(h / s.grid.across) * i}h${w - 4}`"
        class="cut"
      />
      <text :x="w / 2" :y="h + 26" text-anchor="middle">{{ cm(s.length_m) }} cm</text>
      <text :x="w + 12" :y="h / 2 + 5">{{ cm(s.width_m) }} cm</text>
      <rect
        x="2"
        :y="h + 42"
        :width="w - 4"
        :height="Math.max(5, s.thick_m * 100 * px)"
        rx="3"
        class="mass"
      />
      <text :x="w + 12" :y="h + 56" class="strong">{{ Math.round(s.thick_m * 1000) }} mm</text>
    </svg>
    <p class="said">
      <b>{{ s.grid.along }} × {{ s.grid.across }}</b> cuts: {{ s.grid.along * s.grid.across }}
      {{ many }} of {{ Math.round(s.each_kg * 1000) }} g, {{ cm(s.grid.long_m) }} ×
      {{ cm(s.grid.wide_m) }} cm.
      <b v-if="s.word" class="danger">It lies {{ s.word }}.</b>
    </p>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  overflow: visible;
}
.tray {
  fill: var(--hollow);
  stroke: var(--iron);
  stroke-width: 3.2;
}
.mass {
  fill: #efdcae;
  stroke: #9c6b33;
  stroke-width: 1;
}
.cut {
  stroke: var(--on-milk);
  stroke-width: 1.6;
}
text {
  font-size: 14px;
}
.strong {
  font-weight: 680;
}
.said {
  font-size: 16px;
  margin-top: 4px;
}
.said > b:first-child {
  font-size: 22px;
  font-weight: 680;
}
.danger {
  color: var(--madder);
}
</style>
