import type { BookStory, SweetBatch } from '@/api/client'
import { clock, grams } from '@/say'
import { glyphOf, type GlyphKind } from './glyphs'
import type { Reach } from './river'

/** A reach of a river as it is drawn: what it says, where it stands, what goes into it. */
export interface Shown extends Reach {
  say: string
  phase: 'waits' | 'ready' | 'running' | 'done'
  /** A base: it flows white. */
  milk: boolean
  glyph: GlyphKind
  weighed: boolean
  /** Beside its grams: whether they were told or weighed. */
  mark: string
  time: string
  /** What of it does not go on. */
  leaves: string
  here: boolean
  over: boolean
  rows: { number: number; name: string; amount: string; in: boolean }[]
  /** Of which other batch it is. */
  batch: number | null
}
type Step = SweetBatch['steps'][number]

const amount = (g: number) => (g >= 10 ? grams(g / 1000) : `${g.toFixed(1)} g`)
/** The first clause says what it is; the whole stands in the sentence above when its turn comes. */
const short = (text: string) => text.replace(/\.$/, '')

/** A sweet while it is made: its steps with their clocks. */
export function reachesOf(
  batch: SweetBatch,
  first: Step | undefined,
  time: (step: Step) => string,
  over: (step: Step) => boolean,
): Shown[] {
  return batch.steps.map((s) => {
    const weighed = s.base_kg !== null || (!s.into && batch.weighed_kg !== null)
    return {
      ...{ key: s.key, into: s.into, in_kg: s.in_kg, out_kg: s.out_kg, phase: s.phase, weighed },
      say: short(s.say),
      milk: Boolean(s.base),
      glyph: glyphOf(s),
      mark: weighed ? ' weighed' : ' told',
      leaves: leaving(s),
      time: s.done_at_s ? `done at ${clock(s.done_at_s)}` : time(s),
      here: s === first,
      over: over(s),
      rows: rowsOf(batch, s.key),
      batch: null,
    }
  })
}

function rowsOf(batch: SweetBatch, step: string): Shown['rows'] {
  return batch.rows
    .filter((r) => r.step === step)
    .map((r) => ({
      number: r.number,
      name: r.name,
      amount: amount(r.weighed_kg === null ? r.grams : r.weighed_kg * 1000),
      in: r.weighed_kg !== null || r.in_base,
    }))
}

const LEAVES: Record<Step['leaves'], string> = {
  '': '',
  steam: 'boils off',
  whey: 'drains off',
  syrup: 'of syrup stays',
  behind: 'stays in its vessel',
}
/** Less than a spoon, or a two-hundredth, is no figure that a scale would show. */
function leaving(r: { in_kg: number; out_kg: number; leaves?: Step['leaves'] }): string {
  const kg = r.in_kg - r.out_kg
  return r.leaves && kg > Math.max(0.004, r.in_kg / 200) ? `${grams(kg)} ${LEAVES[r.leaves]}` : ''
}

const SAYS: Record<string, [string, GlyphKind]> = {
  milk: ['', 'bowl'],
  yoghurt: ['', 'bowl'],
  sugar: ['', 'bowl'],
  boiled: ['boiled down', 'pan'],
  curdled: ['curdled, with its whey', 'pan'],
  hung: ['drained', 'cloth'],
  caramel: ['caramelised', 'pan'],
}

/** A batch as the Book tells it: what was told of each reach beside what it gave. */
export function reachesTold(story: BookStory, batch: SweetBatch | null): Shown[] {
  const steps = new Map(batch?.steps.map((s) => [s.key, s]))
  const fed = new Set(story.river.filter((r) => r.batch != null).map((r) => r.into))
  const parts = new Map(story.parts.map((p) => [p.id, p.name]))
  return story.river.map((r) => {
    const step = r.what === 'step' ? steps.get(r.key) : undefined
    const [says, glyph] = SAYS[r.what] ?? ['', 'bowl']
    const off = Math.abs(r.out_kg - r.told_kg) >= 0.0015
    const told = off ? `told ${grams(r.told_kg)}` : ''
    return {
      ...{ key: r.key, into: r.into, in_kg: r.in_kg, out_kg: r.out_kg, batch: r.batch ?? null },
      say: short(says || r.name),
      phase: step?.phase ?? 'done',
      milk: r.what !== 'step' || Boolean(step?.base),
      glyph: step ? glyphOf(step) : glyph,
      weighed: r.weighed,
      mark: r.weighed && !r.name ? ' weighed' : '',
      leaves: leaving(r),
      time: told || (r.batch == null ? '' : (parts.get(r.batch) ?? '')),
      here: false,
      over: false,
      // what a base was made of flows into it already
      rows: batch && step && !fed.has(r.key) ? rowsOf(batch, r.key) : [],
    }
  })
}
