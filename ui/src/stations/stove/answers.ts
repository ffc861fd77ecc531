import type { EventIn } from '@/api/client'
import type { LiveBatch } from '@/api/kitchen'
import type { Asked } from '@/shell/live'

/** What the button beside the sentence logs, and where it leads: to the page of what asked, or to typing a reading. */
export interface Answer {
  event: EventIn | null
  then: 'go' | 'stay' | 'type'
}

const SEEN_FOR_S = 1800
/** Put off for so long. */
export const snoozed = ({ nudge }: Asked, seconds: number): EventIn => ({
  kind: 'snoozed',
  nudge: nudge.key,
  episode: nudge.episode,
  seconds,
})

/** Of a pan of milk: all of it is answered here. */
function ofPan(due: Asked, pan: LiveBatch): EventIn | null {
  switch (due.nudge.answer) {
    case 'first_boil':
    case 'stirred':
    case 'scraped':
    case 'off':
    case 'resumed':
      return { kind: due.nudge.answer }
    case 'sugar_in':
      return { kind: 'sugar_in', mass_kg: Math.max(1e-6, pan.sugar_kg - pan.sugar_in_kg) }
    case 'flame_changed':
      return { kind: 'flame_changed', flame: pan.flame === 'strong' ? 'medium' : 'gentle' }
    case 'noted':
      return snoozed(due, SEEN_FOR_S)
    default:
      return null
  }
}

/** Of anything else: what needs no figure is logged, the rest is asked for on its own page. */
function ofOther(due: Asked): EventIn | null {
  const { answer, key } = due.nudge
  if (answer === 'off' || answer === 'scraped' || answer === 'resumed') return { kind: answer }
  if (answer === 'load_seen') return snoozed(due, SEEN_FOR_S)
  if (due.live.of === 'sweet') return { kind: 'step_done', step: key }
  return due.live.of === 'curd' && answer === 'step_done' ? { kind: 'step_done' } : null
}

export function answerTo(due: Asked, pan: LiveBatch | undefined): Answer {
  if (due.live.of !== 'pan') return { event: ofOther(due), then: 'go' }
  if (due.nudge.answer === 'load_seen') return { event: snoozed(due, SEEN_FOR_S), then: 'go' }
  if (due.nudge.answer === 'weighed') return { event: null, then: 'go' }
  const event = pan ? ofPan(due, pan) : null
  return { event, then: pan && !event ? 'type' : 'stay' }
}
