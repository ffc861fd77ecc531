import { describe, expect, it } from 'vitest'
import type { Season } from '@/api/client'
import {
  fullest,
  height,
  hours,
  layers,
  litres,
  milksOf,
  monthsOf,
  titleOf,
  verdictOf,
} from './season'

const sum = (milks: Record<string, number>, more: object = {}) => ({
  ...{
    batches: 1,
    milk_m3: Object.values(milks).reduce((a, b) => a + b, 0),
    made_kg: 1,
    feet_s: 0,
  },
  ...{ paid: 0, saved: 0, lost_kg: 0, lost: {}, milks, ...more },
})
const season = (months: [string, Record<string, number>][]): Season =>
  ({
    ...{ year: 2027, years: [2027], strips: [], pending: 0 },
    months: months.map(([month, milks]) => ({ month, sum: sum(milks) })),
    whole: sum({ cow: 0.003, goat: 0.001 }),
  }) as Season
type Strip = Season['strips'][number]
const strip = (of: string, times: number[], more: object = {}): Strip =>
  ({
    ...{ of, milk: 'farm milk', drift: null, within: 1 },
    points: times.map((t, i) => ({ batch: i, times: t })),
    ...more,
  }) as unknown as Strip

describe('the months of a year', () => {
  const told = season([
    ['2027-02', { cow: 0.002, goat: 0.001 }],
    ['2027-11', { cow: 0.001 }],
  ])
  it('are twelve, those with nothing in them too', () => {
    const months = monthsOf(told)
    expect(months).toHaveLength(12)
    expect(months.map((m) => Boolean(m.sum)).flatMap((has, i) => (has ? [i] : []))).toEqual([1, 10])
  })
  it('fill their glasses by the fullest, a milk on the other', () => {
    expect(fullest(told)).toBeCloseTo(0.003)
    expect(milksOf(told)).toEqual(['cow', 'goat'])
    const [low, high] = layers(monthsOf(told)[1]!.sum, milksOf(told), fullest(told))
    expect(low).toMatchObject({ name: 'cow', from: 0 })
    expect(low!.share + high!.share).toBeCloseTo(1)
    expect(high!.from).toBeCloseTo(low!.share)
    expect(layers(null, ['cow'], 1)).toEqual([])
    expect(layers(monthsOf(told)[1]!.sum, ['cow'], 0)).toEqual([])
  })
  it('are told in litres and hours of a kitchen', () => {
    expect([litres(0.0147), litres(0.412)]).toEqual(['14.7 L', '412 L'])
    expect([hours(1800), hours(30_960)]).toEqual(['30 minutes', '8.6 hours'])
  })
})

describe('a strip', () => {
  it('says how often it held', () => {
    expect(verdictOf(strip('weight', [1, 1, 1.2], { within: 2 / 3 }))).toBe('2 of 3 as told')
    expect(verdictOf(strip('weight', [1]))).toBe('as told')
  })
  it('says what moved, and asks of a milk that gives less whether it has thinned', () => {
    const drift = { drift: 0.93 }
    expect(verdictOf(strip('weight', [1, 1], drift))).toBe(
      '2 of 2 as told; 7 % less lately than before',
    )
    expect(verdictOf(strip('chhena', [1, 1], drift))).toMatch(/has this milk thinned\?$/)
    expect(verdictOf(strip('chhena', [1, 1], { drift: 1.02 }))).toBe('2 of 2 as told')
    expect(titleOf(strip('chhena', []))).toBe('Chhena of farm milk')
  })
  it('keeps what lies far off at its edge', () => {
    expect(height(1.4)).toBeCloseTo(0)
    expect(height(1)).toBe(0.5)
    expect(height(0.6)).toBeCloseTo(1)
    expect(height(9)).toBe(0)
    expect(height(0)).toBe(1)
  })
})
