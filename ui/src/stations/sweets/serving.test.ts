import { describe, expect, test } from 'vitest'
import { beginBy, dayOf, hourOf, moment, readServing, typed } from './serving'

/** A Friday, half past one. */
const NOW = new Date(2021, 0, 15, 13, 30).getTime()
const day = (days: number, hour: number, minute = 0) =>
  new Date(2021, 0, 15 + days, hour, minute).getTime()

test.each([
  ['20:00', day(0, 20)],
  ['20.15', day(0, 20, 15)],
  ['8 pm', day(0, 20)],
  ['8:45pm', day(0, 20, 45)],
  ['12:00', day(1, 12)], // gone today: the next there is
  ['12 am', day(1, 0)],
  ['13:30', day(1, 13, 30)],
  ['noon', day(1, 12)],
  ['midnight', day(1, 0)],
  ['today 10:00', day(0, 10)], // said so: it is too late then
  ['tonight at 21:00', day(0, 21)],
  ['Tomorrow  18:00', day(1, 18)],
  ['tomorrow, 7 am', day(1, 7)],
  ['the day after tomorrow 9:00', day(2, 9)],
  ['Saturday 19:30', day(1, 19, 30)],
  ['sat 19:30', day(1, 19, 30)],
  ['on Monday at 8:00', day(3, 8)],
  ['friday 18:00', day(0, 18)],
  ['Friday 10:00', day(7, 10)], // this one's is gone
  ['next friday 18:00', day(7, 18)],
  ['in 3 hours', day(0, 16, 30)],
  ['in 90 minutes', day(0, 15)],
  ['in an hour', day(0, 14, 30)],
  ['in 2 days', day(2, 13, 30)],
])('%s', (said, at) => {
  expect(new Date(readServing(said, NOW)!.at)).toEqual(new Date(at))
})

test.each([
  '',
  'supper',
  '25:00',
  '20:75',
  'someday 18:00',
  'tomorrow',
  '13 pm',
  '2000',
  'mo 8:00',
])('“%s” is no time', (said) => expect(readServing(said, NOW)).toBeNull())

describe('in words', () => {
  test('a moment has its day where it is another', () => {
    expect(moment(day(0, 9, 5), NOW)).toBe('09:05')
    expect(moment(day(1, 18), NOW)).toBe('18:00 tomorrow')
    expect(moment(day(-1, 23), NOW)).toBe('23:00 yesterday')
    expect(moment(day(3, 8), NOW)).toBe('08:00 Monday')
    expect(dayOf(day(9, 8), NOW)).toBe('Sunday 24 January')
    expect(hourOf(day(0, 0))).toBe('00:00')
  })
  test('what is read is said back', () => {
    expect(readServing('sat 7 pm', NOW)!.said).toBe('tomorrow 19:00')
    expect(readServing('20:00', NOW)!.said).toBe('20:00')
    expect(readServing('next friday 18:00', NOW)!.said).toBe('Friday 22 January 18:00')
  })
})

test('what is typed for a moment is read as that moment', () => {
  for (const at of [day(0, 20), day(1, 7, 30), day(4, 18)])
    expect(readServing(typed(at, NOW), NOW)!.at).toBe(at)
  expect(readServing(typed(day(9, 18), NOW), NOW)!.at).toBeGreaterThanOrEqual(day(9, 18))
})

test('what is begun by then is ready; late is when even the usual way is', () => {
  const takes = { likely: 3600, high: 7200 }
  expect(beginBy(day(0, 16), NOW, takes)).toEqual({
    likely: day(0, 15),
    sure: day(0, 14),
    late: false,
    tight: false,
  })
  expect(beginBy(day(0, 15), NOW, takes)).toMatchObject({ late: false, tight: true })
  expect(beginBy(day(0, 14), NOW, takes)).toMatchObject({ late: true, tight: true })
})
