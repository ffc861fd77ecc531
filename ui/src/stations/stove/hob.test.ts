import { expect, test } from 'vitest'
import { ref } from 'vue'
import type { LarderOut, SweetBatch } from '@/api/client'
import { live } from '@/shell/lives.fixture'
import { placeOf, placesOf, useHob } from './hob'

type Step = SweetBatch['steps'][number]
const step = (key: string, phase: string, more: object = {}) =>
  ({ key, phase, fire: true, base: '', lit_slot: '', waits_for: [], ...more }) as unknown as Step
const sweet = (steps: Step[], more: object = {}) =>
  ({
    steps,
    burners: {},
    pans: {},
    usual_pan: 2,
    usual_burner: 1,
    ...more,
  }) as unknown as SweetBatch
const PANS = [
  { id: 1, name: 'pot', capacity_m3: 0.005 },
  { id: 2, name: 'kadhai', capacity_m3: 0.006 },
  { id: 3, name: 'brass pot', capacity_m3: 0.007 },
]
const larder = ref({
  pans: PANS,
  burners: [
    { id: 1, name: 'left' },
    { id: 2, name: 'right' },
  ],
} as unknown as LarderOut)
const hobOf = (
  b: SweetBatch,
  first: Step,
  lives = [live('rabri', [], { pans: [], burners: [] })],
) => useHob(ref(b), ref<Step | undefined>(first), ref(lives), larder)

test('what cooks is proposed where it was planned while that is free, else in the largest that is', () => {
  const syrup = step('syrup', 'ready')
  expect(hobOf(sweet([syrup]), syrup).takes(syrup)).toEqual({ burner: 1, pan: 2 })
  const milk = live('milk', [], { pans: [2], burners: [1] })
  expect(hobOf(sweet([syrup]), syrup, [milk]).takes(syrup)).toEqual({ burner: 2, pan: 3 })
  const all = [live('a', [], { pans: [1, 2, 3], burners: [1, 2] })]
  expect(hobOf(sweet([syrup]), syrup, all).takes(syrup)).toEqual({ burner: null, pan: null })
})

test('what does not cook by itself takes neither', () => {
  const knead = step('knead', 'ready', { fire: false })
  expect(hobOf(sweet([knead]), knead).takes(knead)).toEqual({ burner: null, pan: null })
})

test('the step that the next one ends gives it its burner and its pan', () => {
  const join = step('join', 'running')
  const cook = step('cook', 'waits', { waits_for: ['join'] })
  const b = sweet([join, cook], { burners: { join: 2 }, pans: { join: 3 } })
  const itself = live('kalakand', [], { pans: [3], burners: [2] })
  const hob = hobOf(b, join, [itself])
  expect(hob.next.value?.key).toBe('cook')
  expect(hob.takes(cook)).toEqual({ burner: 2, pan: 3 })
  expect(hob.places.value.pan.map((x) => [x.name, x.taken])).toEqual([
    ['brass pot', false],
    ['kadhai', false],
    ['pot', false],
  ])
})

test('what is chosen is taken, and forgotten once it is begun', () => {
  const fry = step('fry', 'ready')
  const hob = hobOf(sweet([fry]), fry)
  hob.choose('pan', 1)
  expect(hob.takes(fry)).toEqual({ burner: 1, pan: 1 })
  hob.forget()
  expect(hob.takes(fry).pan).toBe(2)
})

test('what was wished and is taken by now is not proposed', () => {
  const b = sweet([])
  const places = placesOf('pan', PANS, b, undefined, undefined, [live('x', [], { pans: [2] })])
  expect(placeOf(places, [2, 1])).toBe(1)
  expect(placeOf(places, [null, undefined])).toBe(1)
  expect(placeOf([], [1])).toBeNull()
})
