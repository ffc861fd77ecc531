<script setup lang="ts">
import { computed } from 'vue'
import { spoken } from '@/say'

/** The work from the boil to the last step, each stretch as wide as it lasts, short ones wide enough to read. */
const props = defineProps<{ stages: { name: string; seconds: number; sign: string }[] }>()
const said = (s: number) =>
  s >= 5400 ? `${Math.round(s / 360) / 10} h` : s >= 60 ? `${Math.round(s / 60)} min` : ''
const parts = computed(() =>
  props.stages.map((s) => ({ ...s, text: said(s.seconds), grow: Math.min(2400, s.seconds) })),
)
</script>

<template>
  <ol class="stages" aria-label="The steps">
    <li v-for="(p, i) in parts" :key="i" :style="{ flexGrow: p.grow }" :title="p.sign">
      <b>{{ spoken(p.name) }}</b> {{ p.text }}
    </li>
  </ol>
</template>

<style scoped>
.stages {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
li {
  flex-basis: max-content;
  padding: 4px 10px 2px;
  border: 1.6px solid var(--ink);
  border-radius: 6px;
  font-size: 14px;
  white-space: nowrap;
}
</style>
