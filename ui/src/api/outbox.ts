import { computed, reactive, toRaw } from 'vue'
import { api, ApiProblem, unwrap, type AnyBatch } from './client'
import { newKey } from './keys'
import { alone, forget, keep, kept, mark, type Happening, type Waiting } from './waiting'

/**
 * What happened but is not yet on the server's disk. Each happening is kept in the browser, where every tab finds it,
 * before it is sent, under a key of its own, and sent in order by one tab at a time, so that none is lost and none
 * counts twice. One that the server refuses is shown until the cook has seen it.
 */
export type Answer = AnyBatch

const RETRY_MS = 3000
/** No network, not let in just now, too many at once: it waits, and is not dropped. */
const LATER = [0, 401, 429]
/** A happening that waited longer than this is sent with the time it happened. */
const PROMPT_S = 2

const all = reactive<{ entries: Waiting[] }>({ entries: [] })
export const outbox = reactive({
  /** Yet to be sent. */
  waiting: computed(() => all.entries.filter((x) => x.refused === undefined)),
  /** Not taken by the server, with what it said. */
  refused: computed(() => all.entries.filter((x) => x.refused !== undefined)),
  /** Why what waits cannot be sent just now; empty while it can. */
  held: '',
})

/** The server's clock as this browser knows it; a wrong or changed clock here does no harm while the page lives. */
let offset = Number(localStorage.getItem('mulvek-clock') ?? 0)
let steady: number | null = null
/** An answer was some time on its way: of several the one that came quickest tells the time best. */
const CHANGED_S = 30
export function heardClock(nowS: number): void {
  const heard = nowS - performance.now() / 1000
  if (steady !== null && heard < steady && steady - heard < CHANGED_S) return
  steady = heard
  offset = nowS - Date.now() / 1000
  localStorage.setItem('mulvek-clock', String(offset))
}
export const serverNow = () =>
  steady === null ? Date.now() / 1000 + offset : steady + performance.now() / 1000

type Settle = { done: (answer: Answer | null) => void; fail: (why: unknown) => void }
const callers = new Map<string, Settle>()
let answered: (answer: Answer) => void = () => undefined
export const onAnswer = (hear: (answer: Answer) => void) => (answered = hear)

/** What one tab did that the others must know: something new waits, or one was answered. */
type News = { key?: string; answer?: Answer; problem?: [number, string, string] }
const tabs = new BroadcastChannel('mulvek-outbox')
tabs.onmessage = ({ data }: MessageEvent<News>) => {
  if (data.key && data.answer) settle(data.key, data.answer)
  if (data.key && data.problem) void refuse(data.key, new ApiProblem(...data.problem, []))
  void look()
}

async function look(): Promise<void> {
  all.entries = await kept()
}

/** Keep it, then send all that waits. Resolves with the answer, or with null when it must wait for the network. */
export async function post(what: Omit<Happening, 'at_s'>): Promise<Answer | null> {
  const key = what.event.key ?? newKey()
  const event = JSON.parse(JSON.stringify({ ...what.event, key })) as Waiting['event']
  const entry = { ...what, event, key, at_s: serverNow() } as Waiting
  await keep(entry)
  await look()
  tabs.postMessage({})
  return new Promise((done, fail) => {
    callers.set(key, { done, fail })
    void drain()
  })
}

async function send(entry: Waiting): Promise<Answer> {
  const late = serverNow() - entry.at_s > PROMPT_S && entry.event.at_s === undefined
  const timed = late ? { at_s: entry.at_s, waited: true } : {}
  const path = { params: { path: { batch_id: await numberOf(entry) } } }
  const body = { event: { ...entry.event, ...timed } }
  return unwrap(api.POST('/api/batches/{batch_id}/events', { ...path, body }))
}

/** A happening that a former release kept names a curd or a sweet by the number it had among its kind. */
async function numberOf({ of, id }: Waiting): Promise<number> {
  if (!of || of === 'pan') return id
  const path = { former: `${of}-${id}` }
  return (await unwrap(api.GET('/api/batches/former/{former}', { params: { path } }))).id
}

let draining = false
let again = false
/** Send what waits, oldest first. What was said while it sends goes with it; another tab's turn is waited for. */
async function drain(): Promise<void> {
  again = true
  if (draining) return
  draining = true
  try {
    while (again) {
      again = false
      await alone(sendAll)
    }
  } finally {
    draining = false
  }
}

async function sendAll(): Promise<void> {
  for (;;) {
    await look()
    const entry = outbox.waiting[0]
    if (!entry) break
    try {
      const answer = await send(toRaw(entry))
      await forget(entry.key)
      all.entries = all.entries.filter((x) => x.key !== entry.key)
      if (!outbox.waiting.length) outbox.held = ''
      tabs.postMessage({ key: entry.key, answer } satisfies News)
      answered(answer)
      settle(entry.key, answer)
    } catch (error) {
      const problem =
        error instanceof ApiProblem ? error : new ApiProblem(400, 'Not sent', String(error), [])
      if (LATER.includes(problem.status) || problem.status >= 500) {
        hold(problem)
        return
      }
      await refuse(entry.key, problem)
      const { status, title, message } = problem
      tabs.postMessage({ key: entry.key, problem: [status, title, message] } satisfies News)
    }
  }
  outbox.held = ''
  settleSent()
}

/** Nothing can be sent just now: whoever asked goes on without an answer, and all is tried again later. */
function hold(problem: ApiProblem): void {
  outbox.held = problem.status === 0 ? 'No network' : problem.message
  for (const [key, caller] of callers) {
    caller.done(null)
    callers.delete(key)
  }
}

function settle(key: string, answer: Answer | null): void {
  callers.get(key)?.done(answer)
  callers.delete(key)
}

/** Whoever asked here for what another tab has sent meanwhile. */
function settleSent(): void {
  const left = new Set(all.entries.map((x) => x.key))
  for (const key of callers.keys()) if (!left.has(key)) settle(key, null)
}

/** Whoever asked here sees it and it goes; nobody here: it stays, to be seen. */
async function refuse(key: string, problem: ApiProblem): Promise<void> {
  const caller = callers.get(key)
  if (caller) {
    callers.delete(key)
    await forget(key)
    await look()
    caller.fail(problem)
    return
  }
  await mark(key, problem.message)
  await look()
}

/** The cook has seen that it was refused. */
export async function letGo(key: string): Promise<void> {
  await forget(key)
  await look()
  tabs.postMessage({})
}

/** Send a refused one once more, in its old place. */
export async function tryAgain(key: string): Promise<void> {
  await mark(key, undefined)
  await look()
  await drain()
}

/** Try again when the network is back, and every few seconds while something waits. */
export function keepSending(): () => void {
  const online = () => void drain()
  window.addEventListener('online', online)
  const timer = window.setInterval(() => outbox.waiting.length && online(), RETRY_MS)
  online()
  return () => {
    window.removeEventListener('online', online)
    window.clearInterval(timer)
  }
}
