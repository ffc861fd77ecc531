import { expect, test } from 'vitest'
import type { SweetOut } from '@/api/client'
import {
  again,
  askedOf,
  hours,
  nearestMilk,
  pairs,
  SWEET_FIRST,
  takenTo,
  unpaired,
  untilEaten,
  type SweetWords,
} from './sweet'

const words = (more: Partial<SweetWords> = {}) => ({ ...SWEET_FIRST, ...more }) as SweetWords

test('pairs stand in one word of the address and come back', () => {
  expect(pairs('cook=20;finish.ghee=0.1')).toEqual({ cook: '20', 'finish.ghee': '0.1' })
  expect(unpaired(pairs('a=1;b=2'))).toBe('a=1;b=2')
  expect(pairs('')).toEqual({})
  expect(pairs('a=;=2;c')).toEqual({})
})

test('the nearest milk is the cook’s own, if any is near', () => {
  const milks = [
    { id: 1, fat_pct: 6.9, species: 'buffalo' },
    { id: 2, fat_pct: 4.1, species: 'cow' },
    { id: 3, fat_pct: 4.2, species: 'coconut' },
  ]
  expect(nearestMilk(milks, 4.3)).toBe(2)
  expect(nearestMilk(milks, 6.0)).toBe(1)
  expect(nearestMilk(milks, 1.5)).toBeNull()
  expect(nearestMilk(milks, null)).toBeNull()
})

test('what I want and what I have are never asked together', () => {
  const wish = askedOf(words({ want: '24', have: 'milk=1 L' }), 2)
  expect(wish).toMatchObject({ want: '24', have: [], milk: 2 })
  const have = askedOf(words({ from: 'have', have: 'milk=1.1 L;C=380 g', weighed: 'pan-3' }), 2)
  expect(have).toMatchObject({ want: '', weighed: '' })
  expect(have.have).toEqual([
    { what: 'milk', amount: '1.1 L' },
    { what: 'C', amount: '380 g' },
  ])
})

test('odd words of an address become sound questions', () => {
  const odd = askedOf(
    words({
      moulds: '-4',
      freezes: '9999',
      freezer: '−20',
      margin: '400',
      change: 'cook=x;mix.ghee=0,5',
    }),
    null,
  )
  expect(odd.moulds).toBe(1)
  expect(odd.freezes_kg_day).toBe(100)
  expect(odd.freezer_c).toBe(-20)
  expect(odd.prices!.margin).toBe(0.9)
  expect(odd.changes).toEqual({})
  expect(odd.milk).toBeNull()
})

test.each([
  [2, 'x', 'to half'],
  [1.5, 'x', 'to two thirds'],
  [2.75, 'x', '2.75 times down'],
  [31, 'ts', 'to 31 % solids'],
  [44.04, 'water', 'to 44 % water'],
])('%d %s is taken %s', (to, unit, said) => expect(takenTo(to, unit)).toBe(said))

test('what is frozen is eaten once it is hard', () => {
  const span = (s: number) => ({ low: s, likely: s, high: 2 * s })
  const plain = { frozen: null, ready_s: span(60), before_cold_s: span(60) }
  expect(untilEaten(plain)).toEqual(span(60))
  const frozen = { answer: { freeze_s: span(3600) } } as SweetOut['frozen']
  expect(untilEaten({ ...plain, frozen })).toEqual({ low: 3660, likely: 3660, high: 7320 })
  expect([100, 600, 7200].map(hours)).toEqual(['100\u00a0s', '10\u00a0min', '2\u00a0h'])
})

test('again: a plan asked once more is the same plan', () => {
  const said = words({
    sweet: 'kalakand',
    fruit: 'guava',
    want: '40',
    milk: '2',
    change: 'cook=20;finish.ghee=0.1',
    window: 'fat=8-14',
    tray: '30 x 20 cm',
    pan: '2',
    burner: '1',
    flame: 'strong',
  })
  const plan = askedOf(said, null)
  const next = again(plan)
  expect(askedOf({ ...SWEET_FIRST, ...next } as SweetWords, null)).toEqual(plan)
  expect(next).not.toHaveProperty('moulds') // as usual
})

test('again: what was weighed that time, or stood in the fridge then, is not said again', () => {
  const plan = askedOf(
    words({ from: 'have', have: 'C=416 g', base: 'C=7', finished: '300 g', sweet: 'sponge-balls' }),
    2,
  )
  const next = again(plan)
  expect(next).toMatchObject({ sweet: 'sponge-balls', milk: '2' })
  for (const word of ['base', 'have', 'finished', 'weighed', 'from'])
    expect(next).not.toHaveProperty(word)
})
