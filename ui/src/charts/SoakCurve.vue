<script setup lang="ts">
import { computed } from 'vue'
import type { SweetOut } from '@/api/client'

/** What a piece weighs and how sweet it is with the hours in syrup; the mark is the rest that is planned. */
const props = defineProps<{ syrup: NonNullable<SweetOut['syrup']> }>()
const W = 348
const H = 190
const s = computed(() => props.syrup)
const last = computed(() => s.value.curve_h.at(-1) ?? 12)
const top = computed(() => Math.max(...(s.value.curve_kg as number[])) * 1.15)
const x = (h: number) => 34 + (h / last.value) * (W - 46)
const y = (kg: number) => H - 30 - (kg / top.value) * (H - 44)
const ySugar = (share: number) => H - 30 - (share / 0.5) * (H - 44)
const path = (column: number[], of: (v: number) => number) =>
  column.map((v, i) => `${i ? 'L' : 'M'}${x(s.value.curve_h[i]!)} ${of(v)}`).join('')
</script>

<template>
  <figure aria-label="The soak">
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" aria-label="grams a piece and its sugar, by hours">
      <path :d="`M34 8V${H - 30}H${W - 8}`" class="axis" />
      <g v-for="h in [0, 4, 8, 12]" :key="h">
        <path :d="`M${x(h)} ${H - 30}v5`" class="axis" />
        <text :x="x(h)" :y="H - 10" text-anchor="middle">{{ h }}{{ h === 12 ? ' h' : '' }}</text>
      </g>
      <path :d="`M${x(s.hours)} 12V${H - 30}`" class="now" />
      <path :d="path(s.curve_kg as number[], y)" class="mass" />
      <path :d="path(s.curve_sugar as number[], ySugar)" class="sugar" />
      <text :x="x(0) + 10" :y="y(s.curve_kg[0]!) + 20" class="strong">
        {{ Math.round(s.curve_kg[0]! * 1000) }} g
      </text>
      <text :x="W - 8" :y="y(s.curve_kg.at(-1)!) - 10" text-anchor="end" class="strong">
        {{ Math.round(s.curve_kg.at(-1)! * 1000) }} g a piece
      </text>
      <text :x="W - 8" :y="ySugar(s.curve_sugar.at(-1)!) + 22" text-anchor="end" class="leaf">
        {{ Math.round(s.curve_sugar.at(-1)! * 100) }} % sugar
      </text>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
}
text {
  font-size: 14px;
}
.axis {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.mass {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.6;
}
.sugar {
  fill: none;
  stroke: var(--leaf);
  stroke-width: 2.4;
  stroke-dasharray: 6 4;
}
.now {
  stroke: var(--cobalt);
  stroke-width: 2;
}
.strong {
  font-weight: 650;
}
.leaf {
  fill: var(--leaf);
  font-weight: 620;
}
</style>
