import { parseQuery, type LocationQueryRaw } from 'vue-router'
import type { SweetIn } from '@/api/client'
import { again } from '@/stations/sweets/sweet'
import { sweetsOf, sweetsSaid } from './day'

/** The Day's address with one sweet more, as its own sentence says it; `said`: what the Day said last, if it did. */
export function dayWith(plan: SweetIn, said: string | undefined): LocationQueryRaw {
  const day = parseQuery(said ?? '')
  const there = typeof day.sweets === 'string' ? sweetsOf(day.sweets) : []
  const words = { sweet: plan.sweet, ...again(plan) }
  return { ...day, sweets: sweetsSaid([...there, { words, due: '', spare: 0 }]) }
}
