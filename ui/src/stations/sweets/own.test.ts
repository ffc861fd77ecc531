import { describe, expect, test } from 'vitest'
import { firstSchool, readForm, writeForm, type Form } from './own'

const KNOWN = { milk: 'milk', ghee: 'ghee', 'white-sugar': 'white sugar' }
const like: Form = {
  name: 'carrot halwa',
  one: 'portion',
  many: 'portions',
  ph: 6.4,
  unknown_to_the_page: { kept: true },
  piece: { way: 'serve', grams: 100, low: 0.9 },
  steps: [{ key: 'cook', say: 'Cook it', takes: 'cook', hands: true, fire: true }],
  schools: {
    khoya: {
      cook: 44,
      mix: { milk: 1, 'white-sugar': 0.2 },
      finish: { ghee: 0.05 },
      bases: {
        R: { do: 'reduce', of: 'milk', ts: 31 },
        C: { do: 'curdle', of: 'milk', water: 62 },
      },
    },
  },
}

describe('a sweet’s form as lines to type in', () => {
  test('no longer tells the batch it was told in', () => {
    const told = { ...like, told: { lines: ['1 kg carrots'], answers: {} } }
    const kept = writeForm(readForm(told, KNOWN), told, KNOWN)
    expect(kept).not.toHaveProperty('told')
    expect(kept).toHaveProperty('unknown_to_the_page')
  })

  test('reads and writes back the same sweet', () => {
    const page = readForm(like, KNOWN)
    expect(page).toMatchObject({ size: '100', way: 'serve', cook: '44', steps: 'Cook it | cook' })
    expect(page.bases.map((b) => b.to)).toEqual(['31 %', '62'])
    const back = writeForm(page, like, KNOWN)
    expect(back.unknown_to_the_page).toEqual({ kept: true })
    expect(firstSchool(back)).toMatchObject({
      cook: 44,
      mix: { milk: 1, 'white-sugar': 0.2 },
      bases: { R: { do: 'reduce', of: 'milk', ts: 31 } },
      piece: { way: 'serve', grams: 100, low: 0.9 },
    })
    expect(firstSchool(back).steps).toEqual(like.steps)
  })

  test('names are typed as one says them, in any case', () => {
    const page = readForm(like, KNOWN)
    page.mix = [
      { what: 'White Sugar', amount: '0,3' },
      { what: ' ', amount: 'x' },
      { what: 'r', amount: '2' },
    ]
    expect(firstSchool(writeForm(page, like, KNOWN)).mix).toEqual({ 'white-sugar': 0.3, R: 2 })
  })

  test.each<[string, Partial<ReturnType<typeof readForm>>, string]>([
    ['an unknown thing', { mix: [{ what: 'moon', amount: '1' }] }, 'There is no “moon”'],
    ['no amount', { finish: [{ what: 'ghee', amount: 'some' }] }, 'How much ghee?'],
    ['no size', { size: '' }, 'How large is a piece?'],
    ['a wrong water', { cook: 'dry' }, 'Cooked to % water'],
    [
      'no end of a base',
      { bases: [{ letter: 'R', do: 'reduce', of: 'milk', to: '' }] },
      'How far is base R',
    ],
  ])('%s is named', (_, change, said) => {
    expect(() => writeForm({ ...readForm(like, KNOWN), ...change }, like, KNOWN)).toThrow(said)
  })

  test('an empty water means that nothing is cooked', () => {
    const page = { ...readForm(like, KNOWN), cook: '' }
    expect(firstSchool(writeForm(page, like, KNOWN))).not.toHaveProperty('cook')
  })

  test('new steps are read from their lines: minutes, or what is reckoned', () => {
    const page = { ...readForm(like, KNOWN), steps: 'Grate | 15 min\nFreeze it | freeze\n\nStand' }
    expect(firstSchool(writeForm(page, like, KNOWN)).steps).toEqual([
      { key: 'step-1', say: 'Grate', takes: 15, hands: true, fire: false },
      { key: 'step-2', say: 'Freeze it', takes: 'freeze', hands: false, fire: false },
      { key: 'step-3', say: 'Stand', takes: 10, hands: true, fire: false },
    ])
  })

  test('a sweet in moulds is measured in millilitres and frozen', () => {
    const back = writeForm({ ...readForm(like, KNOWN), way: 'mould', size: '70' }, like, KNOWN)
    expect(back.frozen).toBe(true)
    expect(firstSchool(back).piece).toEqual({ way: 'mould', ml: 70 })
  })
})
