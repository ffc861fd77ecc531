import { describe, expect, test } from 'vitest'
import type { PanOut } from '@/api/client'
import { frameOf, radiusAt, wallPath } from './geometry'

const pan = (outline_m: [number, number][]) =>
  ({ outline_m, height_m: outline_m.at(-1)![1], kind: 'kadhai' }) as unknown as PanOut
const POT = pan([
  [0.11, 0],
  [0.11, 0.135],
])
const KADHAI = pan([
  [0.055, 0],
  [0.12, 0.03],
  [0.145, 0.086],
  [0.16, 0.118],
])

describe('the inside radius', () => {
  test('follows the outline and stays at the rim above it', () => {
    expect(radiusAt(POT, 0.06)).toBeCloseTo(0.11)
    expect(radiusAt(KADHAI, 0)).toBeCloseTo(0.055)
    expect(radiusAt(KADHAI, 0.015)).toBeCloseTo(0.0875)
    expect(radiusAt(KADHAI, 0.5)).toBeCloseTo(0.16)
  })
})

test('the wall is drawn symmetric about its middle, down one side and up the other', () => {
  const points = [...wallPath(KADHAI, 300, 200, 1000).matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(
    ([, x, y]) => [Number(x), Number(y)] as const,
  )
  expect(points).toHaveLength(10)
  points.forEach(([x, y], i) => {
    const [mirrored, level] = points.at(-1 - i)!
    expect(x + mirrored).toBeCloseTo(600)
    expect(y).toBeCloseTo(level)
  })
  expect(points[0]).toEqual([140, 82])
})

describe.each([
  ['desk', 676, 332],
  ['phone', 358, 250],
  ['a strip', 200, 120],
])('on a %s', (_, width, height) => {
  test.each([
    ['pot', POT],
    ['kadhai', KADHAI],
  ])('the %s stands wholly in its picture, to one scale both ways', (_, it) => {
    const f = frameOf(it, width, height, false)
    expect(f.tall).toBeLessThanOrEqual(height)
    expect(f.y(it.height_m)).toBeGreaterThanOrEqual(0)
    expect(f.x0 - f.rim.r).toBeGreaterThanOrEqual(0)
    expect(f.x0 + f.rim.r).toBeLessThanOrEqual(width)
    expect(f.y(0) - f.y(0.02)).toBeCloseTo(0.02 * f.scale)
    expect(f.half(0.02)).toBeCloseTo(radiusAt(it, 0.02) * f.scale)
    expect(f.unit).toBeLessThanOrEqual(1)
    expect(f.wall).toBeGreaterThanOrEqual(4.5)
    expect(f.wall).toBeLessThanOrEqual(6)
  })
})

test('two pans side by side keep one scale', () => {
  const alone = frameOf(POT, 676, 332, true)
  const beside = frameOf(POT, 676, 332, true, alone.scale / 2)
  expect(beside.scale).toBe(alone.scale / 2)
})
