import { describe, expect, it } from 'vitest'
import { caramelWords } from './caramel'

const told = {
  shade: 'amber',
  sugar_kg: 0.2,
  off_c: { low: 163, likely: 167.5, high: 172 },
} as never
const stands = (more: object, celsius: number | null = null) =>
  caramelWords(
    {
      phase: 'melting',
      trouble: '',
      told,
      next_pour: null,
      ends_shade: 'amber',
      stop_kg: 0.84,
      on_scale_kg: 2.44,
      weighed_kg: null,
      paused_at_s: null,
      said: '',
      ...more,
    } as never,
    celsius,
  )
const pour = (what: string, number = 1) => ({ what, number, of: 6, mass_kg: 0.086 })

describe('what to do with the caramel', () => {
  it('melting: off before its shade', () => {
    const now = stands({})
    expect(now.act).toBe('Swirl it; do not stir.')
    expect(now.then).toContain('168 °C')
    expect(now.then).toContain('amber')
    expect(now.verb).toBe('It is off')
  })
  it('says so the moment it has come to where the flame goes off', () => {
    expect(stands({}, 160).act).toContain('Swirl')
    expect(stands({}, 168).act).toBe('Off the flame, now.')
    expect(stands({ trouble: 'bitter' }, 190).act).toBe('It turns bitter.')
  })
  it('says at once when it is too dark, bitter or burnt', () => {
    expect(stands({ trouble: 'too-dark' }).act).toBe('Off the flame, now.')
    expect(stands({ trouble: 'bitter' }).then).toContain('Bitter stays bitter')
    expect(stands({ trouble: 'burnt' }).then).toContain('200 g of sugar is lost')
    expect(stands({ trouble: 'burnt', phase: 'opening' }).verb).toBe('')
  })
  it('opening: each pour by its name and number', () => {
    expect(stands({ phase: 'opening', next_pour: pour('butter') }).verb).toBe('Butter is in')
    expect(stands({ phase: 'opening', next_pour: pour('milk') }).then).toContain('spits')
    expect(stands({ phase: 'opening', next_pour: pour('milk', 4) }).then).toContain('Pour 4 of 6')
    expect(stands({ phase: 'opening', next_pour: pour('condensed') }).act).toContain('Condensed')
  })
  it('then the weight to stop at, pan and all, and what it gave', () => {
    const simmer = stands({ phase: 'simmering' })
    expect(simmer.act).toContain('840 g')
    expect(simmer.then).toContain('440 g on the scale')
    expect(stands({ phase: 'simmering', paused_at_s: 12 }).act).toContain('for a while')
    expect(stands({ phase: 'to-weigh' }).verb).toBe('')
    expect(stands({ phase: 'weighed', weighed_kg: 0.79, said: 'As told.' }).act).toBe(
      'It gave 790 g.',
    )
    expect(stands({ phase: 'given-up', weighed_kg: null }).act).toContain('given up')
  })
})
