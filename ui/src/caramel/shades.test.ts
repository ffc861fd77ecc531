import { describe, expect, it } from 'vitest'
import { angleAt, colourAt, GOALS, grains, onRim, rimPiece, shadeAt, SHADES } from './shades'

describe('shades of caramel', () => {
  it('follow one another without a gap, and only some are goals', () => {
    SHADES.slice(1).forEach((s, i) => expect(s.from).toBe(SHADES[i]!.to))
    expect(GOALS.map((s) => s.key)).toEqual(['straw', 'pale-gold', 'amber', 'deep-amber'])
  })
  it('are found by temperature, below and beyond too', () => {
    expect([20, 149, 150, 170, 181, 220].map((c) => shadeAt(c).key)).toEqual([
      'clear',
      'clear',
      'straw',
      'amber',
      'deep-amber',
      'dark',
    ])
  })
  it('the pool is the shade itself in its middle and changes evenly between', () => {
    expect(colourAt(20)).toBe('#f6f0d6')
    expect(colourAt(300)).toBe('#35201a')
    expect(colourAt(171.5)).toBe('rgb(199 134 54)')
    const red = (c: number) => Number(/rgb\((\d+)/.exec(colourAt(c))?.[1])
    expect(red(168)).toBeLessThan(red(166))
    expect(red(168)).toBeGreaterThan(red(170))
  })
})

describe('the rim', () => {
  it('turns three degrees a °C, from above to below, and no further', () => {
    expect(angleAt(165)).toBe(0)
    expect(angleAt(166) - angleAt(165)).toBe(3)
    expect([angleAt(20), angleAt(500)]).toEqual([-75, 75])
    expect(onRim(100, 100, 50, 165)).toEqual([150, 100])
    expect(onRim(100, 100, 50, 150)[1]).toBeLessThan(100)
  })
  it('is drawn piece by piece', () => {
    const piece = rimPiece(0, 0, 10, 20, 165, 190)
    expect(piece.startsWith('M10.0 0.0L20.0 0.0A20 20')).toBe(true)
    expect(piece.endsWith('Z')).toBe(true)
  })
  it('grains melt away between 140 and 165 °C', () => {
    expect([100, 140, 152.5, 165, 180].map(grains)).toEqual([1, 1, 0.5, 0, 0])
  })
})
