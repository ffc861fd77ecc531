import { describe, expect, it } from 'vitest'
import { columnsOf, lanesOf, placesOf, reaches, type Reach } from './river'

const step = (key: string, into: string, in_kg = 1, out_kg = 1): Reach => ({
  key,
  into,
  in_kg,
  out_kg,
})
/** Two milks, joined, cooked and cut. */
const KALAKAND = [
  step('base-R', 'join', 1.7, 0.7),
  step('base-C', 'join', 3.9, 0.6),
  step('join', 'cook', 1.3, 1.3),
  step('cook', 'cut', 1.5, 0.9),
  step('cut', '', 0.9, 0.88),
]
const at = (steps: Reach[]) => Object.fromEntries(placesOf(steps))

describe('the places of the steps', () => {
  it('two bases flow side by side into one stream', () => {
    const places = at(KALAKAND)
    expect(places['cut']).toEqual({ column: 3, lane: 0 })
    expect(places['join']).toEqual({ column: 1, lane: 0 })
    expect(places['base-R']).toEqual({ column: 0, lane: 0 }) // the heavier of two alike
    expect(places['base-C']).toEqual({ column: 0, lane: 1 })
    const found = placesOf(KALAKAND)
    expect([columnsOf(found), lanesOf(found)]).toEqual([4, 2])
  })
  it('the longest way is the main stream; a short one comes in where it is needed', () => {
    const places = at([
      step('base-C', 'knead'),
      step('knead', 'boil'),
      step('syrup', 'boil', 2, 2),
      step('boil', 'soak'),
      step('soak', ''),
    ])
    expect(places['base-C']).toEqual({ column: 0, lane: 0 })
    expect(places['syrup']).toEqual({ column: 1, lane: 1 })
  })
  it('streams that do not meet share a lane', () => {
    const places = at([
      step('a', 'b'),
      step('early', 'b'),
      step('b', 'c'),
      step('c', 'd'),
      step('late', 'd'),
      step('d', ''),
    ])
    expect(places['early']!.lane).toBe(1)
    expect(places['late']).toEqual({ column: 2, lane: 1 })
  })
  it('no two steps stand in one place, and each stands before what it flows into', () => {
    const places = placesOf(KALAKAND)
    expect(new Set([...places.values()].map((p) => `${p.column} ${p.lane}`)).size).toBe(5)
    for (const s of KALAKAND)
      if (s.into) expect(places.get(s.key)!.column).toBe(places.get(s.into)!.column - 1)
  })
  it('a single step is a river too', () => {
    expect(at([step('pour', '')])).toEqual({ pour: { column: 0, lane: 0 } })
    expect(placesOf([]).size).toBe(0)
  })
})

describe('the reaches of the river', () => {
  const M = { column: 100, lane: 200, bank: 60, widest: 39 }
  const drawn = reaches(KALAKAND, placesOf(KALAKAND), M)
  const path = (key: string) => drawn.find((r) => r.key === key)!.path
  it('are as wide as what is in them: ten pixels a kilogram here', () => {
    expect(path('base-C')).toContain('0 299Z') // 60 + 200 + 39
    expect(path('cut')).toContain('V68.8')
  })
  it('begin at their bank and end at that of the next step', () => {
    expect(path('base-C').startsWith('M0 260H')).toBe(true)
    expect(path('base-C')).toContain('100 60V66')
    expect(path('join')).toContain('M100 60H155')
  })
  it('are never so narrow that nobody sees them', () => {
    const [only] = reaches(
      [step('a', 'b', 1, 0.001), step('b', '', 1, 1)],
      placesOf([step('a', 'b'), step('b', '')]),
      M,
    )
    expect(only!.path).toContain('V62')
  })
})
