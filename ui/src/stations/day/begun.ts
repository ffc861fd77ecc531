import type { AnyBatch, DayOut } from '@/api/client'
import type { Task } from './day'

/**
 * Keys of the acts that are done: those of steps that are done in their making, and of makings that are over. An act of a
 * step that runs is done when the next act of that step has begun, as the step's own pan or cloth has its page.
 */
export function doneActs(
  plan: DayOut,
  batches: number[],
  running: AnyBatch[],
  now: number,
): Set<string> {
  const done = new Set<string>()
  batches.forEach((id, sweet) => {
    const batch = running.find((b) => b.id === id)
    for (const t of plan.tasks.filter((t) => t.sweet === sweet)) {
      const step = batch?.kind === 'sweet' ? batch.steps.find((s) => s.key === t.step) : undefined
      if (!batch || step?.phase === 'done' || (step?.phase === 'running' && t.end_s <= now))
        done.add(t.key)
    }
  })
  return done
}

/** The act that is next: the first that is not done. */
export const nextAct = (plan: DayOut, done: Set<string>): Task | undefined =>
  plan.tasks.find((t) => t.said && !done.has(t.key))
