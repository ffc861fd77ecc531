<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap, type ReduceIn } from '@/api/client'
import { useLog } from '@/api/kitchen'
import { day } from '@/say'

/**
 * What was kept from a batch that went wrong, for the next of its like: where it comes from, and off again as easily. What
 * has a word in the sentence is put there with a touch, and taken out again; what has to be reckoned for it (the stop as a
 * weight) is reckoned from the plan as it stands.
 */
const props = defineProps<{ of: string; words?: Record<string, unknown>; plan?: ReduceIn }>()
const emit = defineEmits<{ set: [words: Record<string, string>] }>()
const kept = useQuery({
  queryKey: ['book', 'next-time', computed(() => props.of), computed(() => props.plan)],
  queryFn: () =>
    unwrap(api.POST('/api/mend/next', { body: { of: props.of, plan: props.plan ?? null } })),
  placeholderData: keepPreviousData,
  enabled: () => Boolean(props.of),
})
const log = useLog()
type Kept = NonNullable<typeof kept.data.value>['kept'][number]
/** What the sentence said before, by the batch and fault that changed it. */
const before = ref<Record<string, Record<string, string>>>({})
const name = (one: Kept) => `${one.batch.id}-${one.fault}`
const sets = (one: Kept) => Object.entries(props.words ? one.sets : {})
const stands = (one: Kept) => sets(one).every(([word, value]) => props.words![word] === value)
/** What was reckoned is told before it is put there. */
const figures = (one: Kept) =>
  one.reckoned.length ? `: ${one.reckoned.map((word) => one.sets[word]).join(', ')}` : ''
function put(one: Kept) {
  const was = sets(one).map(([word]) => [word, String(props.words![word] ?? '')])
  before.value = { ...before.value, [name(one)]: Object.fromEntries(was) }
  emit('set', one.sets)
}
function takeBack(one: Kept) {
  const { [name(one)]: was, ...rest } = before.value
  before.value = rest
  if (was) emit('set', was)
}
const off = (one: Kept) =>
  log.mutate({
    id: one.batch.id,
    event: {
      kind: 'fault_found',
      fault: one.fault,
      cause: one.cause,
      answers: one.answers,
      next_time: false,
    },
  })
</script>

<template>
  <aside v-if="kept.data.value?.kept.length" class="next" aria-label="From the last time">
    <p v-for="one in kept.data.value.kept.slice(0, 3)" :key="name(one)">
      <b>This time: {{ one.next }}.</b>
      <span class="soft">
        {{ one.batch.name }}, {{ day(one.batch.created_at_s) }}: {{ one.why }}.
      </span>
      <RouterLink :to="{ path: '/book/mend', query: { of: one.batch.id, fault: one.fault } }"
        >Why?</RouterLink
      >
      <template v-if="sets(one).length">
        <button v-if="!stands(one)" type="button" class="touch" @click="put(one)">
          Put it in the sentence{{ figures(one) }}
        </button>
        <template v-else>
          <span class="in">it stands in the sentence</span>
          <button v-if="before[name(one)]" type="button" class="touch" @click="takeBack(one)">
            Take it back
          </button>
        </template>
      </template>
      <button type="button" class="touch" @click="off(one)">No longer</button>
    </p>
  </aside>
</template>

<style scoped>
.next {
  margin: 14px 4px 0;
  padding: 8px 16px;
  border-left: 4px solid var(--leaf);
  background: color-mix(in srgb, var(--leaf) 7%, transparent);
  border-radius: 0 8px 8px 0;
}
.in {
  color: var(--leaf);
  font-weight: 600;
}
.next p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
</style>
