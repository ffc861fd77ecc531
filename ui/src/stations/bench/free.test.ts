import { describe, expect, it } from 'vitest'
import { live } from '@/shell/lives.fixture'
import { freeOf, isTaken, withoutTaken } from './free'

const rabri = live('rabri', [], { pans: [1], burners: [1] })
const hung = live('hung curd', [], { pans: [2], burners: [2], onFire: false })

describe('pans and burners that are free', () => {
  it('a burner is taken while something is on the fire, a pan while something is in it', () => {
    expect(isTaken(1, 'burner', [rabri])).toBe(true)
    expect(isTaken(2, 'burner', [hung])).toBe(false)
    expect(isTaken(2, 'pan', [hung])).toBe(true)
    expect(isTaken(3, 'pan', [rabri, hung])).toBe(false)
  })
  it('the one that is meant stays while it is free', () => {
    expect(freeOf(2, [1, 2, 3], 'burner', [rabri])).toBe(2)
    expect(freeOf(1, [1, 2, 3], 'burner', [rabri])).toBe(2)
    expect(freeOf(1, [1, 2, 3], 'pan', [rabri, hung])).toBe(3)
  })
  it('when all are taken it says so by staying', () => {
    expect(freeOf(1, [1, 2], 'pan', [rabri, hung])).toBe(1)
  })
  it('a second base is not sent to the pan and burner of the first', () => {
    const words = { amount: '2 L', pan: '1', burner: '1', milk: '3' }
    expect(withoutTaken(words, [rabri])).toEqual({ amount: '2 L', milk: '3' })
    expect(withoutTaken(words, [])).toEqual(words)
  })
  it('nor anywhere while it is not known what stands where', () => {
    expect(withoutTaken({ amount: '2 L', pan: '1', burner: '1' }, null)).toEqual({ amount: '2 L' })
  })
})
