<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { useLog } from '@/api/kitchen'
import { day } from '@/say'

/** What was kept from a batch that went wrong, for the next of its like: where it comes from, and off again as easily. */
const props = defineProps<{ of: string }>()
const kept = useQuery({
  queryKey: ['book', 'next-time', computed(() => props.of)],
  queryFn: () => unwrap(api.GET('/api/mend/next', { params: { query: { of: props.of } } })),
  enabled: () => Boolean(props.of),
})
const log = useLog()
type Kept = NonNullable<typeof kept.data.value>['kept'][number]
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
    <p v-for="one in kept.data.value.kept.slice(0, 3)" :key="`${one.batch.id}-${one.fault}`">
      <b>This time: {{ one.next }}.</b>
      <span class="soft">
        {{ one.batch.name }}, {{ day(one.batch.created_at_s) }}: {{ one.why }}.
      </span>
      <RouterLink :to="{ path: '/book/mend', query: { of: one.batch.id, fault: one.fault } }"
        >Why?</RouterLink
      >
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
.next p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
</style>
