<script setup lang="ts">
import { computed } from 'vue'
import type { SweetOut } from '@/api/client'

/** The pan of syrup from above with as many swollen pieces as it holds at once, to scale. */
const props = defineProps<{ syrup: NonNullable<SweetOut['syrup']>; count: number; many: string }>()
const R = 104
const ball = computed(() => (props.syrup.swollen_m / props.syrup.pan_m) * R)
const raw = computed(() => (props.syrup.raw_m / props.syrup.pan_m) * R)
/** Sunflower packing: even, and never two in one place. */
const places = computed(() => {
  const n = Math.min(props.syrup.at_once, 120)
  return Array.from({ length: n }, (_, i) => {
    const r = (R - ball.value - 2) * Math.sqrt((i + 0.5) / n)
    const turn = i * 2.39996
    return [112 + r * Math.cos(turn), 112 + r * Math.sin(turn)] as const
  })
})
const mm = (m: number) => Math.round(m * 1000)
</script>

<template>
  <figure aria-label="The pan of syrup">
    <svg viewBox="0 0 422 226" role="img" :aria-label="`${syrup.at_once} ${many} at once`">
      <circle cx="112" cy="112" :r="R + 4" class="pan" />
      <circle cx="112" cy="112" :r="R" class="syrup" />
      <g v-for="([x, y], i) in places" :key="i">
        <circle :cx="x" :cy="y" :r="ball" class="ball" />
        <circle :cx="x" :cy="y" :r="raw" class="raw" />
      </g>
      <text x="240" y="52" class="big">{{ syrup.at_once }}</text>
      <text :x="244 + String(syrup.at_once).length * 26" y="52" class="unit">at once</text>
      <text x="240" y="78">in this {{ Math.round(syrup.pan_m * 100) }} cm pan,</text>
      <text x="240" y="97">
        {{ syrup.goes > 1 ? `${syrup.goes} goes for ${count}` : `all ${count} in one go` }}
      </text>
      <text x="240" y="134" class="strong">
        {{ mm(syrup.raw_m) }} → {{ mm(syrup.swollen_m) }} mm
      </text>
      <text x="240" y="153">raw, and swollen at the boil</text>
      <text x="240" y="182" class="strong">
        {{ Math.round(syrup.piece_kg.likely * 1000) }} g soaked
      </text>
      <text x="240" y="201">
        {{ Math.round(syrup.piece_kg.low * 1000) }}–{{ Math.round(syrup.piece_kg.high * 1000) }} g:
        weigh five
      </text>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
}
.pan {
  fill: var(--iron);
}
.syrup {
  fill: #e9dcbf;
}
.ball {
  fill: #fffef8;
  stroke: var(--on-milk);
  stroke-width: 1.4;
}
.raw {
  fill: none;
  stroke: var(--on-milk-soft);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
text {
  font-size: 15px;
}
.big {
  font-size: 46px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -1px;
}
.unit {
  font-weight: 600;
}
.strong {
  font-weight: 650;
}
</style>
