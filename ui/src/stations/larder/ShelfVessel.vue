<script setup lang="ts">
import { computed } from 'vue'
import type { ShelfThing } from '@/api/client'

/** A vessel of the shelf, larger with what it held, filled to what is there; dashed where it stood. */
const props = defineProps<{ thing: ShelfThing }>()
const FILLS: Record<ShelfThing['kind'], string> = {
  reduce: '#f6e6c4',
  curdle: '#fdfcf7',
  hang: '#fdfcf7',
  caramel: '#c79a5b',
  whey: '#dbe4c6',
  syrup: '#e9e6d3',
  sauce: '#f6e6c4',
  dough: '#f3ead6',
}
const size = computed(() => 0.54 + 0.36 * Math.min(1, Math.cbrt(props.thing.gave_kg / 2)))
const left = computed(() => Math.min(1, props.thing.mass_kg / props.thing.gave_kg))
const bowl = computed(
  () => props.thing.kind === 'curdle' || ['hang', 'dough'].includes(props.thing.kind),
)
/** Full it stands at 82 % of its height. */
const top = computed(() => 104 - 86 * left.value)
</script>

<template>
  <svg :width="130 * size" :height="110 * size" viewBox="0 0 130 110" aria-hidden="true">
    <template v-if="bowl">
      <clipPath :id="`in-${thing.batch}${thing.of}`">
        <path d="M10 30c2 46 22 76 55 76s53-30 55-76z" />
      </clipPath>
      <g :clip-path="`url(#in-${thing.batch}${thing.of})`">
        <rect x="0" :y="Math.max(38, top + 12)" width="130" height="80" :fill="FILLS[thing.kind]" />
        <path
          class="lumps"
          :d="`M14 ${Math.max(38, top + 12)}c10-14 22-2 30-8 10-8 24-6 32 2 10-6 26-2 40 6`"
        />
      </g>
      <path class="wall" d="M10 30c2 46 22 76 55 76s53-30 55-76" />
    </template>
    <template v-else>
      <rect x="20" :y="top" width="90" :height="106 - top" :fill="FILLS[thing.kind]" />
      <path class="level" :d="`M20 ${top}h90`" />
      <path v-if="left < 0.97" class="stood" d="M20 18h90" />
      <path class="wall" d="M20 8v98h90V8" />
      <path v-if="thing.kind === 'syrup' || thing.kind === 'caramel'" class="wall" d="M16 6h98" />
    </template>
  </svg>
</template>

<style scoped>
.wall {
  fill: none;
  stroke: var(--iron);
  stroke-width: 4.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.level {
  stroke: #1b2444;
  stroke-width: 2;
}
.lumps {
  fill: #fdfcf7;
  stroke: #1b2444;
  stroke-width: 2;
}
.stood {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  stroke-dasharray: 5 5;
}
</style>
