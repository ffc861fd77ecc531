import { describe, expect, test } from 'vitest'
import type { LocationQuery } from 'vue-router'
import type { CaramelBatch, CurdBatch, CurdleIn, LarderOut, StrainIn } from '@/api/client'
import { caramelAgain, curdAgain, reduceAgain } from './again'
import { CURDLE_FIRST } from './curd'
import { planFrom, wordsFrom } from './plan'

const larder = {
  milks: [{ id: 1 }, { id: 4 }],
  pans: [{ id: 2 }, { id: 3 }],
  burners: [{ id: 1 }, { id: 3 }],
} as unknown as LarderOut

const curd = (kind: 'curdle' | 'strain', words: unknown) => ({ kind, words }) as CurdBatch

describe('again, like that time', () => {
  test.each<LocationQuery>([
    { amount: '9 glasses', sugar: '' },
    { stop: '4.4 cm', flame: 'gentle', stir: 'folded', lid: 'on', wet: 'wet', boil: 'gentle' },
    { milk: '4', pan: '3', burner: '3', kind: '21', when: 'start' },
    { add: ['whole-powder~60 g~start', '12~1 cup~end'] },
  ])('a reduction of the words %o is planned as it was', (query) => {
    const plan = planFrom(wordsFrom(query, larder))
    const { path, query: found } = reduceAgain(plan)
    expect(path).toBe('/bench')
    expect(planFrom(wordsFrom(found as LocationQuery, larder))).toEqual(plan)
  })

  test('of a curd every word is said, but what was read that time', () => {
    const plan: Partial<CurdleIn> = {
      milk: 4,
      pan: 2,
      burner: 3,
      amount: '2 packets',
      coagulant: 'whey-sour',
      wait: '82 °C',
      rinse: '',
      rinses: 0,
      drain: 'press',
      drain_time: '2 h',
      use: 'paneer',
      read_minutes: 2,
      read_c: 84,
    }
    const { path, query } = curdAgain(curd('curdle', plan))!
    expect(path).toBe('/bench/curdle')
    expect(query).toMatchObject({
      amount: '2 packets',
      acid: 'whey-sour',
      rinses: '0',
      time: '2 h',
    })
    expect(query.rinse).toBe('') // no rinse then, none now
    expect(Object.keys(query).every((word) => word in CURDLE_FIRST)).toBe(true)
    expect(query).not.toHaveProperty('after')
  })

  test('a straining by time is not one by thickness', () => {
    const plan: Partial<StrainIn> = { yoghurt: 7, amount: '2 kg', end: '', time: '10 h', bags: 3 }
    const { path, query } = curdAgain(curd('strain', plan))!
    expect(path).toBe('/bench/strain')
    expect(query).toMatchObject({ yoghurt: '7', end: '', time: '10 h', bags: '3' })
  })

  test('what was given whole is chosen anew, and damaged words lead nowhere', () => {
    const pot = { milk: { name: 'm' }, pan: { name: 'pot' }, burner: 1, amount: '1 L' }
    const { query } = curdAgain(curd('curdle', pot))!
    expect(query).not.toHaveProperty('milk')
    expect(query).not.toHaveProperty('pan')
    expect(curdAgain(curd('strain', null))).toBeNull()
  })

  test('caramelised milk goes on with its shade and its pan', () => {
    const plan = { sugar: '200 g', shade: 'dark-amber', butter: '', milk: 1, pan: 2, burner: 1 }
    const { path, query } = caramelAgain({ plan } as unknown as CaramelBatch)
    expect(path).toBe('/bench/caramel')
    expect(query).toMatchObject({ sugar: '200 g', shade: 'dark-amber', butter: '', pan: '2' })
  })
})
