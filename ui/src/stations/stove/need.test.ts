import { describe, expect, test } from 'vitest'
import type { LiveBatch } from '@/api/kitchen'
import { live, nudge } from '@/shell/lives.fixture'
import { need, secondsToStop, sinceStirred, strip } from './need'

const batch = (more: Partial<LiveBatch> = {}) =>
  ({
    id: 1,
    name: 'basundi',
    pan: { name: 'kadhai' },
    burner_id: 1,
    phase: 'boiling',
    nudges: [],
    hushed: false,
    paused_at_s: null,
    reheat_s: 0,
    now_s: 1000,
    stirred_at_s: 900,
    first_boil_s: null,
    to_stop_s: { low: 100, likely: 200, high: 300 },
    received: performance.now(),
    pace: 0,
    ...more,
  }) as unknown as LiveBatch

describe('the one sentence', () => {
  test('is the most urgent act of all pans, with whose it is', () => {
    const basundi = live('basundi', [nudge('stir', 990, { act: 'Stir it.' })])
    const tea = live('tea milk', [nudge('stop', 995, { kind: 'hazard', act: 'Take it off.' })], {
      id: 2,
    })
    const said = need([basundi, tea], batch())
    expect(said).toMatchObject({ now: true, act: 'tea milk: take it off.' })
    expect(said.due!.live.id).toBe(2)
  })

  test('of one pan alone needs no name', () => {
    const said = need([live('basundi', [nudge('stir', 990, { act: 'Stir it.' })])], batch())
    expect(said.act).toBe('Stir it.')
  })

  test('tells what follows here and elsewhere, the sooner first', () => {
    const basundi = live('basundi', [nudge('reading', 1300)])
    const tea = live('tea milk', [nudge('sugar', 1060)], { id: 2 })
    const said = need([basundi, tea], batch())
    expect(said.now).toBe(false)
    expect(said.act).toBe('Let it simmer.')
    expect(said.then).toBe('Then tea milk: sugar in 1:00, and this one: reading in 5 min.')
  })

  test('keeps what is more than an hour off to itself', () => {
    expect(need([live('kulfi', [nudge('unmould', 9000)])], batch()).then).toBe('')
  })

  test.each<[Partial<LiveBatch>, string]>([
    [{ paused_at_s: 990 }, 'It waits off the fire.'],
    [
      { phase: 'heating', first_boil_s: { low: 500, likely: 600, high: 700 } },
      'Stay within reach: it boils in about 10 minutes.',
    ],
    [{ reheat_s: 30 }, 'It warms up again.'],
    [{ phase: 'off' }, 'Weigh what you got, without the pan.'],
  ])('is calm when nothing is due: %o', (more, said) => {
    expect(need([live('basundi', [])], batch(more)).act).toBe(said)
  })
})

test('the strip says what is due, or what comes, or whom it waits for', () => {
  expect(strip({ ...live('a', []), onFire: true })).toEqual({ says: 'on the fire', due: false })
  expect(strip({ ...live('a', []), onFire: false })).toEqual({ says: 'waits for you', due: false })
  expect(strip(live('a', [nudge('stir', 999)]))).toEqual({ says: 'stir now', due: true })
  expect(strip(live('a', [nudge('stir', 999, { missed: true })])).due).toBe(false)
  expect(strip(live('a', [nudge('stir', 1060)])).says).toBe('stir in 1:00')
})

test('times run on between the server’s answers and end at nought', () => {
  expect(secondsToStop(batch())).toEqual({ low: 100, likely: 200, high: 300 })
  expect(secondsToStop(batch({ to_stop_s: null }))).toBeNull()
  expect(sinceStirred(batch())).toBe(100)
  expect(sinceStirred(batch({ stirred_at_s: null }))).toBe(0)
  const past = batch({ to_stop_s: { low: -5, likely: 1, high: 2 } })
  expect(secondsToStop(past)!.low).toBe(0)
})
