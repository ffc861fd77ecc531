import { describe, expect, test } from 'vitest'
import type { LiveAny, LiveCaramel, LiveCurd, LiveSweet } from '@/api/kitchen'
import { curdLeft, glanceOf, stepInHand, stepLeft } from './glance'
import { makings } from './making'

const still = { now_s: 1000, received: performance.now(), pace: 0, paused_at_s: null }
const pan = (more: object) =>
  ({
    ...still,
    kind: 'reduce',
    id: 1,
    name: 'basundi',
    pan: { name: 'kadhai' },
    flame: 'medium',
    phase: 'boiling',
    depth_m: { likely: 0.05 },
    stop_depth_m: 0.029,
    concentration: 2,
    first_boil_s: null,
    to_stop_s: { low: 1140, likely: 1380, high: 1620 },
    past_stop_s: 0,
    served_kg: { likely: 0.72 },
    ...more,
  }) as unknown as LiveAny
const curd = (more: object) =>
  ({
    ...still,
    kind: 'curdle',
    id: 2,
    step: 5,
    steps: ['to-the-boil', 'wait', 'acid', 'strain', 'rinse', 'hang'].map((name) => ({
      name,
      due_s: 240,
    })),
    weighed_kg: null,
    told_kg: { likely: 0.366 },
    ...more,
  }) as unknown as LiveCurd
const step = (key: string, phase: string, due_s: number | null, more: object = {}) => ({
  key,
  phase,
  due_s,
  fire: false,
  base: '',
  bench: '',
  hands: true,
  say: key,
  lit_slot: '',
  seconds: { likely: 900 },
  ...more,
})
const sweet = (steps: object[], more: object = {}) =>
  ({
    ...still,
    kind: 'sweet',
    id: 3,
    name: 'kalakand',
    steps,
    counted: null,
    told_pieces: { likely: 40 },
    many: 'pieces',
    ...more,
  }) as unknown as LiveSweet

describe('a pan at a glance', () => {
  test('has its minutes, their range and the level to stop at', () => {
    const seen = glanceOf(pan({}))
    expect(seen).toMatchObject({ figure: '23', unit: 'min to its stop', over: false })
    expect(seen.more).toBe('19–27, at 2.9 cm')
    expect(seen.pan).toMatchObject({ now: 0.05, stop: 0.029, flame: 'medium' })
  })
  test('heats, waits off the fire without a flame, runs past its stop, and is weighed', () => {
    const boil = { low: 100, likely: 180, high: 240 }
    expect(glanceOf(pan({ phase: 'heating', first_boil_s: boil }))).toMatchObject({
      figure: '3',
      unit: 'min to the boil',
    })
    const off = glanceOf(pan({ paused_at_s: 990 }))
    expect(off.more).toBe('off the fire for a while')
    expect(off.pan?.flame).toBeUndefined()
    expect(glanceOf(pan({ past_stop_s: 130 }))).toMatchObject({ figure: '2', over: true })
    expect(glanceOf(pan({ phase: 'off' }))).toMatchObject({
      figure: '720',
      unit: 'g told: weigh it',
    })
  })
})

test('a curd says what is left of its step, and stands still off the fire', () => {
  expect(glanceOf(curd({}))).toMatchObject({
    figure: '4:00',
    unit: 'minutes:seconds left',
    more: 'hang',
    glyph: 'cloth',
    holds: '366 g',
  })
  expect(glanceOf(curd({ step: 0 }))).toMatchObject({ glyph: 'pan', holds: '' })
  expect(glanceOf(curd({ steps: [{ name: 'hang', due_s: -700 }], step: 0 }))).toMatchObject({
    figure: '12',
    unit: 'minutes over',
    over: true,
  })
  expect(curdLeft(curd({ step: 9 }))).toBeNull()
  const ran = { received: performance.now() - 60_000, pace: 1 }
  expect(curdLeft(curd(ran))!).toBeCloseTo(180, -1)
  expect(curdLeft(curd({ ...ran, paused_at_s: 900 }))).toBe(240)
})

test('sugar that melts is read in degrees, milk that simmers in minutes', () => {
  const caramel = {
    ...still,
    kind: 'caramel',
    phase: 'melting',
    celsius: { likely: 150.4 },
    rise_k_s: 0.5,
    shade: 'straw',
    told: { off_c: { likely: 167.6 } },
    pan: {},
    plan: { flame: 'gentle' },
    stop_kg: 0.547,
    on_scale_kg: 2.647,
    left_s: { likely: 300 },
  }
  expect(glanceOf(caramel as unknown as LiveCaramel)).toMatchObject({
    figure: '150',
    more: 'off at 168 °C',
    holds: 'straw',
  })
  expect(glanceOf({ ...caramel, phase: 'simmering' } as unknown as LiveCaramel)).toMatchObject({
    figure: '5',
    more: '2\u2009647 g, pan and all',
  })
  expect(glanceOf({ ...caramel, phase: 'off' } as unknown as LiveCaramel).figure).toBe('547')
})

describe('a sweet', () => {
  test('has in hand what is due first, else what can begin', () => {
    const b = sweet([step('a', 'running', 500), step('b', 'running', 80), step('c', 'ready', null)])
    expect(stepInHand(b)!.key).toBe('b')
    expect(glanceOf(b)).toMatchObject({ figure: '1:20', more: '40 pieces' })
    const waits = sweet([step('a', 'done', null), step('c', 'ready', null)])
    expect(stepInHand(waits)!.key).toBe('c')
    expect(glanceOf(waits)).toMatchObject({ figure: '15', unit: 'minutes it will take' })
    expect(glanceOf(sweet([step('a', 'done', null)])).unit).toBe('pieces: weigh and count')
  })
  test('off the fire only what was on it stands still', () => {
    const away = { received: performance.now() - 60_000, pace: 1, paused_at_s: 900 }
    const cooks = step('cook', 'running', 300, { fire: true })
    const b = sweet([cooks, step('set', 'running', 300)], away)
    expect(stepLeft(b, b.steps[0]!)).toBe(300)
    expect(stepLeft(b, b.steps[1]!)).toBeCloseTo(240, -1)
  })
  test('whose milk is lit tells pieces; the minutes are the milk’s', () => {
    const b = sweet([step('base', 'running', 900, { base: 'R', lit_slot: 'R' })])
    expect(glanceOf(b)).toMatchObject({ figure: '40', unit: 'pieces, as told' })
  })
})

test('bases stand before their sweet, wherever they were lit; what is alone keeps its place', () => {
  const tea = pan({ id: 7, name: 'tea', parent_id: null })
  const milk = pan({ id: 8, parent_id: 3 })
  const chhena = curd({ id: 9, parent_id: 3 })
  const lost = curd({ id: 10, parent_id: 99 })
  const found = makings([milk, tea, lost, sweet([]), chhena])
  expect(found.map(({ batch, of }) => [batch.id, of])).toEqual([
    [8, 'for kalakand'],
    [9, 'for kalakand'],
    [3, ''],
    [7, ''],
    [10, ''],
  ])
})
