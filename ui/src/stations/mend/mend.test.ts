import { describe, expect, it } from 'vitest'
import {
  nextTime,
  pageOf,
  readAsked,
  threads,
  verdict,
  within,
  worthALine,
  writeAsked,
  type Cause,
  type Line,
  type Moment,
} from './mend'

const line = (reading: string, event: number | null): Line => ({
  reading,
  text: reading,
  origin: event ? 'log' : 'plan',
  batch: event ? 3 : null,
  event,
  at_s: event,
})
const cause = (key: string, word: Cause['word'], more: Partial<Cause> = {}): Cause => ({
  key,
  word,
  why: `it was ${key}`,
  next: `not ${key}`,
  bowls: 1,
  speaks: [],
  against: [],
  unknown: [],
  confirmed: false,
  ...more,
})
const moment = (event: number, kind: string, readings: string[] = []): Moment => ({
  batch: 3,
  event,
  kind,
  at_s: event,
  kg: null,
  text: kind,
  readings,
})

describe('what is asked stands in the address', () => {
  it('and is read from it as it was written', () => {
    const asked = {
      of: 3,
      product: '',
      fault: 'balls-break',
      answers: { 'chhena-water': 67.5, seams: 0 },
      skip: ['kneading', 'rinses'],
    }
    const query = writeAsked(asked)
    expect(query).toEqual({
      of: '3',
      fault: 'balls-break',
      said: 'chhena-water:67.5,seams:0',
      unknown: 'kneading,rinses',
    })
    expect(readAsked(query as Record<string, string>)).toEqual(asked)
  })
  it('a batch says itself what it is', () => {
    const bare = { of: 3, product: 'kulfi', fault: '', answers: {}, skip: [] }
    expect(writeAsked(bare)).toEqual({ of: '3' })
    expect(writeAsked({ ...bare, of: null })).toEqual({ product: 'kulfi' })
  })
  it('what cannot be read is left out', () => {
    const query = {
      of: '-2',
      said: 'seams,:4,rinses:two,kneading:3',
      unknown: ',',
      fault: ['a', 'b'],
    }
    expect(readAsked(query)).toEqual({
      of: null,
      product: '',
      fault: '',
      answers: { kneading: 3 },
      skip: [],
    })
  })
})

describe('the record', () => {
  it('keeps all that tells something, and of the rest what was done to it', () => {
    const stirs = Array.from({ length: 40 }, (_, n) => moment(n + 2, 'stirred'))
    stirs[20]!.readings = ['longest-gap']
    const record = [
      moment(1, 'lit'),
      ...stirs,
      moment(50, 'off'),
      moment(51, 'weighed', ['over-target']),
    ]
    expect(worthALine(record).map((m) => m.event)).toEqual([1, 22, 50, 51])
  })
  it('of many steps the first and the last', () => {
    const record = Array.from({ length: 30 }, (_, n) => moment(n + 1, 'step_done'))
    const kept = worthALine(record).map((m) => m.event)
    expect(kept).toHaveLength(12)
    expect([kept[0], kept.at(-1)]).toEqual([1, 30])
  })
  it('ties to a cause what of it was logged', () => {
    const causes = [
      cause('over', 'likely', { speaks: [line('over-target', 51), line('milk-fat', null)] }),
      cause('stood', 'possible', { speaks: [line('pan-to-bowl', 51)] }),
    ]
    expect(threads(causes, [moment(1, 'lit'), moment(51, 'weighed')])).toEqual([
      { cause: 'over', row: 0, moment: 1 },
      { cause: 'stood', row: 1, moment: 1 },
    ])
  })
})

describe('the verdict', () => {
  const likely = cause('wet', 'very-likely')
  const maybe = cause('hot', 'possible')
  it('is as sure as the causes are', () => {
    expect(verdict([likely, maybe])).toEqual({ lead: 'Most likely', whys: ['it was wet'] })
    expect(verdict([maybe])).toEqual({ lead: 'It may be that', whys: ['it was hot'] })
    expect(verdict([cause('dry', 'unlikely')]).whys).toEqual([])
  })
  it('a cause that was found comes before all reckoning, next time too', () => {
    const held = cause('dry', 'unlikely', { confirmed: true })
    expect(verdict([likely, held])).toEqual({ lead: 'You found that', whys: ['it was dry'] })
    expect(nextTime([likely, held])).toEqual([held])
  })
  it('next time is of what may be, not of what hardly is', () => {
    expect(nextTime([likely, maybe, cause('dry', 'hardly')])).toEqual([likely, maybe])
  })
})

it('a title goes on within a sentence, and a batch has its page', () => {
  expect(within('The balls break')).toBe('the balls break')
  expect(['reduce', 'sweet', 'caramel', 'strain'].map((kind) => pageOf({ id: 4, kind }))).toEqual([
    '/book/4',
    '/stove/sweet/4',
    '/stove/caramel/4',
    '/stove/curd/4',
  ])
})
