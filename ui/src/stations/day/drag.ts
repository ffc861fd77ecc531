import { computed, onScopeDispose, ref } from 'vue'
import type { DayOut } from '@/api/client'
import type { Stay } from './day'
import type { Move } from './useMoves'

const SNAP_S = 300
const LEAST_PX = 6
/** Arrow keys rest so long before what they moved is worked out. */
const RESTS_MS = 600

/** The moment that stands at `px`, between two moments, where `at` grows from one to the other. */
export function momentAt(at: (s: number) => number, px: number, low: number, high: number): number {
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (at(middle) < px) low = middle
    else high = middle
  }
  return (low + high) / 2
}

interface Held {
  stay: Stay
  start_s: number
  hob: number
}

/** A bar of the picture that is dragged or moved by arrow keys: along the hours, and from burner to burner. */
export function useDrag(of: {
  plan: () => DayOut
  at: (s: number) => number
  hobAt: (y: number, from: number) => number
  moved: (to: Move) => void
  touched: (stay: Stay) => void
}) {
  const held = ref<Held>()
  let from: { x: number; y: number } | undefined
  let rests: ReturnType<typeof setTimeout> | undefined

  const keyOf = (stay: Stay) => stay.parts[0]!.key
  function put() {
    const now = held.value
    held.value = undefined
    if (!now || (now.start_s === now.stay.start_s && now.hob === now.stay.hob)) return
    const hob = now.hob === now.stay.hob ? null : now.hob
    of.moved({ task: keyOf(now.stay), to_s: now.start_s, hob })
  }
  function down(stay: Stay, event: PointerEvent) {
    if (event.button !== 0) return
    from = { x: event.clientX, y: event.clientY }
    held.value = { stay, start_s: stay.start_s, hob: stay.hob }
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
  function drag(event: PointerEvent) {
    const now = held.value
    if (!from || !now) return
    const [dx, dy] = [event.clientX - from.x, event.clientY - from.y]
    if (Math.hypot(dx, dy) < LEAST_PX) return
    const plan = of.plan()
    const px = of.at(now.stay.start_s) + dx
    const moment = momentAt(of.at, px, plan.start_s - 6 * 3600, plan.end_s)
    held.value = {
      stay: now.stay,
      start_s: Math.round(moment / SNAP_S) * SNAP_S,
      hob: of.hobAt(dy, now.stay.hob),
    }
  }
  function up(stay: Stay) {
    const now = held.value
    from = undefined
    if (now && now.start_s === stay.start_s && now.hob === stay.hob) {
      held.value = undefined
      of.touched(stay)
    } else put()
  }
  function leave() {
    from = undefined
    held.value = undefined
  }
  const ARROWS: Record<string, [minutes: number, hob: number]> = {
    ArrowLeft: [-5, 0],
    ArrowRight: [5, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  }
  function key(stay: Stay, event: KeyboardEvent) {
    if (event.key === 'Escape') return leave()
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      return of.touched(stay)
    }
    const by = ARROWS[event.key]
    if (!by) return
    event.preventDefault()
    const now =
      held.value && keyOf(held.value.stay) === keyOf(stay)
        ? held.value
        : { stay, start_s: stay.start_s, hob: stay.hob }
    const most = of.plan().hobs.length - 1
    held.value = {
      stay: now.stay,
      start_s: now.start_s + by[0] * 60,
      hob: Math.min(most, Math.max(0, now.hob + by[1])),
    }
    clearTimeout(rests)
    rests = setTimeout(put, RESTS_MS)
  }
  onScopeDispose(() => clearTimeout(rests))
  /** Where the held bar is drawn, as a stay of its own. */
  const ghost = computed<Stay | undefined>(() => {
    const now = held.value
    if (!now) return undefined
    const by = now.start_s - now.stay.start_s
    return {
      ...now.stay,
      hob: now.hob,
      start_s: now.start_s,
      end_s: now.stay.end_s + by,
      parts: now.stay.parts.map((t) => ({ ...t, start_s: t.start_s + by, end_s: t.end_s + by })),
    }
  })
  return { held, ghost, down, drag, up, leave, key }
}
