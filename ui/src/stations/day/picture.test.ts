import { expect, test } from 'vitest'
import type { DayOut } from '@/api/client'
import type { ColdBar, Stay } from './day'
import { coldRows, FLAME, hoursOf, nightsOf, stepsOf } from './picture'

const HOUR = 3600
const at = (day: number, hour: number, minute = 0) =>
  new Date(2027, 0, day, hour, minute).getTime() / 1000

test('a stay rises with its flame and ends on the ground', () => {
  const stay = {
    start_s: 0,
    end_s: 300,
    parts: [
      { flame: 'strong', start_s: 0, end_s: 100 },
      { flame: 'gentle', start_s: 100, end_s: 250 },
    ],
  } as unknown as Stay
  expect(stepsOf(stay)).toEqual([
    { s: 0, share: 0 },
    { s: 0, share: FLAME.strong },
    { s: 100, share: FLAME.strong },
    { s: 100, share: FLAME.gentle },
    { s: 250, share: FLAME.gentle },
    { s: 300, share: FLAME.gentle },
    { s: 300, share: 0 },
  ])
})

test('what stands in the cold takes the first row that is free; the fridge comes first', () => {
  const bar = (place: ColdBar['at'], start_s: number, end_s: number) =>
    ({ at: place, start_s, end_s, sweet: 0, ready_s: start_s }) as ColdBar
  const rows = coldRows([
    bar('freezer', 0, 50),
    bar('fridge', 10, 20),
    bar('fridge', 15, 40),
    bar('fridge', 20, 30),
  ])
  expect(rows.map((r) => [r.bar.at, r.bar.start_s, r.row])).toEqual([
    ['fridge', 10, 0],
    ['fridge', 15, 1],
    ['fridge', 20, 0],
    ['freezer', 0, 2],
  ])
})

const plan = (more: object) =>
  ({
    sweets: [{ due_s: at(3, 19, 30) }],
    tasks: [],
    sittings: [],
    hands: [],
    ...more,
  }) as unknown as DayOut

test('the hour of serving is written whatever stands near it, others where there is room', () => {
  const tasks = [{ start_s: at(3, 14, 5), end_s: at(3, 18, 40), hands: 'full', said: 'stir' }]
  const day = plan({ tasks, start_s: at(3, 14), end_s: at(3, 19, 30) })
  const texts = (room: number) => hoursOf(day, (s) => (s - at(3, 14)) / 60, room).map((t) => t.text)
  expect(texts(20)).toContain('19:30')
  expect(texts(400)).toEqual(['19:30'])
  const hours = hoursOf(day, (s) => (s - at(3, 14)) / 60, 46)
  expect(hours.filter((t) => t.due).map((t) => t.text)).toEqual(['19:30'])
  hours.slice(1).forEach((t, i) => expect((t.s - hours[i]!.s) / 60).toBeGreaterThanOrEqual(46))
})

test('each midnight in it is named by the day that begins', () => {
  expect(nightsOf(plan({ start_s: at(1, 20), end_s: at(3, 19) })).map((n) => n.text)).toEqual([
    'Saturday',
    'Sunday',
  ])
  expect(nightsOf(plan({ start_s: at(1, 8), end_s: at(1, 8) + 6 * HOUR }))).toEqual([])
})
