import type { EventIn } from '@/api/client'
import type { LiveBatch } from '@/api/kitchen'
import type { Asked } from '@/shell/live'

/** What the button beside the sentence logs, and where it leads: to the page of what asked, or to typing a reading. */
export interface Answer {
  event: EventIn | null
  then: 'go' | 'stay' | 'type'
}

/** What the button says that answers a nudge, and the key that does the same on a pan's page. */
export const VERBS: Record<string, { text: string; key: string } | undefined> = {
  first_boil: { text: 'First boil', key: 'B' },
  stirred: { text: 'Stirred', key: 'S' },
  scraped: { text: 'Scraped', key: 'S' },
  sugar_in: { text: 'Sugar in', key: 'I' },
  off: { text: 'Take it off', key: 'O' },
  reading: { text: 'Read it', key: 'R' },
  flame_changed: { text: 'Flame down', key: 'F' },
  resumed: { text: 'Back on the fire', key: 'P' },
  noted: { text: 'It is chilling', key: '' },
  shade_seen: { text: 'Look at it', key: '' },
  added: { text: 'Go to it', key: '' },
  load_seen: { text: 'It is out', key: '' },
  step_done: { text: 'Done', key: 'D' },
  weighed: { text: 'Weigh it', key: '' },
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

/** Whether both are the same nudge of the same batch: two pans may well ask for the same. */
export const isSame = (one: Asked, other: Asked | null) =>
  other !== null && one.live.path === other.live.path && one.nudge.key === other.nudge.key

/** What hands do to a pan of milk on the fire, by a button or its key. */
export interface Act {
  text: string
  key: string
  event: EventIn
}
export function panActs(pan: LiveBatch): Act[] {
  const onFire = pan.phase === 'heating' || pan.phase === 'boiling'
  const sugar = Math.max(0, pan.sugar_kg - pan.sugar_in_kg)
  const acts: (Act | false)[] = [
    pan.phase === 'heating' && { text: 'First boil', key: 'B', event: { kind: 'first_boil' } },
    pan.phase === 'boiling' && { text: 'Stirred', key: 'S', event: { kind: 'stirred' } },
    pan.phase === 'boiling' && { text: 'Scraped', key: 'C', event: { kind: 'scraped' } },
    onFire &&
      sugar > 0 && { text: 'Sugar in', key: 'I', event: { kind: 'sugar_in', mass_kg: sugar } },
    onFire && {
      text: pan.paused_at_s === null ? 'Pause' : 'Go on',
      key: 'P',
      event: { kind: pan.paused_at_s === null ? 'paused' : 'resumed' },
    },
    onFire && { text: 'Take it off', key: 'O', event: { kind: 'off' } },
  ]
  return acts.filter((act) => act !== false)
}
