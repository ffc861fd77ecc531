import { describe, expect, it } from 'vitest'
import { askedOf, narrowedOf } from './narrow'

describe('the Book narrowed', () => {
  it('keeps of an address only what narrows', () => {
    const query = {
      milk: '5',
      only: 'reduce',
      find: 'rabri',
      pan: '',
      year: ['2027'],
      cold: 'right',
    }
    expect(narrowedOf(query)).toEqual({ milk: '5', cold: 'right' })
  })
  it('asks for numbers and verdicts, and passes over what is none', () => {
    expect(askedOf({ milk: '5', year: '2027', cold: 'too-thin' })).toEqual({
      ...{ milk: 5, pan: undefined, year: 2027, cold: 'too-thin' },
    })
    expect(askedOf({ milk: '5.5', pan: 'none', year: '12345678901', cold: 'lukewarm' })).toEqual({
      ...{ milk: undefined, pan: undefined, year: undefined, cold: '' },
    })
  })
})
