import { describe, expect, it } from 'vitest'
import type { AllLearned, LearnedNumber } from '@/api/client'
import { axisEnd, groupsOf, marksOf, narrows, shifted, toDo, trust, unitOf } from './learned'

const number = (more: object = {}): LearnedNumber =>
  ({
    ...{ family: 'rate', key: '1.2.medium', name: 'the kadhai', table_kg_s: 0.0005, batches: 3 },
    times: { low: 1.1, likely: 1.2, high: 1.3 },
    table_times: { low: 0.64, likely: 1, high: 1.57 },
    ...{ trust: 0.2, taught_by: [], frozen: false, anew_s: null, drift: null, ...more },
  }) as LearnedNumber
const told = (...numbers: LearnedNumber[]) => ({ numbers, next: [] }) as unknown as AllLearned

describe('the numbers of a kitchen', () => {
  it('stand by family, those that have any', () => {
    const cloth = number({ family: 'drain', table_kg_s: null })
    const groups = groupsOf(told(number({ family: 'step' }), cloth, number()))
    expect(groups.map((g) => g.family)).toEqual(['rate', 'drain', 'step'])
  })
  it('are told in grams a minute where the table knows, else in parts of it', () => {
    expect(unitOf(number())).toBeCloseTo(30)
    expect(unitOf(number({ table_kg_s: null }))).toBe(100)
  })
  it('fit on an axis of few round marks, the table with them', () => {
    const [group] = groupsOf(told(number(), number({ table_kg_s: 0.0012 })))
    expect(axisEnd(group!)).toBe(120) // 1.57 × 72
    expect(marksOf(group!)).toEqual([0, 20, 40, 60, 80, 100, 120])
    const [small] = groupsOf(told(number()))
    expect(marksOf(small!)).toEqual([0, 10, 20, 30, 40, 50])
  })
  it('say what they rest on, or that they are not this kitchen’s', () => {
    expect(trust(number({ batches: 1 }))).toBe('1 batch, ±20 %')
    expect(trust(number({ batches: 0 }))).toBe('table value, not yours, ±20 %')
  })
})

describe('a shift', () => {
  const moved = (family: string, times: number) =>
    shifted(number({ family, drift: { times, batches: [4, 5, 6], since_s: 0 } }))
  it('says in its own words which way it went', () => {
    expect(moved('rate', 0.86)).toBe('14 % slower than it was, 3 batches running')
    expect(moved('rate', 1.2)).toMatch(/^20 % quicker/)
    expect(moved('yield', 0.9)).toMatch(/^10 % less than it gave/)
    expect(moved('loss', 1.4)).toMatch(/^40 % more than stayed behind/)
    expect(moved('uptake', 0.8)).toMatch(/^20 % less than they drank/)
    expect(moved('drain', 1.2)).toMatch(/^20 % longer than it took/)
    expect(moved('step', 1.5)).toMatch(/^50 % longer than it took/)
  })
})

const HOWS = ['weigh-reduced', 'time-burner', 'weigh-curd', 'weigh-hung', 'time-step']

describe('what to measure next', () => {
  const measure = (how: string, uses = 2) =>
    ({ how, key: '1', name: 'the pot', uses, now: 0.22, after: 0.15 }) as AllLearned['next'][number]
  it('names the thing and how it is done, whatever it is', () => {
    for (const how of HOWS) {
      expect(toDo(measure(how)).what).toContain('the pot')
      expect(toDo(measure(how)).how).toMatch(/\.$/)
    }
  })
  it('says what it narrows, and for how many plans', () => {
    expect(narrows(measure('weigh-curd'))).toBe(
      'The chhena it gives: known to ±22 %, then to ±15 %; 2 of your newest plans rest on it.',
    )
    const said = HOWS.map((how) => narrows(measure(how)))
    expect(new Set(said.map((words) => words.split(':')[0])).size).toBe(HOWS.length)
    expect(narrows(measure('weigh-curd', 1))).toContain('one of your newest plans rests on it')
  })
})
