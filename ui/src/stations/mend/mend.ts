import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import type { LocationQuery, LocationQueryRaw } from 'vue-router'
import { api, unwrap } from '@/api/client'
import type { components } from '@/api/schema'

type Schemas = components['schemas']
export type Mending = Schemas['MendingOut']
export type Cause = Schemas['CauseOut']
export type Moment = Schemas['MomentOut']
export type Line = Schemas['LineOut']

/** What is asked, as it stands in the address: of which batch or product, which fault, and what the cook answered. */
export interface Asked {
  of: number | null
  product: string
  fault: string
  answers: Record<string, number>
  skip: string[]
}

const text = (value: unknown) => (typeof value === 'string' ? value : '')

/** What the address says; what cannot be read in it is left out. */
export function readAsked(query: LocationQuery): Asked {
  const of = Number(text(query.of))
  const answers = text(query.said)
    .split(',')
    .map((pair) => pair.split(':') as [string, string | undefined])
    .filter(([reading, value]) => reading && value && Number.isFinite(Number(value)))
  return {
    of: Number.isInteger(of) && of > 0 ? of : null,
    product: text(query.product),
    fault: text(query.fault),
    answers: Object.fromEntries(answers.map(([reading, value]) => [reading, Number(value)])),
    skip: text(query.unknown).split(',').filter(Boolean),
  }
}

export function writeAsked(asked: Asked): LocationQueryRaw {
  const said = Object.entries(asked.answers).map(([reading, value]) => `${reading}:${value}`)
  return {
    ...(asked.of ? { of: String(asked.of) } : asked.product ? { product: asked.product } : {}),
    ...(asked.fault && { fault: asked.fault }),
    ...(said.length && { said: said.join(',') }),
    ...(asked.skip.length && { unknown: asked.skip.join(',') }),
  }
}

export function useMending(asked: MaybeRefOrGetter<Asked>) {
  return useQuery({
    queryKey: [
      'book',
      computed(() => toValue(asked).of ?? 0),
      'mend',
      computed(() => toValue(asked)),
    ],
    queryFn: () => {
      const { of, product, fault, answers, skip } = toValue(asked)
      const body = { batch: of, product: of ? '' : product, fault, answers, skip }
      return unwrap(api.POST('/api/mend', { body }))
    },
    placeholderData: keepPreviousData,
    retry: false,
  })
}

/** Happenings that stand in the record only when they tell something. */
const MANY = ['stirred', 'scraped', 'reading', 'missed', 'snoozed', 'hushed', 'note', 'step_begun']
const MOST_MOMENTS = 12

/** The moments worth a line: all that tell something, and of the rest what was done to it, up to a dozen in all. */
export function worthALine(record: Moment[]): Moment[] {
  const tells = (m: Moment) => m.readings.length > 0
  const rest = record.filter((m) => !tells(m) && !MANY.includes(m.kind))
  const room = Math.max(2, MOST_MOMENTS - record.filter(tells).length)
  const every = rest.length <= room ? rest : [...rest.slice(0, room - 1), rest[rest.length - 1]!]
  return record.filter((m) => tells(m) || every.includes(m))
}

/** Which moment of the record stands behind which cause: what speaks for it, from the log. */
export function threads(causes: Cause[], moments: Moment[]) {
  return causes.flatMap((cause, row) =>
    cause.speaks
      .map((line) => moments.findIndex((m) => m.batch === line.batch && m.event === line.event))
      .filter((at) => at >= 0)
      .map((at) => ({ cause: cause.key, row, moment: at })),
  )
}

const SURE = ['almost-surely', 'very-likely', 'likely']

/** How the sentence goes on: the likeliest causes, and how sure that is. */
export function verdict(causes: Cause[]): { lead: string; whys: string[] } {
  const held = causes.filter((c) => c.confirmed)
  if (held.length) return { lead: 'You found that', whys: held.map((c) => c.why) }
  const likely = causes.filter((c) => SURE.includes(c.word)).slice(0, 2)
  if (likely.length) return { lead: 'Most likely', whys: likely.map((c) => c.why) }
  const maybe = causes.filter((c) => c.word === 'possible').slice(0, 2)
  if (maybe.length) return { lead: 'It may be that', whys: maybe.map((c) => c.why) }
  return { lead: 'Nothing that is known says why', whys: [] }
}

/** What to do next time: of what was confirmed, else of all that is at least possible. */
export function nextTime(causes: Cause[]): Cause[] {
  const held = causes.filter((c) => c.confirmed)
  if (held.length) return held
  return causes.filter((c) => [...SURE, 'possible'].includes(c.word)).slice(0, 3)
}

/** A title as it goes on within a sentence. */
export const within = (title: string) => title.charAt(0).toLowerCase() + title.slice(1)

/** The page of a batch. */
export function pageOf(batch: { id: number; kind: string }): string {
  const rooms: Record<string, string> = {
    reduce: '/book/',
    sweet: '/stove/sweet/',
    caramel: '/stove/caramel/',
  }
  return `${rooms[batch.kind] ?? '/stove/curd/'}${batch.id}`
}
