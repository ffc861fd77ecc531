<script setup lang="ts">
import type { Range } from '@/api/client'

/** A number on its axis: what the table alone would say as a pale band, what was learned as a milk-white one with a dot. */
const props = defineProps<{ value: Range; table: Range; end: number; known: boolean }>()
const at = (v: number) => `${(Math.min(v, props.end) / props.end) * 100}%`
const band = (r: Range) => ({ left: at(r.low), width: `calc(${at(r.high)} - ${at(r.low)})` })
</script>

<template>
  <span class="bar" aria-hidden="true">
    <i class="table" :style="band(table)" />
    <template v-if="known">
      <i class="own" :style="band(value)" />
      <i class="dot" :style="{ left: at(value.likely) }" />
    </template>
  </span>
</template>

<style scoped>
.bar {
  position: relative;
  height: 26px;
}
i {
  position: absolute;
}
.table {
  top: 3px;
  height: 20px;
  border-radius: 10px;
  background: color-mix(in srgb, var(--water-line) 34%, var(--counter));
}
.own {
  top: 6px;
  height: 14px;
  min-width: 14px;
  border-radius: 7px;
  border: 2px solid var(--iron);
  background: var(--enamel);
}
.dot {
  top: 6px;
  width: 14px;
  height: 14px;
  margin-left: -7px;
  border-radius: 50%;
  background: var(--ink);
}
</style>
