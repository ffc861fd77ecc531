import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ApiProblem, unwrap } from '@/api/client'

interface Thing {
  id: number
  version: number
}
type Answer<T> = Promise<{ data?: T; error?: unknown; response: Response }>

/**
 * Adding or changing one thing of the Larder. The version seen when the dialog opened goes with the change;
 * when another tab was quicker, what it says now stands beside what was typed, and the cook decides.
 */
export function useEditing<T extends Thing>(
  thing: () => T | undefined,
  send: {
    keep: (version: number) => Answer<unknown>
    remove?: (version: number) => Answer<unknown>
  },
  done: () => void,
) {
  const client = useQueryClient()
  const version = ref(thing()?.version ?? 1)
  const refresh = () => client.invalidateQueries({ queryKey: ['larder'] })
  const theirs = computed(() => {
    const now = thing()
    return now && now.version !== version.value ? now : undefined
  })
  const settle = {
    onSuccess: async () => {
      await refresh()
      done()
    },
    onError: (error: Error) => {
      if (error instanceof ApiProblem && error.status === 409) void refresh()
    },
  }
  const keep = useMutation({ mutationFn: () => unwrap(send.keep(version.value)), ...settle })
  const remove = useMutation({ mutationFn: () => unwrap(send.remove!(version.value)), ...settle })
  const problem = computed(() => (keep.error.value ?? remove.error.value)?.message)
  const accept = () => {
    version.value = thing()?.version ?? 1
    keep.reset()
    remove.reset()
  }
  return { keep, remove, problem, theirs, accept, busy: keep.isPending }
}
