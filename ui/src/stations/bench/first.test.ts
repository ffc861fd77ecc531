import { expect, test } from 'vitest'
import type { LarderOut } from '@/api/client'
import { fitting, kitchenBody, potBody, readCup, readPot } from './first'

test.each([
  ['24 x 12', 24, 12],
  ['24×12 cm', 24, 12],
  ['22.5 cm by 10,5 cm', 22.5, 10.5],
  ['a 24 cm wide, 14 high', 24, 14],
])('“%s” is a pot', (said, wide, high) => expect(readPot(said)).toEqual({ wide, high }))

test.each(['', '24', 'big', '4 x 12', '24 x 90', '200 x 100', '-24 x 12'])('“%s” is none', (said) =>
  expect(readPot(said)).toBeNull(),
)

test('a first amount leaves room for the boil, whatever the pot', () => {
  expect(fitting({ wide: 20, high: 11.5 })).toBe('1.5 L')
  expect(fitting({ wide: 24, high: 14 })).toBe('2.5 L')
  expect(fitting({ wide: 10, high: 6 })).toBe('0.25 L')
  expect(fitting({ wide: 40, high: 30 })).toBe('2.5 L')
})

test('a pot keeps what was not asked', () => {
  expect(potBody({ material: 'aluminium', mass_kg: 0.8 }, { wide: 22, high: 9.5 })).toEqual({
    name: 'the 22 cm pot',
    shape: { kind: 'straight', diameter_m: 0.22, height_m: 0.095 },
    material: 'aluminium',
    mass_kg: 0.8,
  })
})

test('a cup in ml or dl, and no bucket', () => {
  expect([readCup('240'), readCup('240 ml'), readCup('2.4 dl'), readCup('2,5 dl')]).toEqual([
    240, 240, 240, 250,
  ])
  expect([readCup(''), readCup('5'), readCup('9 l'), readCup('2000')]).toEqual([
    null,
    null,
    null,
    null,
  ])
  const kitchen = { name: 'k', boils_water_c: 98.1, cup_ml: 250, version: 3 }
  expect(kitchenBody(kitchen as LarderOut['kitchen'], 240)).toEqual({
    name: 'k',
    cup_ml: 240,
    version: 3,
  })
})
