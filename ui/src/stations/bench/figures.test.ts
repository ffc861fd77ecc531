import { expect, test } from 'vitest'
import type { Forecast } from '@/api/client'
import { figuresAt, figuresOf } from './figures'

const range = (x: number) => ({ low: x * 0.9, likely: x, high: x * 1.1 })
const down = (from: number, to: number) => [0, 1, 2, 3].map((i) => from + ((to - from) * i) / 3)
const f = {
  stop_depth_m: range(0.04),
  stop_m3: range(0.0012),
  after_boil_s: range(2700),
  served_kg: { low: 1.1, likely: 1.2, high: 1.35 },
  total_solids: range(0.31),
  hot: { stage: 2 },
  cold: { stage: 3 },
  milk_kg: 2.4,
  product_kg: range(1.31),
  sugar_kg: 0.11,
  steam_kg: 1.2,
  after: { water_kg: 0.9, total_kg: 1.31 },
  track: {
    depth_m: down(0.07, 0.01),
    volume_m3: down(0.0024, 0.0006),
    at_s: down(0, 4000),
    low_s: down(0, 3600),
    high_s: down(0, 4400),
    served_kg: down(2.3, 0.6),
    water_kg: down(2.0, 0.3),
    total_solids: down(0.15, 0.6),
    hot_stage: [0, 1, 2, 4],
    cold_stage: [0, 2, 3, 5],
    concentration: down(1, 4),
    steam_kg: down(0, 1.8),
    product_kg: down(2.4, 0.65),
  },
} as unknown as Forecast

test('the answer is the plan’s own', () => {
  expect(figuresOf(f)).toMatchObject({ depth: 0.04, volume: 0.0012, hot: 2, cold: 3, solids: 0.31 })
  expect(figuresOf(f).concentration).toBeCloseTo(2)
})

test('at a row of the track the figures are the row’s, between two they lie between', () => {
  const row = figuresAt(f, 0.05)
  expect(row.volume).toBeCloseTo(0.0018)
  expect(row.afterBoil.likely).toBeCloseTo(4000 / 3)
  expect([row.hot, row.cold]).toEqual([1, 2])
  const between = figuresAt(f, 0.04)
  expect(between.volume).toBeCloseTo(0.0015)
  expect(between.after).toMatchObject({ total_kg: expect.closeTo(1.525) as number })
})

test('deeper is earlier, more and thinner, and no depth leads off the track', () => {
  let before = figuresAt(f, 0.2)
  expect(before.afterBoil.likely).toBe(0)
  for (let depth = 0.07; depth >= 0; depth -= 0.002) {
    const now = figuresAt(f, depth)
    expect(now.afterBoil.likely).toBeGreaterThanOrEqual(before.afterBoil.likely)
    expect(now.served.likely).toBeLessThanOrEqual(before.served.likely)
    expect(now.solids).toBeGreaterThanOrEqual(before.solids)
    expect(now.afterBoil.low).toBeLessThanOrEqual(now.afterBoil.high)
    before = now
  }
  expect(figuresAt(f, -1).volume).toBeCloseTo(0.0006)
})

test('the range of what is served is as wide as the plan’s', () => {
  const { low, likely, high } = figuresAt(f, 0.03).served
  expect(likely - low).toBeCloseTo(0.1)
  expect(high - likely).toBeCloseTo(0.15)
})
