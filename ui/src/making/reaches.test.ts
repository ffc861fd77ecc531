import { describe, expect, it } from 'vitest'
import type { BookStory, SweetBatch } from '@/api/client'
import { grams } from '@/say'
import { reachesOf, reachesTold } from './reaches'

const step = (key: string, more: object = {}) => ({
  ...{ key, say: `${key}.`, phase: 'waits', base: '', bench: '', fire: false, hands: true },
  ...{ in_kg: 1, out_kg: 1, into: '', base_kg: null, done_at_s: null, leaves: 'behind', ...more },
})
const row = (number: number, step: string, more: object = {}) => ({
  ...{ number, name: `thing ${number}`, grams: 120.4, step, weighed_kg: null, in_base: false },
  ...more,
})
const sweet = (more: object = {}) =>
  ({
    weighed_kg: null,
    steps: [step('base-C', { base: 'C', into: 'knead' }), step('knead')],
    rows: [row(0, 'base-C'), row(1, 'knead'), row(2, 'knead', { weighed_kg: 0.0042 })],
    ...more,
  }) as unknown as SweetBatch

describe('a sweet while it is made', () => {
  it('says what each step takes in, by what was weighed where it was', () => {
    const [base, knead] = reachesOf(
      sweet(),
      undefined,
      () => '5 min',
      () => false,
    )
    expect(base).toMatchObject({ milk: true, say: 'base-C', time: '5 min', mark: ' told' })
    expect(knead!.rows.map((r) => [r.amount, r.in])).toEqual([
      ['120 g', false],
      ['4.2 g', true],
    ])
  })
  it('calls a base weighed when it came off, and the end when the sweet is', () => {
    const steps = [step('base-C', { base: 'C', into: 'knead', base_kg: 0.4 }), step('knead')]
    const marks = (b: SweetBatch) =>
      reachesOf(
        b,
        b.steps[1],
        () => '',
        () => false,
      ).map((r) => r.mark)
    expect(marks(sweet({ steps }))).toEqual([' weighed', ' told'])
    expect(marks(sweet({ steps, weighed_kg: 0.7 }))).toEqual([' weighed', ' weighed'])
  })
})

describe('what does not go on', () => {
  const off = (more: object) =>
    reachesOf(
      sweet({ steps: [step('soak', more)] }),
      undefined,
      () => '',
      () => false,
    )[0]!.leaves
  it('is told where the river narrows, by what it is', () => {
    expect(off({ in_kg: 0.699, out_kg: 0.208, leaves: 'syrup' })).toBe('491 g of syrup stays')
    expect(off({ in_kg: 2, out_kg: 1.2, leaves: 'steam' })).toBe('800 g boils off')
    expect(off({ in_kg: 2, out_kg: 0.4, leaves: 'whey' })).toBe(`${grams(1.6)} drains off`)
    expect(off({ in_kg: 0.58, out_kg: 0.563 })).toBe('17 g stays in its vessel')
  })
  it('and not where it does not, or by less than a scale shows', () => {
    expect(off({ in_kg: 0.5, out_kg: 0.497 })).toBe('')
    expect(off({ in_kg: 5, out_kg: 4.98 })).toBe('')
    expect(off({ in_kg: 0.5, out_kg: 0.6 })).toBe('')
    expect(off({ in_kg: 0.5, out_kg: 0.2, leaves: '' })).toBe('')
  })
})

const reach = (key: string, more: object = {}) => ({
  ...{
    key,
    what: 'step',
    name: key,
    in_kg: 1,
    out_kg: 1,
    told_kg: 1,
    weighed: false,
    into: '',
    leaves: '',
  },
  ...more,
})
const story = (river: object[]) =>
  ({ river, parts: [{ id: 7, name: 'Chhena of Thursday' }] }) as unknown as BookStory

describe('a batch as the Book tells it', () => {
  it('says what was told only where it came out otherwise', () => {
    const [same, less] = reachesTold(
      story([
        reach('boiled', { what: 'boiled', name: '' }),
        reach('x', { out_kg: 0.4, told_kg: 0.5 }),
      ]),
      null,
    )
    expect(same).toMatchObject({ say: 'boiled down', time: '', glyph: 'pan' })
    expect(less!.time).toBe('told 500 g')
  })
  it('names the base that a reach belongs to, and weighs nothing into its step twice', () => {
    const river = [
      reach('7.milk', { what: 'milk', name: '2 L of milk', batch: 7, into: 'base-C' }),
      reach('base-C', { into: 'knead' }),
      reach('knead'),
    ]
    const [milk, base, knead] = reachesTold(story(river), sweet())
    expect(milk).toMatchObject({ say: '2 L of milk', time: 'Chhena of Thursday', batch: 7 })
    expect(base!.rows).toEqual([])
    expect(knead!.rows).toHaveLength(2)
  })
})
