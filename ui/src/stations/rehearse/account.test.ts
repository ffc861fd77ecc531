import { describe, expect, it } from 'vitest'
import { lasted, markAt, minute, wordsAt } from './account'
import type { Trace } from './rehearsal'

const trace = (acts: [number, string, string?][], at_s = [0, 30, 60]): Trace => ({
  kind: 'pan',
  name: 'pot',
  follows: 'in the pan',
  unit: 'kg',
  goal: null,
  began_s: 0,
  at_s,
  value: at_s.map(() => 1),
  view: at_s.map(() => ({})),
  sees: at_s.map(() => []),
  acts: acts.map(([at, kind, says]) => ({ at_s: at, kind, says: says ?? kind, flame: null })),
})

describe('words along a run', () => {
  it('leaves out what is a tick, and what would stand on another', () => {
    const run = trace([
      [0, 'flame', 'strong'],
      [5, 'stir'],
      [8, 'acid'],
      [100, 'strain', 'strained'],
    ])
    const words = wordsAt(run, (s) => s, 40)
    expect(words.map((w) => w.text)).toEqual(['strong', 'strained'])
    expect(wordsAt(run, (s) => s * 20, 40).map((w) => w.text)).toEqual([
      'strong',
      'acid',
      'strained',
    ])
  })
})

describe('a moment of a run', () => {
  it('is the last mark before it', () => {
    const run = trace([])
    expect([0, 29, 30, 59, 500].map((s) => markAt(run, s))).toEqual([0, 0, 1, 1, 2])
    expect(markAt(trace([], []), 10)).toBe(0)
  })
})

describe('time of a run', () => {
  it('is minutes, and hours when it is long', () => {
    expect(minute(0)).toBe('0:00')
    expect(minute(605)).toBe('10:05')
    expect(minute(3 * 3600 + 65)).toBe('3 h 1 min')
    expect(lasted(12)).toBe('a minute')
    expect(lasted(1290)).toBe('22 minutes')
    expect(lasted(19_140)).toBe('5 h 19 min')
  })
})
