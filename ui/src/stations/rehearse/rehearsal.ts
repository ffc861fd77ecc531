import { newKey } from '@/api/keys'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, unwrap, type EventIn } from '@/api/client'
import type { components } from '@/api/schema'
import type { LiveBatch } from '@/api/kitchen'

type Schemas = components['schemas']
export type Rehearsal = Schemas['RehearsalOut']
export type Account = Schemas['AccountOut']
export type Run = Schemas['RunOut']
export type Act = Schemas['HandIn']['act']
export type Speed = Schemas['SpeedIn']['speed']

/** A rehearsal with its batch as the Stove's parts take it: its clock runs on at the rehearsal's own pace. */
export type LiveRehearsal = Rehearsal & { live: LiveBatch }

function stamp(r: Rehearsal): LiveRehearsal {
  const pace = r.finished ? 0 : r.speed
  return { ...r, live: { ...r.batch, received: performance.now(), pace } }
}

export const useRehearsals = () =>
  useQuery({ queryKey: ['rehearsals'], queryFn: () => unwrap(api.GET('/api/rehearsals')) })

export function useRehearsal(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['rehearsal', computed(() => toValue(id))],
    queryFn: async () =>
      stamp(
        await unwrap(
          api.GET('/api/rehearsals/{rehearsal_id}', {
            params: { path: { rehearsal_id: toValue(id) } },
          }),
        ),
      ),
    refetchInterval: (query) => (query.state.data?.finished ? false : 1000),
    retry: false,
  })
}

export function useAccount(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['account', computed(() => toValue(id))],
    queryFn: () =>
      unwrap(
        api.GET('/api/rehearsals/{rehearsal_id}/account', {
          params: { path: { rehearsal_id: toValue(id) } },
        }),
      ),
    staleTime: Infinity,
    retry: false,
  })
}

export type Doing = { event: EventIn } | { act: Act } | { speed: Speed }

/** Do something at the rehearsed pan; every answer is the pan as it stands then. */
export function useDo(id: MaybeRefOrGetter<number>) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (what: Doing) => {
      const path = { params: { path: { rehearsal_id: toValue(id) } } }
      if ('speed' in what)
        return unwrap(
          api.POST('/api/rehearsals/{rehearsal_id}/speed', {
            ...path,
            body: { speed: what.speed },
          }),
        )
      const key = newKey()
      if ('act' in what)
        return unwrap(
          api.POST('/api/rehearsals/{rehearsal_id}/acts', {
            ...path,
            body: { act: { ...what.act, key } },
          }),
        )
      return unwrap(
        api.POST('/api/rehearsals/{rehearsal_id}/events', {
          ...path,
          body: { event: { ...what.event, key } },
        }),
      )
    },
    onSuccess: (r) => client.setQueryData(['rehearsal', r.id], stamp(r)),
  })
}
