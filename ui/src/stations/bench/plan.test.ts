import { describe, expect, test } from 'vitest'
import type { LarderOut } from '@/api/client'
import { emptyWords, planFrom, queryFrom, thing, wordsFrom } from './plan'

const larder = {
  milks: [{ id: 1 }, { id: 4 }],
  pans: [{ id: 2 }],
  burners: [{ id: 1 }, { id: 3 }],
} as unknown as LarderOut

describe('the words in the address', () => {
  test('an empty address is the usual plan with the first things of the Larder', () => {
    const words = wordsFrom({}, larder)
    expect(words).toMatchObject({ amount: '2.4 L', stop: 'half its volume', milk: '1', pan: '2' })
    expect(words.add).toEqual([])
  })

  test('what is said comes back as it was said', () => {
    const words = {
      ...wordsFrom({}, larder),
      amount: '9 glasses',
      milk: '4',
      burner: '3',
      stop: '4.4 cm',
      sugar: '',
      kind: '21',
      when: 'start',
      boil: 'gentle',
      lid: 'on',
      stir: 'folded',
      wet: 'wet',
      add: [
        { what: 'whole-powder', amount: '60 g', when: 'start' },
        { what: '12', amount: '1 cup', when: 'end' },
      ],
    }
    expect(wordsFrom(queryFrom(words), larder)).toEqual(words)
  })

  test('the schools that are as usual stay out of it', () => {
    const query = queryFrom(wordsFrom({}, larder))
    for (const key of ['kind', 'boil', 'lid', 'stir', 'wet', 'add'])
      expect(query).not.toHaveProperty(key)
    expect(query).toMatchObject({ amount: '2.4 L', sugar: '110 g' })
  })

  test('a thing that left the Larder becomes its first', () => {
    expect(wordsFrom({ milk: '99', pan: 'x', burner: '3' }, larder)).toMatchObject({
      milk: '1',
      pan: '2',
      burner: '3',
    })
  })

  test('an enrichment cut short in the address is read as far as it goes', () => {
    expect(wordsFrom({ add: 'cream' }, larder).add).toEqual([
      { what: 'cream', amount: '', when: 'start' },
    ])
    expect(wordsFrom({ add: ['', '~5 g'] }, larder).add).toEqual([])
    expect(wordsFrom({ add: [null, 'khoya~80 g~end'] }, larder).add).toHaveLength(1)
  })

  test('an empty kitchen has no words for its things', () => {
    const none = { milks: [], pans: [], burners: [] } as unknown as LarderOut
    expect(wordsFrom({ milk: '1' }, none)).toMatchObject({ milk: '', pan: '', burner: '' })
    expect(emptyWords().milk).toBe('')
  })
})

test('the plan that is asked for says numbers as numbers and names as names', () => {
  const words = wordsFrom({ milk: '4', kind: '21', lid: 'on', add: 'cream~40 g~end' }, larder)
  expect(planFrom(words)).toMatchObject({
    milk: 4,
    pan: 2,
    burner: 1,
    sugar_kind: 21,
    lid: true,
    wetted: false,
    additions: [{ what: 'cream', amount: '40 g', late: true }],
  })
  expect(thing('jaggery')).toBe('jaggery')
  expect(thing('7')).toBe(7)
})
