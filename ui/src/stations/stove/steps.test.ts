import { expect, test } from 'vitest'
import type { SweetBatch } from '@/api/client'
import { clockOf, cooks, lateIn, lateOf, loadNow, nextAfter, takes } from './steps'

type Step = SweetBatch['steps'][number]
const step = (key: string, phase: string, more: object = {}) =>
  ({
    key,
    phase,
    seconds: { likely: 960 },
    loads: 1,
    heats_s: 0,
    due_s: null,
    base: '',
    fire: false,
    waits_for: [],
    ...more,
  }) as unknown as Step

test('how long it will take, in hours where minutes would be many', () => {
  expect(takes(step('boil', 'ready'))).toEqual(['16', 'min'])
  expect(takes(step('set', 'ready', { seconds: { likely: 5400 } }))).toEqual(['1.5', 'h'])
})

test('fat is heated before the first load goes in, and its clock begins then', () => {
  const fry = step('fry', 'running', { loads: 2, heats_s: 480, seconds: { likely: 1680 } })
  expect(loadNow(fry, 1680 - 100)).toBe('load 1 of 2: 16:20 left of it')
  expect(loadNow(fry, 1680 - 1080)).toBe('load 2 of 2: 10:00 left of it')
})

test('of a step in loads the one that is in now; none that is over, has not begun, or is alone', () => {
  const boil = step('boil', 'running', { loads: 2, seconds: { likely: 1920 } })
  expect(loadNow(boil, 1900)).toBe('load 1 of 2: 15:40 left of it')
  expect(loadNow(boil, 950)).toBe('load 2 of 2: 15:50 left of it')
  expect(loadNow(boil, -5)).toBe('')
  expect(loadNow(step('boil', 'ready', { loads: 2 }), 960)).toBe('')
  expect(loadNow(step('cut', 'running'), 100)).toBe('')
})

test('a clock on the river says minutes, what is left or over, or how long it will take', () => {
  const runs = step('cook', 'running', { due_s: 700 })
  expect(clockOf(runs, 700)).toBe('12 min left')
  expect(clockOf(runs, 65)).toBe('1:05 min left')
  expect(clockOf(runs, -61)).toBe('1:01 min over')
  expect(clockOf(step('cook', 'running'), 0)).toBe('16 min')
  expect(clockOf(step('cook', 'ready'), 0)).toBe('16 min')
})

test('one press goes on only to what waits for this alone; a base ends when it is weighed', () => {
  const cook = step('cook', 'running')
  const press = step('press', 'waits', { waits_for: ['cook'] })
  const both = step('join', 'waits', { waits_for: ['cook', 'other'] })
  expect(nextAfter([cook, both, press], cook)).toBe(press)
  expect(nextAfter([cook, both], cook)).toBeUndefined()
  expect(nextAfter([cook, press], step('cook', 'ready'))).toBeUndefined()
  expect(nextAfter([cook, press], step('cook', 'running', { base: 'R' }))).toBeUndefined()
  expect(nextAfter([press], undefined)).toBeUndefined()
  // what has a plan of its own is lit from it
  expect(nextAfter([cook, { ...press, lit_slot: 'R' }], cook)).toBeUndefined()
})

test('a burner is for what cooks by itself', () => {
  expect(cooks(step('fry', 'ready', { fire: true }))).toBe(true)
  expect(cooks(step('base-R', 'ready', { fire: true, base: 'R' }))).toBe(false)
  expect(cooks(step('cut', 'ready'))).toBe(false)
  expect(cooks(undefined)).toBe(false)
})

test('what goes in on the way is held to be in once it was weighed, or near the end', () => {
  const cook = step('cook', 'running', { seconds: { likely: 2400 } })
  const row = (weighed_kg: number | null, more = {}) => ({
    step: 'cook',
    when: 'at the end',
    weighed_kg,
    ...more,
  })
  const batch = (...rows: object[]) => ({ rows }) as unknown as SweetBatch
  expect(lateIn(batch(row(null)), cook, 2000)).toBe(false)
  expect(lateIn(batch(row(null)), cook, 700)).toBe(true)
  expect(lateIn(batch(row(0.1), row(null)), cook, 2000)).toBe(false)
  expect(lateIn(batch(row(0.1), row(0.02)), cook, 2000)).toBe(true)
  expect(lateIn(batch(row(null, { step: 'press' }), row(null, { when: '' })), cook, 2000)).toBe(
    true,
  )
  const named = batch(
    row(null, { name: 'sugar' }),
    row(0.02, { name: 'ghee' }),
    row(null, { name: 'milk', when: '' }),
    row(null, { name: 'nuts', step: 'press' }),
  )
  expect(lateOf(named, cook)).toEqual(['sugar', 'ghee'])
})
