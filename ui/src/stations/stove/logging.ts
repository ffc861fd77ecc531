import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { EventIn } from '@/api/client'
import { useLog, type LiveAny } from '@/api/kitchen'
import { OK_BUYS_S } from '@/api/shared'
import { figure } from '@/form/numbers'
import { ran } from '@/shell/now'

/**
 * What the page of a batch does whatever its kind: tell a happening, take back, put off, hush, take off the fire for a
 * while, and log a typed figure or a note. What was sent is cleared; what was typed meanwhile, or was refused, stays.
 * `fields`: those that are typed; `care`: seconds that what can wait is put off.
 */
export function useLogging<F extends string>(
  batch: () => LiveAny | undefined,
  fields: readonly F[],
  care = 120,
) {
  const route = useRoute()
  const log = useLog()
  const local = ref('')
  const typed = reactive(
    Object.fromEntries([...fields, 'note'].map((field) => [field, ''])),
  ) as Record<F | 'note', string>
  watch(
    () => route.params.id,
    () => log.reset(),
  )

  function tell(event: EventIn) {
    const b = batch()
    if (b) log.mutate({ id: b.id, event })
  }
  function sent(field: F | 'note', event: EventIn) {
    const was = typed[field]
    log.mutate(
      { id: batch()!.id, event },
      { onSuccess: () => typed[field] === was && (typed[field] = '') },
    )
  }
  function send(field: F, make: (value: number) => EventIn) {
    const value = figure(typed[field])
    local.value = value > 0 ? '' : `“${typed[field]}” is no figure. Type just the number, like 250.`
    if (value > 0) sent(field, make(value))
  }
  /** The nudge that is due, if any. */
  const due = computed(() => {
    const b = batch()
    return b?.nudges.find((n) => n.due_at_s <= b.now_s + ran(b))
  })
  const undo = () => {
    const id = batch()?.undo_id
    if (id) tell({ kind: 'undo', event_id: id })
  }
  const later = () => {
    const { value: nudge } = due
    if (!nudge) return
    const seconds = nudge.kind === 'hazard' ? OK_BUYS_S : care
    tell({ kind: 'snoozed', nudge: nudge.key, episode: nudge.episode, seconds })
  }
  const hush = () => tell({ kind: 'hushed', on: !batch()?.hushed })
  const pause = () => tell({ kind: batch()?.paused_at_s != null ? 'resumed' : 'paused' })
  return {
    log,
    typed,
    problem: computed(() => local.value || log.error.value?.message),
    tell,
    send,
    note: () =>
      typed.note.trim() && sent('note', { kind: 'note', text: typed.note.trim() } as EventIn),
    due,
    undo,
    later,
    hush,
    pause,
    /** The keys that every such page has; `mayPause`: it is on the fire, and can be taken off for a while. */
    keys: (mayPause: () => boolean) => [
      {
        key: 'p',
        does: 'off the fire for a while, and back',
        run: () => mayPause() && pause(),
      },
      { key: 'u', does: 'undo the last', run: undo },
      { key: 'l', does: 'later: put off what is due', run: later },
      { key: 'q', does: 'quiet, and sounds again', run: hush },
    ],
  }
}
