import { expect, test } from 'vitest'
import { ends, endSaid } from './ends'

const friday = new Date(2026, 5, 19, 23, 30).getTime() / 1000

test('late in the evening the morning is still the next day’s', () => {
  const morning = ends(friday).find((e) => e.value === 'morning')!
  expect(morning.text).toBe('Saturday morning')
  expect(new Date(morning.at_s! * 1000)).toEqual(new Date(2026, 5, 20, 6))
})

test.each([0, 6, 12, 18, 23])(
  'every end is ahead and they follow each other, at %i o’clock',
  (h) => {
    const now = new Date(2026, 2, 28, h, 5).getTime() / 1000 // the clocks change this night in many places
    const times = ends(now).map((e) => e.at_s ?? Infinity)
    expect(times.every((t) => t > now)).toBe(true)
    expect(times.at(-1)).toBe(Infinity)
    expect(times[2]! > times[1]!).toBe(true)
  },
)

test('said in words', () => {
  expect(endSaid(null)).toBe('for good')
  expect(endSaid(friday)).toBe('until Friday 19 June, 23:30')
})
