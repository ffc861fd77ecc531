import { describe, expect, it } from 'vitest'
import type { ShelfThing } from './client'
import { midnights, shown } from './standing'

const NOW = 1_800_000_000
const thing = (batch: number, hoursAgo: number, days: number, more: Partial<ShelfThing> = {}) =>
  ({
    batch,
    of: '',
    kind: 'curdle',
    name: `thing ${batch}`,
    mass_kg: 0.4,
    gave_kg: 0.5,
    since_s: NOW - hoursAgo * 3600,
    fridge_days: days,
    total_solids: 0.4,
    uses: [],
    ...more,
  }) as ShelfThing

describe('the shelf', () => {
  it('what ends first comes first, what is over comes last', () => {
    const found = shown([thing(1, 10, 3), thing(2, 60, 2), thing(3, 30, 2)], NOW)
    expect(found.map((t) => [t.batch, t.over])).toEqual([
      [3, false],
      [1, false],
      [2, true],
    ])
    expect(found[0]).toMatchObject({ gone: 30, of_h: 48, endsAt: NOW + 18 * 3600 })
  })
  it('what nobody let go of is shown two days more, no longer', () => {
    expect(shown([thing(1, 24 * 4 - 1, 2)], NOW)).toHaveLength(1)
    expect(shown([thing(1, 24 * 4 + 1, 2)], NOW)).toHaveLength(0)
  })
  it('a curd and its whey are two things', () => {
    const found = shown([thing(1, 1, 2), thing(1, 1, 2, { of: 'whey' })], NOW)
    expect(new Set(found.map((t) => t.key)).size).toBe(2)
  })
  it('midnights lie a day apart and ahead', () => {
    const found = midnights(NOW, 96)
    expect(found).toHaveLength(4)
    expect(found[0]!.hours).toBeGreaterThan(0)
    expect(found[0]!.hours).toBeLessThanOrEqual(24)
    expect(found[1]!.at - found[0]!.at).toBe(86400)
    expect(new Date(found[0]!.at * 1000).getHours()).toBe(0)
  })
})
