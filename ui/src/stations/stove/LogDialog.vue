<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { EventIn, Flame } from '@/api/client'
import { useLog, useWholeLog, type LiveBatch } from '@/api/kitchen'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { clock, logged } from '@/say'
import { ran } from '@/shell/now'

/** All that happened: take any of it back, bring it in again, or add what was forgotten with its time. */
const props = defineProps<{ batch: LiveBatch }>()
const emit = defineEmits<{ done: [] }>()
const log = useLog()
const lines = useWholeLog(() => props.batch)

const FORGOTTEN = [
  { value: 'first_boil', text: 'first boil' },
  { value: 'stirred', text: 'stirred' },
  { value: 'scraped', text: 'scraped' },
  { value: 'sugar_in', text: 'sugar in, g' },
  { value: 'depth', text: 'depth, cm' },
  { value: 'weight', text: 'weight, g' },
  { value: 'flame_changed', text: 'flame' },
  { value: 'off', text: 'taken off' },
]
const what = ref('stirred')
const flame = ref<Flame>('medium')
const typed = reactive({ minutes: '', value: '' })
const needsValue = computed(() => ['sugar_in', 'depth', 'weight'].includes(what.value))
const local = ref('')

const undo = (id: number) =>
  log.mutate({ id: props.batch.id, event: { kind: 'undo', event_id: id } })

function made(value: number, at_s: number): EventIn {
  switch (what.value) {
    case 'sugar_in':
      return { kind: 'sugar_in', mass_kg: value / 1000, at_s }
    case 'depth':
      return { kind: 'reading', how: 'depth', value: value / 100, sure: false, at_s }
    case 'weight':
      return { kind: 'reading', how: 'weight', value: value / 1000, sure: false, at_s }
    case 'flame_changed':
      return { kind: 'flame_changed', flame: flame.value, at_s }
    default:
      return { kind: what.value as 'stirred', at_s }
  }
}
function add() {
  const ago = figure(typed.minutes)
  const value = needsValue.value ? figure(typed.value) : 0
  if (!(ago >= 0) || Number.isNaN(value)) {
    local.value = 'Type how many minutes ago, and the figure, as plain numbers.'
    return
  }
  local.value = ''
  const now = props.batch.now_s + ran(props.batch)
  log.mutate(
    { id: props.batch.id, event: made(value, now - ago * 60) },
    { onSuccess: () => Object.assign(typed, { minutes: '', value: '' }) },
  )
}
</script>

<template>
  <div class="tray dialog" role="dialog" aria-label="All that happened">
    <h2 class="heading">All that happened</h2>
    <ol class="all" tabindex="0" aria-label="Happenings, newest first">
      <li v-for="l in lines" :key="l.event_id">
        <time>{{ clock(l.at_s) }}</time>
        <span :class="{ undone: l.undone }">{{ logged(l) }}</span>
        <button
          v-if="!l.undone && l.kind !== 'lit' && l.kind !== 'carried'"
          type="button"
          class="touch"
          :aria-label="`Undo ${l.text}`"
          @click="undo(l.event_id)"
        >
          undo
        </button>
        <button
          v-else-if="l.undone && l.undone_by"
          type="button"
          class="touch"
          :aria-label="`Bring back ${l.text}`"
          @click="undo(l.undone_by)"
        >
          bring back
        </button>
      </li>
    </ol>
    <form @submit.prevent="add">
      <h3 class="heading">Forgot one?</h3>
      <ChoiceRow v-model="what" label="What happened" :choices="FORGOTTEN" />
      <div v-if="what === 'flame_changed'">
        <ChoiceRow
          v-model="flame"
          label="Flame"
          :choices="['gentle', 'medium', 'strong'].map((f) => ({ value: f, text: f }))"
        />
      </div>
      <FormField
        v-if="needsValue"
        v-model="typed.value"
        :label="FORGOTTEN.find((f) => f.value === what)!.text"
      />
      <FormField v-model="typed.minutes" label="Minutes ago" />
      <p v-if="local || log.error.value" class="problem" role="alert">
        {{ local || log.error.value?.message }}
      </p>
      <p class="buttons">
        <button type="submit" class="plate">Add it</button>
        <button type="button" class="plate line" @click="emit('done')">Close</button>
      </p>
    </form>
  </div>
</template>

<style scoped>
.all {
  max-height: 34vh;
  overflow: auto;
  margin: 8px 0 12px;
  padding-right: 8px;
}
.all li {
  display: grid;
  grid-template-columns: 48px 1fr max-content;
  gap: 10px;
  align-items: baseline;
}
time {
  color: var(--ink-soft);
}
.undone {
  color: var(--ink-soft);
  text-decoration: line-through;
}
form {
  display: grid;
  gap: 8px;
}
.buttons {
  display: flex;
  gap: 12px;
  margin-top: 8px;
}
</style>
