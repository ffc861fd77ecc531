<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap, type SweetChoices, type SweetIn, type SweetOut } from '@/api/client'
import { kitchenMinute } from '@/shell/minute'
import { beginBy, moment, readServing, typed } from './serving'
import { untilEaten } from './sweet'

/** Too late for when it is to be eaten: when it is ready if begun now, and the quickest way of making it that is still open. */
const props = defineProps<{
  eat: string
  plan: SweetIn
  answer: SweetOut
  choices: SweetChoices
}>()
const emit = defineEmits<{ choose: [school: string]; eat: [words: string] }>()
const now = kitchenMinute
const eaten = computed(() => readServing(props.eat, now.value))
const late = computed(
  () =>
    props.answer.key === props.plan.sweet && // an answer that is on its way is to another sentence
    eaten.value &&
    beginBy(eaten.value.at, now.value, untilEaten(props.answer)).late,
)
const after = (seconds: number) => moment(now.value + seconds * 1000, now.value)
const ready = computed(() => {
  const { low, likely, high } = untilEaten(props.answer)
  return { low, likely, high, ends: [low, likely, high].map((s) => after(s)) }
})
const others = computed(
  () =>
    props.choices.sweets
      .find((s) => s.key === props.answer.key)
      ?.schools.filter((s) => s.key !== props.answer.school) ?? [],
)
const asked = computed(() => ({
  ...props.plan,
  flavour: '',
  fruit: '',
  taken: '',
  changes: {},
  bases: {},
}))
const ways = useQuery({
  queryKey: ['other-ways', computed(() => JSON.stringify([asked.value, props.answer.school]))],
  queryFn: async () => ({
    sweet: props.answer.key,
    found: await Promise.all(
      others.value.map((s) =>
        unwrap(api.POST('/api/sweets/plan', { body: { ...asked.value, school: s.key } }))
          .then((found) => ({ ...s, takes: untilEaten(found) }))
          .catch(() => null),
      ),
    ),
  }),
  enabled: computed(() => Boolean(late.value && others.value.length)),
  placeholderData: keepPreviousData, // a line that goes and comes would move all below it from under the finger
  staleTime: 60_000,
})
const known = computed(() =>
  ways.data.value?.sweet === props.answer.key ? ways.data.value.found : undefined,
)
/** Of the other ways the quickest, if it is quicker. */
const quickest = computed(() => {
  const found = (known.value ?? []).filter((way) => way !== null)
  const [first] = found.sort((a, b) => a.takes.likely - b.takes.likely)
  if (!first || first.takes.likely >= untilEaten(props.answer).likely) return null
  const at = now.value + first.takes.likely * 1000
  return { ...first, at, inTime: eaten.value !== null && at <= eaten.value.at }
})
</script>

<template>
  <section v-if="late && eaten" class="late" aria-label="Too late" aria-live="polite">
    <p>
      <b>Too late for {{ eaten.said }}.</b> Begun now it is ready at <b>{{ ready.ends[1] }}</b> ({{
        ready.ends[0]
      }}
      to {{ ready.ends[2] }}).
      <button
        type="button"
        class="touch"
        @click="emit('eat', typed(now + ready.high * 1000 + 60_000, now))"
      >
        Eat it then
      </button>
    </p>
    <p v-if="quickest">
      Quickest
      <button type="button" class="touch" @click="emit('choose', quickest.key)">
        {{ quickest.name }}</button>: ready at {{ moment(quickest.at, now)
      }}{{ quickest.inTime ? ', in time' : ', too late as well' }}.
    </p>
    <p v-else class="soft">
      {{
        known || !others.length
          ? 'No other way of making it is quicker.'
          : 'Looking for a quicker way.'
      }}
    </p>
  </section>
</template>

<style scoped>
.late {
  margin: 10px 4px 0;
  padding: 8px 22px 8px;
  border-left: 6px solid var(--saffron);
  background: color-mix(in srgb, var(--saffron-fill) 22%, var(--counter));
  font-size: 18px;
  line-height: 28px;
}
.touch {
  font-weight: 650;
}
@media (max-width: 900px) {
  .touch {
    min-height: 40px;
  }
}
</style>
