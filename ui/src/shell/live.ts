import { computed } from 'vue'
import type { Batch } from '@/api/client'
import {
  useRunning,
  type LiveAny,
  type LiveBatch,
  type LiveCaramel,
  type LiveCurd,
  type LiveSweet,
} from '@/api/kitchen'
import { ALARM_AFTER_S, LOUDNESS, MISSED_AFTER_S, SPEAK_AFTER_S } from '@/api/shared'
import { minutes, spoken, stopwatch } from '@/say'
import { ran } from './now'

/** What is on the fire or beside it, and what each asks for. The nudges are the server's; this only counts on. */
export type Nudge = Batch['nudges'][number]
export type Loudness = (typeof LOUDNESS)[number]

export interface Live {
  of: 'pan' | 'curd' | 'caramel' | 'sweet'
  id: number
  name: string
  place: string
  path: string
  /** On which it stands, while it is on the fire. */
  burners: number[]
  /** In which it is, on the fire or off. */
  pans: number[]
  nudges: Nudge[]
  hushed: boolean
  onFire: boolean
  /** The making that it is a base of, and which. */
  making: { parent: number; slot: string } | null
  nowS: () => number
}

/** The server's rule of loudness (core/batch/attention.py), counted on between its answers. */
export function loudness(nudge: Nudge, nowS: number): Loudness {
  const late = nowS - nudge.due_at_s
  if (late < 0) return 'wait'
  if (nudge.kind === 'hazard') return late >= ALARM_AFTER_S ? 'alarm' : 'speak'
  if (nudge.missed || nudge.hushed || late >= MISSED_AFTER_S) return 'show'
  return late >= SPEAK_AFTER_S ? 'speak' : 'chime'
}

const makingOf = ({ parent_id, slot }: { parent_id?: number | null; slot?: string | null }) =>
  parent_id && slot ? { parent: parent_id, slot } : null

const one = (thing: number | null | undefined) => (thing == null ? [] : [thing])

export function livePan(b: LiveBatch): Live {
  return {
    of: 'pan',
    id: b.id,
    name: b.name,
    place: b.pan.name,
    path: `/stove/${b.id}`,
    burners: one(b.burner_id),
    pans: one(b.pan_id),
    nudges: b.nudges,
    hushed: b.hushed,
    making: makingOf(b),
    onFire: (b.phase === 'heating' || b.phase === 'boiling') && b.paused_at_s === null,
    nowS: () => b.now_s + ran(b),
  }
}

/** Milk that comes to the boil for a chhena; what hangs is on no fire. */
const boils = (c: LiveCurd) => c.kind === 'curdle' && c.step === 0
export function liveCurd(c: LiveCurd): Live {
  return {
    of: 'curd',
    id: c.id,
    name: c.name,
    place: spoken(c.steps[c.step]?.name ?? 'weighed'),
    path: `/stove/curd/${c.id}`,
    burners: boils(c) ? one(c.burner_id) : [],
    pans: c.kind === 'curdle' && c.step < 3 ? one(c.pan_id) : [],
    nudges: c.nudges,
    hushed: c.hushed,
    making: makingOf(c),
    onFire: boils(c) && c.paused_at_s === null,
    nowS: () => c.now_s + ran(c),
  }
}

const CARAMEL_PLACE: Record<string, string> = {
  melting: 'sugar melts',
  opening: 'milk goes in',
  simmering: 'simmers down',
}

export function liveCaramel(c: LiveCaramel): Live {
  return {
    of: 'caramel',
    id: c.id,
    name: c.name,
    place: CARAMEL_PLACE[c.phase] ?? 'to weigh',
    path: `/stove/caramel/${c.id}`,
    burners: one(c.burner_id),
    pans: one(c.pan_id),
    nudges: c.nudges,
    hushed: c.hushed,
    making: makingOf(c),
    onFire: c.phase in CARAMEL_PLACE && c.paused_at_s === null,
    nowS: () => c.now_s + ran(c),
  }
}

export function liveSweet(s: LiveSweet): Live {
  const at = s.steps.find((x) => x.phase === 'running') ?? s.steps.find((x) => x.phase === 'ready')
  return {
    of: 'sweet',
    id: s.id,
    name: s.name,
    place: at?.say ?? 'weigh and count it',
    path: `/stove/sweet/${s.id}`,
    burners: Object.values(s.burners),
    pans: Object.values(s.pans),
    nudges: s.nudges,
    hushed: s.hushed,
    making: null,
    onFire: s.steps.some((x) => x.phase === 'running' && x.fire) && s.paused_at_s === null,
    nowS: () => s.now_s + ran(s),
  }
}

export function liveOf(batch: LiveAny): Live {
  if (batch.kind === 'reduce') return livePan(batch)
  if (batch.kind === 'caramel') return liveCaramel(batch)
  return batch.kind === 'sweet' ? liveSweet(batch) : liveCurd(batch)
}
/** Everything that runs, pans first. */
export function useLives() {
  const running = useRunning()
  return computed<Live[]>(() => (running.data.value ?? []).map(liveOf))
}

export interface Asked {
  live: Live
  nudge: Nudge
  /** seconds until it is due; below zero: over */
  left: number
}

const WEIGHT: Record<Loudness, number> = { alarm: 3, speak: 2, chime: 2, show: 1, wait: 0 }

/** All nudges of all pans: what is due first, hazards before cares; then what comes, soonest first. */
export function asked(lives: Live[]): Asked[] {
  const all = lives.flatMap((live) => {
    const now = live.nowS()
    return live.nudges.map((nudge) => ({ live, nudge, left: nudge.due_at_s - now }))
  })
  const rank = (a: Asked) =>
    a.left > 0 ? 0 : WEIGHT[loudness(a.nudge, a.live.nowS())] + (a.nudge.kind === 'hazard' ? 2 : 0)
  return all.sort((a, b) => rank(b) - rank(a) || a.left - b.left)
}

export const inTime = (s: number) =>
  s <= 0
    ? 'now'
    : s < 90
      ? `in ${stopwatch(s)}`
      : s < 5400
        ? `in ${minutes(s)} min`
        : `in ${Math.round(s / 360) / 10} h`
