import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, onNotLetIn, unwrap, type Me, type Right } from '@/api/client'

/** Each right holds those before it. */
export const RIGHTS = ['look', 'log', 'cook', 'keep'] as const satisfies readonly Right[]
export const RIGHT_DOES: Record<Right, string> = {
  look: 'look on',
  log: 'stand at the stove',
  cook: 'cook here',
  keep: 'keep the Larder',
}

const me = ref<Me>()

/** Whether this device may; until the server has said so, what it may is not taken away from the screen. */
export function may(needed: Right): boolean {
  const allowed = me.value === undefined ? 'keep' : me.value.allowed
  return allowed !== null && RIGHTS.indexOf(allowed) >= RIGHTS.indexOf(needed)
}

/** Who this device is in the kitchen; asked often while it stands in the doorway, and when something is refused. */
export function useMe() {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: ['me'],
    queryFn: () => unwrap(api.GET('/api/me')),
    refetchInterval: (q) => (q.state.data?.state === 'knocking' ? 1000 : 60_000),
    staleTime: 500,
  })
  watch(query.data, (now) => (me.value = now), { immediate: true })
  onNotLetIn(() => {
    if (me.value?.state === 'in') void client.invalidateQueries({ queryKey: ['me'] })
  })
  return {
    me: query.data,
    outside: computed(() => (query.data.value?.state ?? 'in') !== 'in'),
    /** Answered, or no answer to be had: what is inside says so itself. */
    known: computed(() => !query.isPending.value),
  }
}
