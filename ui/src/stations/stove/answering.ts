import { useRouter } from 'vue-router'
import { OK_BUYS_S } from '@/api/shared'
import type { LiveBatch, useLog } from '@/api/kitchen'
import type { Asked } from '@/shell/live'
import { answerTo, snoozed } from './answers'

const PUT_OFF_S = 120

/**
 * The button beside the sentence answers the nudge of whatever asks. `type`: what happens when a figure is wanted;
 * `stays`: what can be logged is logged from here, without going to the page of what asked.
 */
export function useAnswers(
  pans: () => LiveBatch[],
  log: ReturnType<typeof useLog>,
  type: (due: Asked) => void,
  stays = false,
) {
  const router = useRouter()
  function answer(due: Asked) {
    const { id, path } = due.live
    const { event, then } = answerTo(
      due,
      pans().find((b) => b.id === id),
    )
    if (event) log.mutate({ id, event })
    if (then === 'type') type(due)
    else if (then === 'go' && !(event && stays)) void router.push(path)
  }
  function later(due: Asked) {
    const seconds = due.nudge.kind === 'hazard' ? OK_BUYS_S : PUT_OFF_S
    log.mutate({ id: due.live.id, event: snoozed(due, seconds) })
  }
  return { answer, later }
}
