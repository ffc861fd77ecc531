import { expect, test } from 'vitest'
import { firstPart, gramsIn, stepOf } from './part'

test('a part begins with what is wanted, else with half, and is never more than there is', () => {
  expect(firstPart({ holds: 416, needs: 252 })).toBe(250)
  expect(firstPart({ holds: 416, needs: 900 })).toBe(210)
  expect(firstPart({ holds: 416, needs: 0 })).toBe(210)
  expect(firstPart({ holds: 3.4, needs: 1.2 })).toBe(1)
  for (const holds of [1, 7, 99, 101, 999, 5200])
    for (const needs of [0, 0.3, holds / 3, holds - 1, holds, holds * 2]) {
      const part = firstPart({ holds, needs })
      expect(part).toBeGreaterThan(0)
      expect(part).toBeLessThanOrEqual(holds)
    }
})

test('its steps grow with what is there', () => {
  expect([40, 400, 4000].map(stepOf)).toEqual([1, 5, 10])
})

test('grams are read from a figure; other words are the server’s to understand', () => {
  expect(['200 g', '200', ' 0,25 kg', '1.2KG'].map(gramsIn)).toEqual([200, 200, 250, 1200])
  expect(['a half', '2 cups', '', 'g', '-3 g'].map(gramsIn)).toEqual(Array(5).fill(null))
})
