<script setup lang="ts">
import { computed } from 'vue'
import type { DayOut } from '@/api/client'
import { nearHours, staysOf } from './day'

/** A day in a few strokes: when one stands, and what is on the fire; the same hours for both that are compared. */
const props = defineProps<{ plan: DayOut; first: number; last: number }>()
const WIDE = 420
const ROW = 13
const near = computed(() => nearHours(props.plan, 0))
const at = (s: number) => ((s - props.first) / Math.max(1, props.last - props.first)) * WIDE
const room = (a: number, b: number) => Math.max(1.5, at(b) - at(a))
const stays = computed(() => staysOf(props.plan))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} ${ROW * (plan.hobs.length + 1) + 6}`" aria-hidden="true">
    <rect
      v-for="[a, b] in near"
      :key="`n${a}`"
      :x="at(a)"
      y="0"
      :width="room(a, b)"
      height="100%"
      class="near"
    />
    <rect
      v-for="s in plan.sittings"
      :key="`s${s.start_s}`"
      :x="at(s.start_s)"
      y="2"
      :width="room(s.start_s, s.end_s)"
      :height="ROW - 4"
      class="feet"
    />
    <rect
      v-for="s in stays"
      :key="`${s.hob}-${s.start_s}`"
      :x="at(s.start_s)"
      :y="ROW * (s.hob + 1) + 2"
      :width="room(s.start_s, s.end_s)"
      :height="ROW - 4"
      class="fire"
    />
    <path
      v-for="s in plan.sweets"
      :key="s.key"
      :d="`M${at(s.due_s)} 0V${ROW * (plan.hobs.length + 1) + 6}`"
      class="due"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
}
.near {
  fill: color-mix(in srgb, var(--enamel) 60%, transparent);
}
.feet {
  fill: var(--iron);
}
.fire {
  fill: #f4ead0;
  stroke: var(--cobalt);
}
.due {
  stroke: var(--cobalt);
  stroke-width: 2;
}
</style>
