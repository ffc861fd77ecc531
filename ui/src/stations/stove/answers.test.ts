import { expect, test } from 'vitest'
import type { LiveBatch } from '@/api/kitchen'
import type { Asked, Live } from '@/shell/live'
import { live, nudge } from '@/shell/lives.fixture'
import { answerTo, isSame, panActs } from './answers'

const PAN = { flame: 'strong', sugar_kg: 0.3, sugar_in_kg: 0.1 } as LiveBatch
const due = (of: Live['of'], answer: string): Asked => ({
  live: live('milk', [], { of }),
  nudge: nudge('load', 990, { answer, episode: '2' }),
  left: -10,
})
const seen = { kind: 'snoozed', nudge: 'load', episode: '2', seconds: 1800 }

test.each([
  ['first_boil', { kind: 'first_boil' }],
  ['scraped', { kind: 'scraped' }],
  ['sugar_in', { kind: 'sugar_in', mass_kg: expect.closeTo(0.2) }],
  ['flame_changed', { kind: 'flame_changed', flame: 'medium' }],
  ['noted', seen],
])('a pan that asks for %s is answered where it stands', (answer, event) => {
  expect(answerTo(due('pan', answer), PAN)).toEqual({ event, then: 'stay' })
})

test('what wants a figure of a pan is typed, or weighed on its page', () => {
  expect(answerTo(due('pan', 'reading'), PAN)).toEqual({ event: null, then: 'type' })
  expect(answerTo(due('pan', 'weighed'), PAN)).toEqual({ event: null, then: 'go' })
  expect(answerTo(due('pan', 'stirred'), undefined)).toEqual({ event: null, then: 'stay' })
})

test.each<[Live['of'], string, object | null]>([
  ['curd', 'step_done', { kind: 'step_done' }],
  ['curd', 'weighed', null],
  ['caramel', 'off', { kind: 'off' }],
  ['caramel', 'shade_seen', null],
  ['caramel', 'added', null],
  ['sweet', 'step_done', { kind: 'step_done', step: 'load' }],
  ['sweet', 'load_seen', seen],
  ['sweet', 'resumed', { kind: 'resumed' }],
])('a %s that asks for %s leads to its page, and logs only what it is', (of, answer, event) => {
  expect(answerTo(due(of, answer), undefined)).toEqual({ event, then: 'go' })
})

test('two pans that ask for the same ask for two things', () => {
  const stir = (path: string, key = 'stir'): Asked => ({
    live: live('milk', [], { path }),
    nudge: nudge(key, 990),
    left: -10,
  })
  expect(isSame(stir('/stove/5'), stir('/stove/5'))).toBe(true)
  expect(isSame(stir('/stove/5'), stir('/stove/6'))).toBe(false)
  expect(isSame(stir('/stove/5'), stir('/stove/5', 'scrape'))).toBe(false)
  expect(isSame(stir('/stove/5'), null)).toBe(false)
})

test('the buttons of a pan are those of its phase, and the sugar that is still to go in', () => {
  const acts = (more: object) =>
    panActs({ ...PAN, paused_at_s: null, ...more } as LiveBatch).map((a) => a.text)
  expect(acts({ phase: 'heating' })).toEqual(['First boil', 'Sugar in', 'Pause', 'Take it off'])
  expect(acts({ phase: 'boiling', sugar_in_kg: 0.3, paused_at_s: 5 })).toEqual([
    'Stirred',
    'Scraped',
    'Go on',
    'Take it off',
  ])
  expect(acts({ phase: 'off' })).toEqual([])
})
