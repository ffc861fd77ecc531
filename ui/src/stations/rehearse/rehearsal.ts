import { newKey } from '@/api/keys'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type EventIn } from '@/api/client'
import type { components } from '@/api/schema'
import type { LiveBatch } from '@/api/kitchen'

type Schemas = components['schemas']
export type Rehearsal = Schemas['RehearsalOut']
export type Vessel = Schemas['VesselOut']
export type Shown = Schemas['ShownOut']
export type Hand = Schemas['HandOut']
export type Lesson = Schemas['LessonOut']
export type Account = Schemas['AccountOut']
export type Run = Schemas['RunOut']
export type Trace = Schemas['TraceOut']
export type Act = Schemas['HandIn']['act']
export type Done = Omit<Schemas['DoIn'], 'key'>
export type Speed = Schemas['SpeedIn']['speed']
export type Asked = Omit<Schemas['RehearseIn'], 'key'>

/** A rehearsal as it was heard, with its batch as the Stove's parts take it: its clock runs on at its own pace. */
export type LiveRehearsal = Rehearsal & { live: LiveBatch | null; received: number }

function stamp(r: Rehearsal): LiveRehearsal {
  const pace = r.finished ? 0 : r.speed
  const received = performance.now()
  return { ...r, received, live: r.batch && { ...r.batch, received, pace } }
}

/** Kitchen time since it began, s, as it runs on between two answers. */
export const passed = (r: LiveRehearsal, now: number) =>
  r.passed_s + (r.finished ? 0 : (Math.max(0, now - r.received) / 1000) * r.speed)

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
    refetchInterval: (query) => {
      const r = query.state.data
      return r?.finished ? false : r?.speed === 0 ? 5000 : 1000
    },
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

/** Begin a lesson, a plan or an evening again, and go there. */
export function useBegin() {
  const router = useRouter()
  const client = useQueryClient()
  return useMutation({
    mutationFn: (asked: Asked) =>
      unwrap(api.POST('/api/rehearsals', { body: { ...asked, key: newKey() } })),
    onSuccess: (made) => {
      void client.invalidateQueries({ queryKey: ['rehearsals'] })
      void router.push(`/stove/rehearse/${made.id}`)
    },
  })
}

export type Doing = { event: EventIn } | { act: Act } | { hand: Done } | { speed: Speed } | 'jump'

/** Do something in a rehearsal; every answer is the kitchen as it stands then. */
export function useDo(id: MaybeRefOrGetter<number>) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (what: Doing) => {
      const path = { params: { path: { rehearsal_id: toValue(id) } } }
      if (what === 'jump')
        return unwrap(
          api.POST('/api/rehearsals/{rehearsal_id}/jump', { ...path, body: { longest_s: 3600 } }),
        )
      if ('speed' in what)
        return unwrap(
          api.POST('/api/rehearsals/{rehearsal_id}/speed', {
            ...path,
            body: { speed: what.speed },
          }),
        )
      const key = newKey()
      if ('hand' in what)
        return unwrap(
          api.POST('/api/rehearsals/{rehearsal_id}/hands', {
            ...path,
            body: { ...what.hand, key },
          }),
        )
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
    onSuccess: (r) => {
      client.setQueryData(['rehearsal', r.id], stamp(r))
      if (r.finished) void client.invalidateQueries({ queryKey: ['rehearsals'] })
    },
  })
}

/** A lesson still stands in its own order on its shelf. */
export function byShelf(lessons: Lesson[], shelves: { key: string; name: string }[]) {
  return shelves
    .map((shelf) => ({ ...shelf, lessons: lessons.filter((l) => l.shelf === shelf.key) }))
    .filter((shelf) => shelf.lessons.length)
}
