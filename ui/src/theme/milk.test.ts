import { expect, test } from 'vitest'
import { milkColour } from './milk'

const light = (colour: string) => {
  const [r, g, b] = colour.startsWith('#')
    ? [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16))
    : colour.match(/\d+/g)!.map(Number)
  return r! * 0.3 + g! * 0.59 + b! * 0.11
}

test('milk darkens steadily from fresh to dry, and stays within the ramp', () => {
  const all = Array.from({ length: 90 }, (_, i) => light(milkColour(0.5 + i * 0.1)))
  for (let i = 1; i < all.length; i++) expect(all[i]!).toBeLessThanOrEqual(all[i - 1]!)
  expect(milkColour(0.2)).toBe(milkColour(1))
  expect(milkColour(50)).toBe('#9c6b33')
  expect(milkColour(2)).toBe('rgb(251,243,220)')
})
