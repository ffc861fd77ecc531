import type { SweetBatch } from '@/api/client'
import { countdown, minutes, stopwatch } from '@/say'

/** What is said of a step of a sweet; `left`: seconds it has still, below zero when it is over. */
type Step = SweetBatch['steps'][number]
const ABOUT_HOURS_S = 5400

/** How long it will take: a figure and its unit. */
export const takes = (s: Step): [figure: string, unit: 'h' | 'min'] =>
  s.seconds.likely >= ABOUT_HOURS_S
    ? [`${Math.round(s.seconds.likely / 360) / 10}`, 'h']
    : [minutes(s.seconds.likely), 'min']

export const inWords = (left: number) => Object.values(countdown(left)).join(' ')

/** Of a step in loads: which one is in now, and what is left of it. */
export function loadNow(s: Step, left: number): string {
  const each = (s.seconds.likely - s.heats_s) / s.loads
  const gone = s.seconds.likely - left
  if (s.loads < 2 || s.phase !== 'running' || gone >= s.seconds.likely) return ''
  const at = Math.min(s.loads, Math.floor(Math.max(0, gone - s.heats_s) / each) + 1)
  return `load ${at} of ${s.loads}: ${stopwatch(s.heats_s + at * each - gone)} left of it`
}

/** What its clock says, on the river. */
export function clockOf(s: Step, left: number): string {
  if (s.phase !== 'running' || s.due_s === null) return takes(s).join(' ')
  const short = inWords(left).replace('minutes:seconds', 'min').replace('minutes', 'min')
  return `${short} ${left < 0 ? 'over' : 'left'}`
}

/**
 * What comes after the step in hand, once that is the last that it waits for: one press ends this and begins that. What
 * is lit from a plan of its own is not begun so.
 */
export function nextAfter(steps: Step[], on: Step | undefined): Step | undefined {
  if (on?.phase !== 'running' || on.base) return undefined
  return steps.find(
    (s) =>
      s.phase === 'waits' && !s.lit_slot && s.waits_for.length === 1 && s.waits_for[0] === on.key,
  )
}

/** What of it cooks by itself takes a burner; a base has a pan and a burner of its own. */
export const cooks = (s: Step | undefined) => Boolean(s?.fire && !s.base)

const lateRows = (batch: Pick<SweetBatch, 'rows'>, s: Step) =>
  batch.rows.filter((r) => r.step === s.key && r.when === 'at the end')

/** What goes in on the way, by name. */
export const lateOf = (batch: Pick<SweetBatch, 'rows'>, s: Step) =>
  lateRows(batch, s).map((r) => r.name)

/** Whether what goes in on the way is held to be in: it was weighed, or two thirds of the time are over. */
export function lateIn(batch: Pick<SweetBatch, 'rows'>, s: Step, left: number): boolean {
  return lateRows(batch, s).every((r) => r.weighed_kg !== null) || left < s.seconds.likely / 3
}
