import { expect, test } from 'vitest'
import agreed from '../../../tests/agreed/loudness.json'
import type { LiveCurd } from '@/api/kitchen'
import { asked, inTime, liveCurd, loudness } from './live'
import { live, nudge } from './lives.fixture'

test.each(agreed)('$kind, $late_s s late, missed $missed, hushed $hushed: $is', (x) => {
  const told = nudge('stir', 1000, {
    kind: x.kind as 'care',
    missed: x.missed,
    hushed: x.hushed,
  })
  expect(loudness(told, 1000 + x.late_s)).toBe(x.is)
})

test('what is due comes before what comes; hazards before cares; then the sooner', () => {
  const pan = live('basundi', [nudge('stir', 990), nudge('reading', 1300)])
  const other = live('tea milk', [nudge('stop', 999, { kind: 'hazard' }), nudge('sugar', 1100)])
  expect(asked([pan, other]).map((a) => a.nudge.key)).toEqual(['stop', 'stir', 'sugar', 'reading'])
  expect(asked([pan])[0]!.left).toBe(-10)
})

test('a missed care stands behind one that still sounds', () => {
  const pan = live('basundi', [nudge('stir', 500, { missed: true }), nudge('scrape', 995)])
  expect(asked([pan]).map((a) => a.nudge.key)).toEqual(['scrape', 'stir'])
})

test.each([
  [-3, 'now'],
  [0, 'now'],
  [65, 'in 1:05'],
  [90, 'in 2 min'],
  [5399, 'in 90 min'],
  [5400, 'in 1.5 h'],
])('%d seconds are said as "%s"', (s, said) => expect(inTime(s)).toBe(said))

test('what hangs is on no fire and in no pan; milk that comes to the boil is on both', () => {
  const curd = (kind: string, step: number) =>
    liveCurd({
      kind,
      step,
      steps: [{ name: 'hang' }],
      burner_id: 2,
      pan_id: 3,
      paused_at_s: null,
      nudges: [],
    } as unknown as LiveCurd)
  expect(curd('strain', 0)).toMatchObject({ onFire: false, burners: [], pans: [] })
  expect(curd('curdle', 0)).toMatchObject({ onFire: true, burners: [2], pans: [3] })
  expect(curd('curdle', 1)).toMatchObject({ onFire: false, burners: [], pans: [3] })
})
