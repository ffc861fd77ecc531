import { describe, expect, it } from 'vitest'
import type { BookStory } from '@/api/client'
import { didOf, figuresOf, onStove } from './told'

const range = (low: number, likely: number, high: number) => ({ low, likely, high })
function story(line: object, more: object = {}): BookStory {
  return {
    line: {
      ...{
        id: 4,
        kind: 'sweet',
        name: 'Kalakand',
        created_at_s: 1.8e9,
        of: '',
        told_kg: range(0.6, 0.7, 0.8),
      },
      ...{
        weighed_kg: null,
        told_s: null,
        took_s: null,
        whey_kg: null,
        told_pieces: null,
        counted: null,
      },
      ...{ one: 'piece', many: 'pieces', ...line },
    },
    first_kg: range(0.6, 0.7, 0.8),
    first_pieces: null,
    money: null,
    kept: { told: '', made_at_s: null, gone_at_s: null, why: null },
    ...more,
  } as unknown as BookStory
}
const of = (figures: ReturnType<typeof figuresOf>, what: string) =>
  figures.find((f) => f.what === what)

describe('told and got', () => {
  it('judges against the range, not the likely figure', () => {
    const how = (weighed_kg: number | null) =>
      of(figuresOf(story({ weighed_kg }), 'EUR'), 'to serve')!.how
    expect([0.59, 0.6, 0.8, 0.81, null].map(how)).toEqual([
      'less than told',
      'as told',
      'as told',
      'more than told',
      'not weighed',
    ])
  })
  it('says what was told at first where a base came off otherwise', () => {
    const told = of(
      figuresOf(story({}, { first_kg: range(0.8, 0.95, 1) }), 'EUR'),
      'to serve',
    )!.told
    expect(told).toContain('950 g at first')
    expect(of(figuresOf(story({}), 'EUR'), 'to serve')!.told).not.toContain('at first')
  })
  it('shares weight and cost among what was counted', () => {
    const money = { planned: 300, spent: 280, each: 14, saved: -20 }
    const figures = figuresOf(story({ weighed_kg: 0.8, counted: 20 }, { money }), 'EUR')
    expect(of(figures, 'a piece')!.got).toBe('40 g')
    expect(of(figures, 'it cost')!.how).toMatch(/14.* a piece, .*20.* more than bought/)
  })
  it('counts the days it kept', () => {
    const kept = (seconds: number) =>
      of(
        figuresOf(
          story(
            {},
            { kept: { told: '', made_at_s: 1e9, gone_at_s: 1e9 + seconds, why: 'spoiled' } },
          ),
          'EUR',
        ),
        'it kept',
      )!
    expect(kept(3600)).toMatchObject({ got: 'under a day', how: 'then it had spoiled' })
    expect(kept(90_000).got).toBe('1 day')
    expect(kept(3 * 86_400).got).toBe('3 days')
  })
})

describe('where it is', () => {
  it('has a page of its kind on the Stove', () => {
    expect(onStove({ id: 3, kind: 'reduce' })).toBe('/stove/3')
    expect(onStove({ id: 3, kind: 'strain' })).toBe('/stove/curd/3')
    expect(onStove({ id: 3, kind: 'caramel' })).toBe('/stove/caramel/3')
    expect(onStove({ id: 3, kind: 'sweet' })).toBe('/stove/sweet/3')
  })
  it('begins with what was done, and when', () => {
    const [before, what, after] = didOf(
      story({ kind: 'reduce', of: '2 L of milk to half', took_s: 1500 }),
    )
    expect(before).toMatch(/^On \w+day \d+ \w+ you took$/)
    expect([what, after]).toEqual([
      '2 L of milk to half',
      'It was on for 25 minutes after the first boil.',
    ])
    expect(didOf(story({ of: '20 as told' }))[1]).toBe('Kalakand')
  })
})
