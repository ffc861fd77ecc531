import { expect, test } from 'vitest'
import { STAGES } from './api/shared'
import * as say from './say'

test.each([
  [say.cm(0.0432), '4.3'],
  [say.minutes(89), '1'],
  [say.minutes(-5), '0'],
  [say.grouped(1234567), '1\u2009234\u2009567'],
  [say.grams(1.1), '1\u2009100 g'],
  [say.weight(0.9994), '999 g'],
  [say.weight(0.9996), '1 kg'],
  [say.weight(1.25), '1.25 kg'],
  [say.volume(0.0012), '1.20 L'],
  [say.volume(0.00025), '250 ml'],
  [say.percent(0.314), '31 %'],
  [say.stopwatch(125), '2:05'],
  [say.stopwatch(-4), '0:00'],
  [say.stopwatch(7200), '120:00'],
  [say.ago(5), 'of this minute'],
  [say.ago(600), '10 minutes old'],
  [say.ago(7200), '2 hours old'],
  [say.ago(3 * 86400), '3 days old'],
  [say.since(5), 'just now'],
  [say.since(600), '10 minutes ago'],
  [say.megabytes(434176), '434 kB'],
  [say.megabytes(2_000_000), '2 MB'],
])('%s is said as %s', (said, expected) => expect(said).toBe(expected))

test('money is written as the platform writes it, pennies of small sums only', () => {
  expect(say.money(13.1, 'INR')).toBe('₹13.10')
  expect(say.money(78, 'INR')).toBe('₹78')
  expect(say.money(1234.56, 'EUR')).toBe('€1,235')
  expect(say.money(0.5, 'JPY')).toMatch(/^¥[01]$/)
  expect(say.currencyName('INR')).toBe('Indian Rupee')
})

test('what is left is one figure in the unit that fits it', () => {
  expect(say.countdown(65)).toEqual({ figure: '1:05', unit: 'minutes:seconds' })
  expect(say.countdown(-599)).toEqual({ figure: '9:59', unit: 'minutes:seconds' })
  expect(say.countdown(600)).toEqual({ figure: '10', unit: 'minutes' })
  expect(say.countdown(5400)).toEqual({ figure: '1.5', unit: 'hours' })
  expect(say.countdown(-36 * 3600)).toEqual({ figure: '1.5', unit: 'days' })
})

test('a stage has a name and a deed; between two it is the nearer', () => {
  expect(STAGES.map((_, i) => say.stageName(i))).toEqual(STAGES)
  expect(say.stageName(2.4)).toBe('coats the spoon')
  expect(say.stageDoes(2.6)).toBe('falls in a slow ribbon')
  expect(say.stageName(99)).toBe('')
})
