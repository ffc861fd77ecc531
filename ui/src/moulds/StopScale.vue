<script setup lang="ts">
import { computed } from 'vue'
import { grouped } from '@/say'

/** Keep cooking to this weight: what is in the pan now and what the scale must show at the end. */
const props = defineProps<{ fromKg: number; toKg: number; water: string; minutes: string }>()
const share = computed(() => Math.min(1, props.toKg / props.fromKg))
</script>

<template>
  <figure aria-label="Keep cooking to this weight">
    <p class="soft">keep cooking to</p>
    <p class="stop">{{ grouped(toKg * 1000) }}<i>g</i></p>
    <svg viewBox="0 0 348 84" aria-hidden="true">
      <rect x="2" y="8" width="344" height="34" rx="8" class="from" />
      <rect x="2" y="8" :width="344 * share" height="34" rx="8" class="to" />
      <path :d="`M${344 * share + 2} 0v50`" class="line" />
      <text :x="12" y="31" class="on">what stays</text>
      <text v-if="share < 0.72" x="338" y="31" text-anchor="end" class="gone">steam</text>
      <text x="2" y="66">
        from {{ grouped(fromKg * 1000) }} g: {{ grouped((fromKg - toKg) * 1000) }} g of water off
      </text>
    </svg>
    <p>{{ minutes }}. Then it holds {{ water }} % water. Weigh the empty pan first.</p>
  </figure>
</template>

<style scoped>
.stop {
  font-size: 66px;
  line-height: 70px;
  font-weight: 690;
  font-stretch: 90%;
  letter-spacing: -2px;
  color: var(--cobalt);
}
.stop i {
  font-style: normal;
  font-size: 26px;
  font-weight: 600;
  letter-spacing: 0;
  margin-left: 6px;
}
svg {
  width: 100%;
  margin-top: 6px;
}
.from {
  fill: var(--water);
  stroke: var(--water-line);
  stroke-width: 1.4;
}
.to {
  fill: #efdcae;
  stroke: #9c6b33;
  stroke-width: 1.4;
}
.line {
  stroke: var(--cobalt);
  stroke-width: 3;
}
text {
  font-size: 15px;
}
.gone {
  fill: var(--on-milk);
}
.on {
  fill: var(--on-milk);
  font-weight: 600;
}
</style>
