import type { LiveBatch } from '@/api/kitchen'
import { minutes } from '@/say'
import { asked, inTime, livePan, type Asked, type Live } from '@/shell/live'
import { ran } from '@/shell/now'

/** What the cook is told: the most urgent act of all pans, and what follows. */
export interface Need {
  /** hands are needed at once */
  now: boolean
  act: string
  then: string
  due: Asked | null
}

const left = (seconds: number, batch: LiveBatch) => Math.max(0, seconds - ran(batch))
type Span = { low: number; likely: number; high: number }

function counted(r: Span | null, batch: LiveBatch): Span | null {
  return r && { low: left(r.low, batch), likely: left(r.likely, batch), high: left(r.high, batch) }
}
export const secondsToStop = (batch: LiveBatch) => counted(batch.to_stop_s, batch)
export const secondsToBoil = (batch: LiveBatch) => counted(batch.first_boil_s, batch)

export function sinceStirred(batch: LiveBatch): number {
  return batch.stirred_at_s === null ? 0 : batch.now_s - batch.stirred_at_s + ran(batch)
}

/** Words for the strip: what is due, else what comes next. */
export function strip(live: Live): { says: string; due: boolean } {
  const first = asked([live])[0]
  if (!first) return { says: live.onFire ? 'on the fire' : 'waits for you', due: false }
  if (first.left <= 0)
    return {
      says: `${first.nudge.strip} now`,
      due: first.nudge.kind === 'hazard' || !first.nudge.missed,
    }
  return { says: `${first.nudge.strip} ${inTime(first.left)}`, due: false }
}

const COMES = 3600

/** One sentence for all that goes on, seen from one pan or from none: hazards first, then what is overdue, then what comes. */
export function need(lives: Live[], batch?: LiveBatch): Need {
  const all = asked(lives)
  const due = all[0] && all[0].left <= 0 ? all[0] : null
  const here = due?.live ?? (batch && livePan(batch))
  const same = (a: Asked) => a.live.id === here?.id && a.live.of === here.of
  const named = (a: Asked) =>
    lives.length > 1 ? `${a.live.name}: ${lower(a.nudge.act)}` : a.nudge.act
  const coming = all.filter((a) => a !== due && a.left > 0 && a.left < COMES)
  // what this pan and another ask for next, the sooner first
  const next = [coming.find(same), coming.find((a) => !same(a))]
    .filter((a) => a !== undefined)
    .sort((a, b) => a.left - b.left)
  const follows = next.map((a, i) => {
    const whose = !same(a) ? `${a.live.name}: ` : i > 0 ? 'this one: ' : ''
    return `${whose}${a.nudge.strip} ${inTime(a.left)}`
  })
  const then = follows.length ? `Then ${follows.join(', and ')}.` : ''
  if (due) return { now: true, act: named(due), then, due }
  return { now: false, act: batch ? calm(batch) : 'Nothing asks for hands now.', then, due: null }
}

function calm(batch: LiveBatch): string {
  if (batch.paused_at_s !== null) return 'It waits off the fire.'
  const boil = secondsToBoil(batch)
  if (batch.phase === 'heating' && boil)
    return `Stay within reach: it boils in about ${minutes(boil.likely)} minutes.`
  if (batch.phase === 'boiling')
    return batch.reheat_s > ran(batch) ? 'It warms up again.' : 'Let it simmer.'
  if (batch.phase === 'off') return 'Weigh what you got, without the pan.'
  return 'It is in the Book.'
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
