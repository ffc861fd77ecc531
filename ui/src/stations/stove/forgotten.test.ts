import { describe, expect, test } from 'vitest'
import type { LiveAny } from '@/api/kitchen'
import { forgotten } from './forgotten'

const batch = (more: object) => more as unknown as LiveAny
const said = (more: object, value: string, figure = 0) =>
  forgotten(batch(more))
    .find((f) => f.value === value)!
    .made(1000, figure, 'gentle')

describe('what was forgotten is said with its time', () => {
  test('of a pan: in the units of the kitchen', () => {
    expect(said({ kind: 'reduce' }, 'stirred')).toEqual({ kind: 'stirred', at_s: 1000 })
    expect(said({ kind: 'reduce' }, 'depth', 4.2)).toMatchObject({ how: 'depth', value: 0.042 })
    expect(said({ kind: 'reduce' }, 'sugar_in', 90)).toMatchObject({ mass_kg: 0.09 })
    expect(said({ kind: 'reduce' }, 'flame_changed')).toMatchObject({ flame: 'gentle' })
  })

  test('of a curd: its steps, its acid, its whey', () => {
    const curd = { kind: 'curdle', curdle: { acid: { unit: 'g' } } }
    expect(forgotten(batch(curd)).find((f) => f.value === 'poured')!.figure).toBe('Poured, g')
    expect(said(curd, 'poured', 120)).toMatchObject({ kind: 'poured', amount: 0.12, clear: false })
    expect(said({ kind: 'strain' }, 'whey', 410)).toMatchObject({ kind: 'whey', mass_kg: 0.41 })
    expect(forgotten(batch({ kind: 'strain' })).map((f) => f.value)).not.toContain('poured')
  })

  test('of a sweet: what is not done of each of its steps', () => {
    const sweet = {
      kind: 'sweet',
      steps: [
        { key: 'base-R', say: 'Reduce the milk.', phase: 'done' },
        { key: 'join', say: 'Join the two: crumble it in.', phase: 'ready' },
        { key: 'set', say: 'Set it.', phase: 'running' },
      ],
    }
    expect(forgotten(batch(sweet)).map((f) => f.text)).toEqual([
      'Join the two: begun',
      'Join the two: done',
      'Set it: done',
      'the sweet weighed',
    ])
    expect(said(sweet, 'step_done join')).toEqual({ kind: 'step_done', step: 'join', at_s: 1000 })
  })
})
