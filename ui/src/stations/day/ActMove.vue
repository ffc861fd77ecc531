<script setup lang="ts">
import type { DayOut } from '@/api/client'
import { clock } from '@/say'
import type { Task } from './day'

/** An act put earlier, later or on another burner; it stays where it is put. */
const props = defineProps<{ task: Task; plan: DayOut; busy: boolean }>()
const emit = defineEmits<{ move: [to_s: number, hob: number | null] }>()
const STEPS = [-30, -5, 5, 30]
const said = (minutes: number) => `${Math.abs(minutes)} min ${minutes < 0 ? 'earlier' : 'later'}`
const by = (minutes: number) => emit('move', props.task.start_s + minutes * 60, null)
function burner(event: Event) {
  emit('move', props.task.start_s, Number((event.target as HTMLSelectElement).value))
}
</script>

<template>
  <div class="move" role="group" :aria-label="`Move what begins at ${clock(task.start_s)}`">
    <button v-for="m in STEPS" :key="m" type="button" class="touch" :disabled="busy" @click="by(m)">
      {{ said(m) }}
    </button>
    <label v-if="task.hob !== null && plan.hobs.length > 1"
      >on
      <select :value="task.hob" :disabled="busy" @change="burner">
        <option v-for="(hob, i) in plan.hobs" :key="hob" :value="i">{{ hob }}</option>
      </select></label
    >
  </div>
</template>

<style scoped>
.move {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  font: 450 15px/22px var(--figures);
}
select {
  min-height: 40px;
  padding: 4px 10px;
  border: 1.6px solid var(--cobalt);
  border-radius: 8px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
@media (max-width: 900px) {
  select {
    min-height: 56px;
  }
}
</style>
