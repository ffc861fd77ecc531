import { describe, expect, it } from 'vitest'
import { heard } from './panSound'
import type { Vessel } from './rehearsal'

const vessel = (kind: string, view: Record<string, number>, done = false): Vessel => ({
  kind,
  name: kind,
  done,
  waits: false,
  sees: [],
  instruments: [],
  hands: [],
  view,
  elsewhere_s: 0,
})

describe('what is heard', () => {
  it('simmers low, and boils louder on a stronger flame', () => {
    const simmer = heard([vessel('pan', { flame: 1 })]).boil
    const boil = heard([vessel('pan', { flame: 3, foam_m: 0.02 })]).boil
    expect(simmer).toBeGreaterThan(0)
    expect(boil).toBeGreaterThan(simmer)
    expect(heard([vessel('pan', { flame: 0, foam_m: 0.02 })]).boil).toBe(0)
  })

  it('sizzles with balls in the fat, and drips from a wet cloth', () => {
    expect(heard([vessel('fry', { flame: 2, balls: 0 })]).sizzle).toBe(0)
    expect(heard([vessel('fry', { flame: 2, balls: 8 })]).sizzle).toBeGreaterThan(0.5)
    expect(heard([vessel('curd', { cloth: 1, wet: 1 })]).drips).toBe(3)
    expect(heard([vessel('cloth', { drips: 0.5 })]).drips).toBe(2)
  })

  it('hears the loudest of several, and nothing of what is done', () => {
    const both = heard([vessel('pan', { flame: 1 }), vessel('bath', { flame: 3, rolls: 1 })])
    expect(both.boil).toBe(1)
    expect(heard([vessel('bath', { flame: 3, rolls: 1 }, true)])).toEqual({
      boil: 0,
      sizzle: 0,
      drips: 0,
    })
  })
})
