import { describe, expect, it } from 'vitest'
import { readyWords, stepWords } from './after'

describe('a day that is over', () => {
  it('says how each sweet stood to its hour', () => {
    const at = (minutes: number) => readyWords({ due_s: 1e9, ready_s: 1e9 + minutes * 60 })
    expect(at(-95)).toMatch(/before$/)
    expect(at(0)).toBe('on the minute')
    expect(at(12)).toMatch(/^12 .*late$/)
  })
  it('says what took otherwise in the step’s first words', () => {
    const step = { step: 'knead', began_s: 0, teaches: true, told_s: 600 }
    expect(stepWords({ ...step, say: 'knead the chhena, until it shines.', took_s: 1500 })).toMatch(
      /^Knead the chhena: 15 .* longer$/,
    )
    expect(stepWords({ ...step, say: 'cut it.', took_s: 300 })).toMatch(/^Cut it: 5 .* shorter$/)
  })
})
