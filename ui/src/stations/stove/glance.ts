import type { LiveAny, LiveBatch, LiveCaramel, LiveCurd, LiveSweet } from '@/api/kitchen'
import { shadeOf } from '@/caramel/shades'
import type { GlyphKind } from '@/making/glyphs'
import { glyphOf } from '@/making/glyphs'
import { cm, countdown, grams, minutes, spoken } from '@/say'
import { ran } from '@/shell/now'
import { secondsToBoil, secondsToStop } from './need'

/** What one sees of anything that goes on from a few steps away: one figure, what it is, and what it stands in. */
export interface Glance {
  figure: string
  unit: string
  more: string
  over: boolean
  /** A pan in section, where its level is known; else an outline. */
  pan:
    (Pick<LiveBatch, 'pan'> & { now: number; stop: number; thick: number; flame?: string }) | null
  glyph: GlyphKind
  /** Written on the outline. */
  holds: string
}
type Step = LiveSweet['steps'][number]

/** Seconds that a step has still; what is off the fire for a while stands still. */
export function stepLeft(b: LiveSweet, s: Step): number {
  const stands = s.fire && !s.base && b.paused_at_s !== null
  return s.due_s === null ? 0 : s.due_s - (stands ? 0 : ran(b))
}
/** The running step that is due first; with none running, the first that can begin. */
export function stepInHand(b: LiveSweet): Step | undefined {
  const running = b.steps.filter((s) => s.phase === 'running')
  return (
    running.sort((x, y) => stepLeft(b, x) - stepLeft(b, y))[0] ??
    b.steps.find((s) => s.phase === 'ready')
  )
}
/** Seconds that the step of a curd has still; null where nothing is timed. */
export function curdLeft(b: LiveCurd): number | null {
  const due = b.steps[b.step]?.due_s ?? null
  return due === null ? null : due - (b.paused_at_s === null ? ran(b) : 0)
}

const plain = { more: '', over: false, pan: null, glyph: 'bowl' as GlyphKind, holds: '' }
const span = (r: { low: number; high: number }) => `${minutes(r.low)}–${minutes(r.high)}`
const weigh = (kg: number, more = '') => ({
  figure: grams(kg).replace(' g', ''),
  unit: 'g told: weigh it',
  more,
})

function ofPan(b: LiveBatch): Glance {
  const at = {
    pan: b.pan,
    now: b.depth_m.likely,
    stop: b.stop_depth_m,
    thick: b.concentration,
  }
  const fire = b.paused_at_s === null ? { ...at, flame: b.flame } : at
  const boil = secondsToBoil(b)
  if (b.phase === 'heating' && boil)
    return {
      ...plain,
      figure: minutes(boil.likely),
      unit: 'min to the boil',
      more: span(boil),
      pan: fire,
    }
  const stop = secondsToStop(b)
  if (b.phase !== 'boiling' || !stop) return { ...plain, ...weigh(b.served_kg.likely), pan: at }
  const level = `at ${cm(b.stop_depth_m)} cm`
  if (b.past_stop_s > 0)
    return {
      ...plain,
      figure: minutes(b.past_stop_s + ran(b)),
      unit: 'min past its stop',
      more: level,
      over: true,
      pan: fire,
    }
  return {
    ...plain,
    figure: minutes(stop.likely),
    unit: 'min to its stop',
    more: b.paused_at_s === null ? `${span(stop)}, ${level}` : 'off the fire for a while',
    pan: fire,
  }
}

const IN_POT = ['to-the-boil', 'wait', 'acid']
function ofCurd(b: LiveCurd): Glance {
  const step = b.steps[b.step]
  const left = curdLeft(b)
  const glyph = IN_POT.includes(step?.name ?? '') ? 'pan' : b.weighed_kg === null ? 'cloth' : 'bowl'
  const holds = grams(b.weighed_kg ?? b.told_kg.likely)
  if (left === null || step?.name === 'weigh')
    return { ...plain, ...weigh(b.told_kg.likely), glyph, holds }
  const { figure, unit } = countdown(left)
  return {
    ...plain,
    figure,
    unit: `${unit} ${left < 0 ? 'over' : 'left'}`,
    more: spoken(step!.name),
    over: left < 0,
    glyph,
    holds: glyph === 'pan' ? '' : holds,
  }
}

function ofCaramel(b: LiveCaramel): Glance {
  const pan = { pan: b.pan, now: b.depth_m, stop: b.stop_depth_m, thick: 4 }
  if (b.phase === 'melting' && b.celsius)
    return {
      ...plain,
      figure: Math.round(b.celsius.likely + (b.rise_k_s ?? 0) * ran(b)).toString(),
      unit: '°C about',
      more: `off at ${Math.round(b.told.off_c.likely)} °C`,
      glyph: 'pan',
      holds: b.shade ? shadeOf(b.shade).text : '',
    }
  if (b.phase === 'simmering' && b.left_s)
    return {
      ...plain,
      figure: minutes(b.left_s.likely - (b.paused_at_s === null ? ran(b) : 0)),
      unit: 'min to its stop',
      more: `${grams(b.on_scale_kg)}, pan and all`,
      pan: b.paused_at_s === null ? { ...pan, flame: b.plan.flame } : pan,
    }
  return { ...plain, ...weigh(b.stop_kg), pan }
}

function ofSweet(b: LiveSweet): Glance {
  const step = stepInHand(b)
  const runs = step?.phase === 'running'
  const pieces = (b.counted ?? b.told_pieces.likely).toString()
  if (!step) return { ...plain, figure: pieces, unit: `${b.many}: weigh and count` }
  if (runs && step.lit_slot)
    return {
      ...plain,
      figure: pieces,
      unit: `${b.many}, as told`,
      more: 'its bases are on their way',
    }
  const left = runs ? stepLeft(b, step) : step.seconds.likely
  const { figure, unit } = countdown(left)
  return {
    ...plain,
    figure,
    unit: !runs ? `${unit} it will take` : `${unit} ${left < 0 ? 'over' : 'left'}`,
    more: `${pieces} ${b.many}`,
    over: left < 0,
    glyph: glyphOf(step),
  }
}

export function glanceOf(b: LiveAny): Glance {
  if (b.kind === 'reduce') return ofPan(b)
  if (b.kind === 'caramel') return ofCaramel(b)
  return b.kind === 'sweet' ? ofSweet(b) : ofCurd(b)
}
