import { newKey } from './keys'
import { reactive } from 'vue'
import {
  api,
  ApiProblem,
  unwrap,
  type Batch,
  type CurdBatch,
  type CurdEventIn,
  type EventIn,
  type SweetBatch,
  type SweetEventIn,
} from './client'

/**
 * What happened but is not yet on the server's disk. Each happening is kept in the browser before it is
 * sent, under a key of its own, and sent in order, so that none is lost and none counts twice.
 */
export type Waiting =
  | { of: 'pan'; id: number; event: EventIn; at_s: number }
  | { of: 'curd'; id: number; event: CurdEventIn; at_s: number }
  | { of: 'sweet'; id: number; event: SweetEventIn; at_s: number }

export type Answer =
  | { of: 'pan'; batch: Batch }
  | { of: 'curd'; batch: CurdBatch }
  | { of: 'sweet'; batch: SweetBatch }

const SHELF = 'mulvek-outbox'
const RETRY_MS = 3000
/** A happening that waited longer than this is sent with the time it happened. */
const PROMPT_S = 2

export const outbox = reactive<{ waiting: Waiting[]; refused: string[] }>({
  waiting: JSON.parse(localStorage.getItem(SHELF) ?? '[]') as Waiting[],
  refused: [],
})
const keep = () => localStorage.setItem(SHELF, JSON.stringify(outbox.waiting))

/** The server's clock as this browser knows it; a wrong or changed clock here does no harm while the page lives. */
let offset = Number(localStorage.getItem('mulvek-clock') ?? 0)
let steady: number | null = null
export function heardClock(nowS: number): void {
  steady = nowS - performance.now() / 1000
  offset = nowS - Date.now() / 1000
  localStorage.setItem('mulvek-clock', String(offset))
}
export const serverNow = () =>
  steady === null ? Date.now() / 1000 + offset : steady + performance.now() / 1000

type Settle = { done: (answer: Answer | null) => void; fail: (why: unknown) => void }
const callers = new Map<string, Settle>()
let answered: (answer: Answer) => void = () => undefined
export const onAnswer = (hear: (answer: Answer) => void) => (answered = hear)

/** Keep it, then send all that waits. Resolves with the answer, or with null when it must wait for the network. */
export function post(what: Omit<Waiting, 'at_s'>): Promise<Answer | null> {
  const key = what.event.key ?? newKey()
  const entry = { ...what, event: { ...what.event, key }, at_s: serverNow() } as Waiting
  outbox.waiting.push(entry)
  keep()
  return new Promise((done, fail) => {
    callers.set(key, { done, fail })
    void drain()
  })
}

async function send(entry: Waiting): Promise<Answer> {
  const late = serverNow() - entry.at_s > PROMPT_S && entry.event.at_s === undefined
  const timed = late ? { at_s: entry.at_s } : {}
  const path = { params: { path: { batch_id: entry.id } } }
  if (entry.of === 'pan') {
    const body = { event: { ...entry.event, ...timed } }
    return {
      of: 'pan',
      batch: await unwrap(api.POST('/api/stove/batches/{batch_id}/events', { ...path, body })),
    }
  }
  if (entry.of === 'sweet') {
    const body = { event: { ...entry.event, ...timed } }
    return {
      of: 'sweet',
      batch: await unwrap(api.POST('/api/stove/sweets/{batch_id}/events', { ...path, body })),
    }
  }
  const body = { event: { ...entry.event, ...timed } }
  return {
    of: 'curd',
    batch: await unwrap(api.POST('/api/stove/curds/{batch_id}/events', { ...path, body })),
  }
}

let draining = false
async function drain(): Promise<void> {
  if (draining) return
  draining = true
  try {
    while (outbox.waiting.length) {
      const entry = outbox.waiting[0]!
      const key = entry.event.key ?? ''
      const caller = callers.get(key)
      try {
        const answer = await send(entry)
        leave(key)
        answered(answer)
        caller?.done(answer)
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : null
        if (problem && (problem.status === 0 || problem.status >= 500)) {
          for (const [waitingKey, other] of callers) {
            other.done(null)
            callers.delete(waitingKey)
          }
          return
        }
        leave(key)
        if (caller) caller.fail(error)
        else if (problem)
          outbox.refused.push(`${entry.event.kind.replace('_', ' ')}: ${problem.message}`)
      }
    }
  } finally {
    draining = false
  }
}

function leave(key: string): void {
  callers.delete(key)
  outbox.waiting = outbox.waiting.filter((w) => w.event.key !== key)
  keep()
}

/** Try again when the network is back, and every few seconds while something waits. */
export function keepSending(): () => void {
  const again = () => void drain()
  window.addEventListener('online', again)
  const timer = window.setInterval(() => outbox.waiting.length && again(), RETRY_MS)
  again()
  return () => {
    window.removeEventListener('online', again)
    window.clearInterval(timer)
  }
}
