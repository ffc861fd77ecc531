import { useQuery } from '@tanstack/vue-query'
import { api, unwrap, type ShelfThing, type Standing } from './client'
import { serverNow } from './outbox'

/** When what stands in the fridge has been there as long as it may, by the kitchen's clock. */
export const ends = (b: Pick<Standing, 'weighed_at_s' | 'fridge_days'>) =>
  b.weighed_at_s + b.fridge_days * 86400
export const isOver = (b: Pick<Standing, 'weighed_at_s' | 'fridge_days'>) => ends(b) < serverNow()

export function useBases() {
  return useQuery({
    queryKey: ['sweet-bases'],
    queryFn: async () => (await unwrap(api.GET('/api/sweets/bases'))).bases,
    staleTime: 15_000,
  })
}

export function useShelf() {
  return useQuery({
    queryKey: ['shelf'],
    queryFn: async () => (await unwrap(api.GET('/api/shelf'))).things,
    staleTime: 15_000,
  })
}

/** What the sweets that are being made still want. */
export function useShopping() {
  return useQuery({
    queryKey: ['shopping'],
    queryFn: () => unwrap(api.GET('/api/shopping')),
    staleTime: 15_000,
  })
}

/** What nobody let go of in time is not shown for ever. */
const FORGOTTEN_S = 2 * 86400

/** A thing of the shelf with its end, as it stands at `now` (s since the epoch). */
export interface Stands extends ShelfThing {
  key: string
  endsAt: number
  over: boolean
  /** Hours that are gone, and hours there are. */
  gone: number
  of_h: number
}

/** What is shown, what ends first before the rest. */
export function shown(things: ShelfThing[], now: number): Stands[] {
  return things
    .map((t) => {
      const endsAt = t.since_s + t.fridge_days * 86400
      return {
        ...t,
        key: `${t.batch}${t.of}`,
        endsAt,
        over: endsAt < now,
        gone: Math.max(0, Math.round((now - t.since_s) / 3600)),
        of_h: t.fridge_days * 24,
      }
    })
    .filter((t) => now < t.endsAt + FORGOTTEN_S)
    .sort((a, b) => Number(a.over) - Number(b.over) || a.endsAt - b.endsAt)
}

/** Midnights from now to so many hours ahead, with their distance, h. */
export function midnights(now: number, hours: number): { at: number; hours: number }[] {
  const first = new Date(now * 1000)
  first.setHours(24, 0, 0, 0)
  const found = []
  for (let at = first.getTime() / 1000; (at - now) / 3600 < hours; at += 86400)
    found.push({ at, hours: (at - now) / 3600 })
  return found
}
