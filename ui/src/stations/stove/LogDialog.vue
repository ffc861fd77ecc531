<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Flame } from '@/api/client'
import { useLog, useWholeLog, type LiveAny } from '@/api/kitchen'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { clock, logged } from '@/say'
import { ran } from '@/shell/now'
import { forgotten } from './forgotten'

/** All that happened: take any of it back, bring it in again, or add what was forgotten with its time. */
const props = defineProps<{ batch: LiveAny }>()
const emit = defineEmits<{ done: [] }>()
const log = useLog()
const lines = useWholeLog(() => props.batch)

const FORGOTTEN = computed(() => forgotten(props.batch))
const what = ref(
  FORGOTTEN.value.find((f) => f.value === 'stirred')?.value ?? FORGOTTEN.value[0]!.value,
)
const chosen = computed(
  () => FORGOTTEN.value.find((f) => f.value === what.value) ?? FORGOTTEN.value[0]!,
)
const flame = ref<Flame>('medium')
const typed = reactive({ minutes: '', value: '' })
const local = ref('')

const undo = (id: number) =>
  log.mutate({ id: props.batch.id, event: { kind: 'undo', event_id: id } })

function add() {
  const ago = figure(typed.minutes)
  const value = chosen.value.figure ? figure(typed.value) : 0
  if (!(ago >= 0) || Number.isNaN(value)) {
    local.value = 'Type how many minutes ago, and the figure, as plain numbers.'
    return
  }
  local.value = ''
  const now = props.batch.now_s + ran(props.batch)
  log.mutate(
    { id: props.batch.id, event: chosen.value.made(now - ago * 60, value, flame.value) },
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
          v-if="!l.undone && !['lit', 'begun', 'carried'].includes(l.kind)"
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
      <div v-if="chosen.flame">
        <ChoiceRow
          v-model="flame"
          label="Flame"
          :choices="['gentle', 'medium', 'strong'].map((f) => ({ value: f, text: f }))"
        />
      </div>
      <FormField v-if="chosen.figure" v-model="typed.value" :label="chosen.figure" />
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
