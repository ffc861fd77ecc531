import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import HandPlate from './HandPlate.vue'
import LessonCell from './LessonCell.vue'
import { byShelf, passed, type Hand, type Lesson, type LiveRehearsal } from './rehearsal'

const lesson = (more: Partial<Lesson> = {}): Lesson => ({
  key: 'by-shade',
  name: 'Sugar by its shade',
  practises: 'off before it is there',
  learn: 'to stop sugar at its shade',
  shelf: 'sugar',
  draws: 'caramel',
  minutes: 4,
  best: null,
  tries: [],
  cost: null,
  cost_says: '',
  ...more,
})
const hand = (more: Partial<Hand> = {}): Hand => ({
  do: 'stir',
  says: 'Stir',
  unit: '',
  usual: 0,
  most: 0,
  flames: false,
  ends: false,
  ...more,
})
const plate = (h: Hand, flame = 0) => mount(HandPlate, { props: { hand: h, flame, busy: false } })

describe('a hand', () => {
  it('does what it says', async () => {
    const w = plate(hand())
    await w.get('button').trigger('click')
    expect(w.emitted('do')![0]).toEqual([{ do: 'stir', of: 0, amount: null, flame: null }])
  })

  it('takes an amount, more and less of it, never more than there is', async () => {
    const w = plate(hand({ do: 'acid', says: 'Pour', unit: 'l', usual: 0.02, most: 0.03 }))
    expect(w.text()).toContain('20 ml')
    const [less, pour, more] = w.findAll('button')
    for (let i = 0; i < 5; i++) await more!.trigger('click')
    expect(w.text()).toContain('30 ml')
    for (let i = 0; i < 9; i++) await less!.trigger('click')
    expect(w.text()).toContain('5 ml')
    await pour!.trigger('click')
    expect(w.emitted('do')![0]).toEqual([{ do: 'acid', of: 0, amount: 0.005, flame: null }])
  })

  it.each([
    ['pieces', 9, '9'],
    ['s', 10, '10 s'],
    ['kg', 0.25, '250 g'],
  ])('says %s as a cook does', (unit, usual, text) => {
    expect(plate(hand({ unit, usual, most: 99 })).text()).toContain(text)
  })

  it('has three flames, the one that burns pressed', async () => {
    const w = plate(hand({ do: 'flame', says: 'Flame', flames: true }), 2)
    expect(w.findAll('button').map((b) => b.attributes('aria-pressed'))).toEqual([
      'false',
      'true',
      'false',
    ])
    await w.findAll('button')[0]!.trigger('click')
    expect(w.emitted('do')![0]).toEqual([{ do: 'flame', of: 0, amount: null, flame: 'gentle' }])
  })
})

describe('a lesson on its shelf', () => {
  it('says that it was not tried, or what the last try cost', async () => {
    const fresh = mount(LessonCell, { props: { lesson: lesson(), chosen: false } })
    expect(fresh.text()).toContain('not tried yet')
    expect(fresh.text()).toContain('play it')
    const tried = lesson({ best: 71.4, tries: [40, 71.4, 52], cost: 18.2, cost_says: 'too dark' })
    const w = mount(LessonCell, { props: { lesson: tried, chosen: true } })
    expect(w.text()).toContain('71')
    expect(w.text()).toContain('−18')
    expect(w.text()).toContain('too dark')
    expect(w.findAll('line.x, .groove line')).toHaveLength(3)
    await w.get('button').trigger('click')
    expect(w.emitted('choose')).toHaveLength(1)
  })

  it('stands on its own shelf, and an empty shelf is none', () => {
    const shelves = [
      { key: 'fire', name: 'The fire' },
      { key: 'sugar', name: 'Sugar' },
    ]
    const found = byShelf([lesson(), lesson({ key: 'b' })], shelves)
    expect(found.map((s) => [s.name, s.lessons.length])).toEqual([['Sugar', 2]])
  })
})

describe('its clock', () => {
  it('runs on at its own speed between two answers, and stands once it is over', () => {
    const r = { passed_s: 100, received: 1000, speed: 10, finished: false } as LiveRehearsal
    expect(passed(r, 3000)).toBe(120)
    expect(passed(r, 500)).toBe(100)
    expect(passed({ ...r, speed: 0 }, 9000)).toBe(100)
    expect(passed({ ...r, finished: true }, 9000)).toBe(100)
  })
})
