import type { LiveBatch } from '@/api/kitchen'
import { minutes, weight } from '@/say'
import { since } from '@/shell/now'

/** What a batch needs next, in words; `now` when hands are needed at once. */
export interface Need {
  now: boolean
  /** two or three words for the burner strip */
  strip: string
  /** the act itself, as a sentence */
  act: string
  /** what follows, as a sentence */
  then: string
}

const left = (seconds: number | undefined, batch: LiveBatch) =>
  Math.max(0, (seconds ?? 0) - since(batch.received))

export function secondsToStop(
  batch: LiveBatch,
): { low: number; likely: number; high: number } | null {
  const r = batch.to_stop_s
  return r && { low: left(r.low, batch), likely: left(r.likely, batch), high: left(r.high, batch) }
}

export function secondsToBoil(batch: LiveBatch) {
  const r = batch.first_boil_s
  return r && { low: left(r.low, batch), likely: left(r.likely, batch), high: left(r.high, batch) }
}

export function sinceStirred(batch: LiveBatch): number {
  return batch.stirred_at_s === null ? 0 : batch.now_s - batch.stirred_at_s + since(batch.received)
}

/** The figures come from the server; this only puts the most urgent one first. */
export function need(batch: LiveBatch): Need {
  const inMin = (s: number) => (s < 45 ? 'now' : `in ${minutes(s)} min`)
  if (batch.phase === 'heating') {
    const boil = secondsToBoil(batch)!
    const due = boil.likely < 60
    return {
      now: due,
      strip: due ? 'watch for the boil' : `first boil ${inMin(boil.likely)}`,
      act: due ? 'Watch for the first boil.' : 'Stay within reach.',
      then: due
        ? `Turn down to ${batch.flame} as it rises, then press First boil.`
        : `It comes to the boil in about ${minutes(boil.likely)} minutes.`,
    }
  }
  if (batch.phase === 'boiling') {
    const stop = secondsToStop(batch)!
    const sugarLeft = batch.sugar_kg > 0 && batch.sugar_in_kg === 0
    const sugar = batch.sugar_due_s ? left(batch.sugar_due_s.likely, batch) : null
    const every = batch.stir_every_s ?? 120
    const stirDue = sinceStirred(batch) >= every
    if (stop.likely < 45) {
      const sweet = sugarLeft && batch.sugar_time === 'end'
      return {
        now: true,
        strip: 'at the stop',
        act: sweet ? `Stir in ${weight(batch.sugar_kg)} of sugar.` : 'Take it off the fire.',
        then: sweet ? 'Three minutes more, then take it off.' : 'It thickens further as it cools.',
      }
    }
    if (sugarLeft && batch.sugar_time === 'midway' && sugar !== null && sugar < 45) {
      return {
        now: true,
        strip: 'sugar in now',
        act: `Stir in ${weight(batch.sugar_kg)} of sugar.`,
        then: `The stop is about ${minutes(stop.likely)} minutes away.`,
      }
    }
    const next =
      sugarLeft && sugar !== null && sugar < stop.likely - 60
        ? `Sugar goes in ${inMin(sugar)}, the stop ${inMin(stop.likely)}.`
        : sugarLeft
          ? `At the stop, ${inMin(stop.likely)}, ${weight(batch.sugar_kg)} of sugar goes in.`
          : `The stop is about ${minutes(stop.likely)} minutes away.`
    return {
      now: stirDue,
      strip: stirDue ? 'stir and scrape now' : `stop ${inMin(stop.likely)}`,
      act: stirDue ? 'Stir, and scrape the sides.' : 'Let it simmer.',
      then: next,
    }
  }
  if (batch.phase === 'off') {
    return {
      now: false,
      strip: 'weigh it',
      act: 'Weigh what you got.',
      then: 'Without the pan: the Book sets it beside the forecast.',
    }
  }
  return { now: false, strip: 'finished', act: 'It is in the Book.', then: '' }
}
