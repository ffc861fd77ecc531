import type { DayOut } from '@/api/client'
import type { Task } from './day'

/**
 * A day pushed on when something takes longer, as the server pushes it (`core/day/shift.py`): what began stays but for its
 * end; the rest begins no sooner than planned, in the same order on its burner, in its pan and by its hands. It is for the
 * phone that has no network just now; both sides are held to the same cases (`tests/agreed/shift.json`).
 */
const ONE_PAIR = 100
const BUSY = 65
const GLANCE = 10
const WASH = 5
const SITTING_GAP = 30
const LONGEST_LOOK = 1440

const minute = (s: number) => Math.round(s / 60)
interface Place {
  start: number
  end: number
}
const placeOf = (t: Task): Place => ({ start: minute(t.start_s), end: minute(t.end_s) })
const byStart = (a: Task, b: Task) => a.start_s - b.start_s || a.end_s - b.end_s

/** What each step comes after, and how many minutes after it: its own waits, then its burner, its pan, the hands. */
function arcsOf(plan: DayOut): Map<string, { task: string; least: number }[]> {
  const arcs = new Map(plan.tasks.map((t) => [t.key, [...(t.after ?? [])]]))
  const stays = new Map<string, Task[]>()
  for (const t of plan.tasks) if (t.stay) stays.set(t.stay, [...(stays.get(t.stay) ?? []), t])
  const inOrder = [...stays.values()]
    .map((tasks) => tasks.sort(byStart))
    .sort((a, b) => byStart(a[0]!, b[0]!))
  for (const [of, wash] of [
    ['hob', 0],
    ['pot', WASH],
  ] as const) {
    const last = new Map<number | null, string>()
    for (const stay of inOrder) {
      const on = stay[0]![of]
      const before = last.get(on)
      if (before) arcs.get(stay[0]!.key)!.push({ task: before, least: wash })
      last.set(on, stay.at(-1)!.key)
    }
  }
  const busy = plan.tasks.filter((t) => t.load >= BUSY).sort(byStart)
  const skip = plan.helped?.length ? 1 : 0
  busy.forEach((t, i) => {
    const over = busy.slice(0, i).filter((o) => o.end_s <= t.start_s)
    over.sort((a, b) => b.end_s - a.end_s)
    for (const o of over.slice(skip, skip + 2)) arcs.get(t.key)!.push({ task: o.key, least: 0 })
  })
  return arcs
}

/** Hundredths of hands that are there in a minute, and of them the helper's. */
function handsAt(plan: DayOut, at: number): [hands: number, helper: number] {
  const within = (s: { start_s: number; end_s: number }) =>
    minute(s.start_s) <= at && at < minute(s.end_s)
  const helper = plan.helped?.some(within) ? ONE_PAIR : 0
  const away = (plan.away ?? []).filter(within)
  if (away.some((a) => !a.seated)) return [helper, helper]
  return [(away.length ? GLANCE : ONE_PAIR) + helper, helper]
}

type Placed = [task: Task, place: Place]
function hasHands(plan: DayOut, task: Task, at: number, others: Placed[]): boolean {
  const [hands, helper] = handsAt(plan, at)
  const there = others.filter(([, p]) => p.start <= at && at < p.end).map(([t]) => t)
  const cook = hands - helper >= ONE_PAIR
  if (there.reduce((sum, t) => sum + t.load, 0) + task.load > hands) return false
  const helps = helper >= ONE_PAIR
  if (task.load < BUSY) return cook || helps || task.load <= GLANCE
  const busy = there.filter((t) => t.load >= BUSY)
  const own = busy.filter((t) => !t.helper)
  return busy.length < Number(cook) + Number(helps) && (task.helper || own.length < Number(cook))
}

function freeFrom(plan: DayOut, task: Task, start: number, long: number, all: Placed[]): number {
  if (!task.load) return start
  const others = all.filter(([t, p]) => t.load && p.end > start)
  for (let at = start; at < start + LONGEST_LOOK; at++) {
    let free = true
    for (let m = at; free && m < at + long; m++) free = hasHands(plan, task, m, others)
    if (free) return at
  }
  return start
}

/** The plan with one step ending otherwise, from `now` on. */
export function pushed(plan: DayOut, now_s: number, key: string, end_s: number): DayOut {
  const arcs = arcsOf(plan)
  const now = minute(now_s)
  const placed = new Map<string, Place>()
  const done: Placed[] = []
  for (const task of [...plan.tasks].sort(byStart)) {
    const was = placeOf(task)
    let place: Place
    if (was.start < now || task.key === key) {
      const end = task.key === key ? minute(end_s) : was.end
      place = { start: was.start, end: Math.max(was.start + 1, end) }
    } else {
      const after = arcs
        .get(task.key)!
        .flatMap((a) => (placed.has(a.task) ? [placed.get(a.task)!.end + a.least] : []))
      const long = was.end - was.start
      const start = freeFrom(plan, task, Math.max(was.start, now, ...after), long, done)
      place = { start, end: start + long }
    }
    placed.set(task.key, place)
    done.push([task, place])
  }
  const tasks = plan.tasks
    .map((t) => ({
      ...t,
      start_s: t.start_s + (placed.get(t.key)!.start - placeOf(t).start) * 60,
      end_s: t.end_s + (placed.get(t.key)!.end - placeOf(t).end) * 60,
    }))
    .sort(byStart)
  return { ...plan, tasks, sweets: sweetsOf(plan, tasks), sittings: sittingsOf(tasks) }
}

/** When each sweet is ready then: its last step is over. */
function sweetsOf(plan: DayOut, tasks: Task[]): DayOut['sweets'] {
  const last = (of: Task[], sweet: number) =>
    Math.max(...of.filter((t) => t.sweet === sweet).map((t) => t.end_s))
  return plan.sweets.map((s, i) => ({
    ...s,
    ready_s: s.ready_s + last(tasks, i) - last(plan.tasks, i),
  }))
}

function sittingsOf(tasks: Task[]): DayOut['sittings'] {
  const joined: DayOut['sittings'] = []
  for (const t of tasks.filter((t) => t.load > GLANCE)) {
    const before = joined.at(-1)
    if (before && t.start_s <= before.end_s + SITTING_GAP * 60)
      before.end_s = Math.max(before.end_s, t.end_s)
    else joined.push({ start_s: t.start_s, end_s: t.end_s })
  }
  return joined
}
