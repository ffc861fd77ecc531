<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { isPan, useLog, type LiveAny } from '@/api/kitchen'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { liveOf } from '@/shell/live'
import { steadyNow } from '@/shell/now'
import { panActs } from './answers'
import { caramelWords } from './caramel'
import { curdStep } from './curd'
import { glanceOf } from './glance'
import HobPlace from './HobPlace.vue'
import { strip } from './need'
import PanNow from './PanNow.vue'
import ReadingForm from './ReadingForm.vue'

/**
 * A base of the sweet while it is on its way, on the sweet's own page: a pan of milk with its level, minutes and buttons, a
 * curd or a caramel with its clock. It can be weighed here at any time.
 */
const { batch } = defineProps<{ batch: LiveAny }>()
const log = useLog()
const asking = ref<'reading' | 'weighed' | null>(null)
const typed = ref('')
const wrong = ref('')
const live = computed(() => liveOf(batch))
const glance = computed(() => (steadyNow.value, glanceOf(batch)))
const next = computed(() => (steadyNow.value, strip(live.value)))
/** What is to be done with a curd or a caramel; what needs no figure is said here. */
const says = computed(() => {
  const b = batch
  if (b.kind === 'caramel') return { asks: caramelWords(b).act, done: '' }
  const step = b.kind === 'curdle' || b.kind === 'strain' ? b.steps[b.step] : undefined
  if (!step) return undefined
  const { asks, done } = curdStep(step.name)
  return { asks, done: step.name === 'weigh' ? '' : done }
})
const done = () => log.mutate({ id: batch.id, event: { kind: 'step_done' } })
function weigh() {
  const grams = figure(typed.value)
  wrong.value = grams > 0 ? '' : `“${typed.value}” is no figure. Type just the number, like 250.`
  if (grams > 0)
    log.mutate(
      { id: batch.id, event: { kind: 'weighed', mass_kg: grams / 1000 } },
      { onSuccess: () => (typed.value = '') },
    )
}
</script>

<template>
  <section class="base" :aria-label="batch.name">
    <template v-if="isPan(batch)">
      <PanNow :batch="batch" narrow />
      <p class="acts">
        <button
          v-for="a in panActs(batch)"
          :key="a.text"
          type="button"
          class="plate line"
          @click="log.mutate({ id: batch.id, event: a.event })"
        >
          {{ a.text }}<span class="visually-hidden">: {{ batch.name }}</span>
        </button>
        <button
          type="button"
          class="plate line"
          @click="asking = batch.phase === 'off' ? 'weighed' : 'reading'"
        >
          {{ batch.phase === 'off' ? 'Weigh it' : 'Read it' }}
        </button>
        <RouterLink class="touch" :to="live.path">its own page</RouterLink>
      </p>
      <NModal :show="asking !== null" @update:show="asking = null">
        <ReadingForm :batch="batch" :purpose="asking ?? 'reading'" @done="asking = null" />
      </NModal>
    </template>
    <template v-else>
      <ul>
        <HobPlace :live="live" of="" :glance="glance" :next="next" />
      </ul>
      <p v-if="says" class="says">{{ says.asks }}</p>
      <p class="acts">
        <button v-if="says?.done" type="button" class="plate line" @click="done">
          {{ says.done }}<span class="visually-hidden">: {{ batch.name }}</span>
        </button>
        <RouterLink class="touch" :to="live.path">its own page</RouterLink>
      </p>
      <form @submit.prevent="weigh">
        <FormField v-model="typed" label="It weighs, g" />
        <button type="submit" class="plate line">Weigh it</button>
      </form>
      <p v-if="wrong" class="problem" role="alert">{{ wrong }}</p>
    </template>
    <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
  </section>
</template>

<style scoped>
.base {
  min-width: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  margin-top: 8px;
}
.acts .plate {
  min-height: 46px;
  padding-inline: 14px;
  font-size: 15.5px;
}
.says {
  margin-top: 6px;
  font: 400 20px/27px var(--words);
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 8px;
}
@media (max-width: 900px) {
  .acts .plate,
  form .plate {
    min-height: 58px;
  }
}
</style>
