import type { DayAfter } from '@/api/client'
import { capital } from '@/say'
import { spanOf } from './day'

type Sweet = DayAfter['sweets'][number]

/** How it stood to its hour. */
export function readyWords(s: Pick<Sweet, 'ready_s' | 'due_s'>): string {
  const early = Math.round((s.due_s - s.ready_s!) / 60)
  if (early < 0) return `${spanOf(-early)} late`
  return early < 1 ? 'on the minute' : `${spanOf(early)} before`
}

/** A step that took otherwise: its first words, by how much. */
export function stepWords(s: Sweet['steps'][number]): string {
  const by = Math.round((s.took_s - s.told_s) / 60)
  const short = s.say.split(/[.,;:]/)[0]!
  return `${capital(short)}: ${spanOf(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}`
}
