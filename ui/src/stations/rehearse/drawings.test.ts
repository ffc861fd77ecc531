import { describe, expect, it } from 'vitest'
import { DRAWINGS } from './lessonDrawings'
import type { Drawing } from './shapes'
import { HIGH, topOf, vesselDrawing, type View } from './vesselDrawings'

const numbers = (drawing: Drawing) => drawing.flatMap((s) => Object.values(s.at)).join(' ')
const pot: View = { rim_m: 0.15, wide_m: 0.24, depth_m: 0.05, flame: 2 }
const count = (drawing: Drawing, tag: string) => drawing.filter((s) => s.tag === tag).length

describe('drawings of lessons', () => {
  it.each(Object.entries(DRAWINGS))('%s is drawn within its place', (_, draw) => {
    const shapes = draw()
    expect(shapes.length).toBeGreaterThan(2)
    expect(numbers(shapes)).not.toMatch(/NaN|undefined|Infinity/)
  })
})

describe('drawings of vessels', () => {
  it.each<[string, View]>([
    ['pan', { ...pot, milk_times: 2, foam_m: 0.05, skin: 2, lid: 1 }],
    ['curd', { ...pot, curd: 0.6 }],
    ['curd', { ...pot, cloth: 1, wet: 0.4 }],
    ['cloth', { cloth: 1, whey: 0.4, drips: 0.2, cold: 1 }],
    ['caramel', { ...pot, shade_c: 172, milk: 0.5, hard: 0.6, edge: 0.6 }],
    ['bath', { ...pot, balls: 12, ball_m: 0.036, rolls: 1, lid: 1 }],
    ['fry', { ...pot, round: 1, balls: 9, ball_m: 0.03, brown: 1.3 }],
    ['freeze', { frozen: 0.6, sticks: 1, lean: 0.5 }],
    ['freeze', { frozen: 1, out: 1, soft: 1.4 }],
    ['halwa', { ...pot, round: 1, milk: 1 }],
  ])('%s has no hole in its figures', (kind, view) => {
    const shapes = vesselDrawing(kind, view)
    expect(shapes.length).toBeGreaterThan(3)
    expect(numbers(shapes)).not.toMatch(/NaN|undefined|Infinity/)
  })

  it('draws what there is more of with more', () => {
    const balls = (n: number) =>
      count(vesselDrawing('bath', { ...pot, balls: n, ball_m: 0.03 }), 'circle')
    expect(balls(20)).toBeGreaterThan(balls(6))
    expect(balls(0)).toBe(0)
    const curd = (share: number) => count(vesselDrawing('curd', { ...pot, curd: share }), 'circle')
    expect(curd(1)).toBeGreaterThan(curd(0.3))
    expect(numbers(vesselDrawing('fry', { ...pot, balls: 3, brown: 1 }))).toContain(
      'rgb(168,103,44)',
    )
  })

  it('fills a pot as deep as its milk, and begins above its rim', () => {
    const level = (depth: number) => numbers(vesselDrawing('pan', { ...pot, depth_m: depth }))
    expect(level(0.03)).not.toBe(level(0.06))
    expect(topOf({ rim_m: 0.09 })).toBeGreaterThan(topOf({ rim_m: 0.15 }))
    expect(topOf({})).toBe(0)
    expect(topOf({ rim_m: 0.4 })).toBeGreaterThanOrEqual(0)
    expect(topOf({ rim_m: 0.01 })).toBeLessThan(HIGH)
  })

  it('leaves what it does not know undrawn', () => {
    expect(vesselDrawing('kettle', pot)).toEqual([])
  })
})
