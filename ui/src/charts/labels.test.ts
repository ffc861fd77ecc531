import { describe, expect, it } from 'vitest'
import { beginsAt } from './labels'

describe('a label of a chart', () => {
  const told = 'ready for shrikhand'
  it('stands beside its line where there is room', () => {
    expect(beginsAt(200, told, 760)).toBe(205)
  })
  it('is moved back as far as it would run out, wherever its line is', () => {
    for (let line = 0; line <= 362; line += 1) {
      const from = beginsAt(line, told, 362)
      expect(from + 6.6 * told.length).toBeLessThanOrEqual(362)
      expect(from).toBeGreaterThanOrEqual(0)
      expect(from).toBeLessThanOrEqual(line + 5)
    }
  })
  it('begins at the edge where the drawing is narrower than it', () => {
    expect(beginsAt(30, told, 80)).toBe(0)
  })
})
