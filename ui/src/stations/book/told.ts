import type { BookStory, Range } from '@/api/client'
import type { LiveAny } from '@/api/kitchen'
import { cm, day, minutes, money, weight } from '@/say'
import { caramelAgain, curdAgain, reduceAgain } from '@/stations/bench/again'
import { again } from '@/stations/sweets/sweet'
import { toldAgain } from '@/stations/sweets/told'

/** A figure of a batch: what was told of it, what it came to, and how that stands to it. */
export interface Figure {
  what: string
  told: string
  got: string
  how: string
}
const ranged = (r: Range, say: (x: number) => string) =>
  r.low === r.high ? say(r.likely) : `${say(r.likely)} (${say(r.low)}–${say(r.high)})`
/** What was told when it began, where a base came off otherwise since. */
const atFirst = (now: Range, first: Range | null | undefined, say: (x: number) => string) =>
  first && say(first.likely) !== say(now.likely) ? `; ${say(first.likely)} at first` : ''
const stands = (got: number | null, r: Range, less: string, more: string, none: string) =>
  got === null ? none : got < r.low ? less : got > r.high ? more : 'as told'

/** What was told beside what came of it, for any kind. */
export function figuresOf(story: BookStory, currency: string): Figure[] {
  const { line, money: paid, kept } = story
  const found: Figure[] = []
  if (line.told_pieces)
    found.push({
      what: line.many,
      told:
        ranged(line.told_pieces, String) + atFirst(line.told_pieces, story.first_pieces, String),
      got: line.counted === null ? '' : String(line.counted),
      how: stands(
        line.counted,
        line.told_pieces,
        'fewer than told',
        'more than told',
        'not counted',
      ),
    })
  found.push({
    what: 'to serve',
    told: ranged(line.told_kg, weight) + atFirst(line.told_kg, story.first_kg, weight),
    got: line.weighed_kg === null ? '' : weight(line.weighed_kg),
    how: stands(line.weighed_kg, line.told_kg, 'less than told', 'more than told', 'not weighed'),
  })
  if (line.counted && line.weighed_kg)
    found.push({
      what: `a ${line.one}`,
      told: '',
      got: weight(line.weighed_kg / line.counted),
      how: '',
    })
  if (line.told_s)
    found.push({
      what: 'minutes after the first boil',
      told: ranged(line.told_s, minutes),
      got: line.took_s === null ? '' : minutes(line.took_s),
      how: stands(line.took_s, line.told_s, 'sooner than told', 'later than told', 'not off yet'),
    })
  if (line.whey_kg !== null)
    found.push({ what: 'whey', told: '', got: weight(line.whey_kg), how: '' })
  if (paid) {
    const cash = (x: number) => money(x, currency)
    found.push({
      what: 'it cost',
      told: cash(paid.planned),
      got: cash(paid.spent),
      how: [
        paid.each === null ? '' : `${cash(paid.each)} a ${line.one}`,
        paid.saved === null ? '' : saved(paid.saved, cash),
      ]
        .filter(Boolean)
        .join(', '),
    })
  }
  if (kept.gone_at_s !== null && kept.made_at_s !== null) {
    const days = Math.floor((kept.gone_at_s - kept.made_at_s) / 86_400)
    found.push({
      what: 'it kept',
      told: '',
      got: days < 1 ? 'under a day' : `${days} ${days === 1 ? 'day' : 'days'}`,
      how: WHY[kept.why ?? 'used-up'],
    })
  }
  return found
}
const saved = (x: number, cash: (x: number) => string) =>
  x >= 0 ? `${cash(x)} less than bought` : `${cash(-x)} more than bought`
export const WHY = {
  'used-up': 'all eaten or used',
  spoiled: 'then it had spoiled',
  spilt: 'then it was spilt',
  'not-liked': 'nobody liked it',
} as const

/** How deep it stood when it came off, of a reduction. */
export function depthOf(batch: LiveAny, stop_m: number): Figure | null {
  const last = batch.kind === 'reduce' ? batch.points.at(-1) : undefined
  if (batch.kind !== 'reduce' || !batch.off_at_s || !last) return null
  return {
    what: 'depth when it came off, cm',
    told: cm(stop_m),
    got: cm(last.depth_m),
    how: 'as estimated',
  }
}

/** The sentence of its plan again; none of one that can be planned no more. */
export function againOf(batch: LiveAny) {
  switch (batch.kind) {
    case 'reduce':
      return reduceAgain(batch.words)
    case 'curdle':
    case 'strain':
      return curdAgain(batch)
    case 'caramel':
      return caramelAgain(batch)
    case 'sweet':
      return batch.on_paper
        ? toldAgain(batch.name, batch.on_paper)
        : { path: '/sweets', query: again(batch.plan) }
  }
}

/** Its page on the Stove, with its log. */
export const onStove = ({ id, kind }: { id: number; kind: BookStory['line']['kind'] }) =>
  kind === 'reduce'
    ? `/stove/${id}`
    : kind === 'sweet'
      ? `/stove/sweet/${id}`
      : kind === 'caramel'
        ? `/stove/caramel/${id}`
        : `/stove/curd/${id}`

/** What was done, as the story begins: before and after the words of what went in. */
export function didOf({ line }: BookStory): [before: string, what: string, after: string] {
  const when = day(line.created_at_s)
  switch (line.kind) {
    case 'reduce':
      return [
        `On ${when} you took`,
        line.of,
        line.took_s === null
          ? ''
          : `It was on for ${minutes(line.took_s)} minutes after the first boil.`,
      ]
    case 'curdle':
      return [`On ${when} you curdled`, line.of, '']
    case 'strain':
      return [`On ${when} you hung`, line.of, '']
    case 'caramel':
      return [`On ${when} you cooked`, line.of, '']
    case 'sweet':
      return [`On ${when} you made`, line.name, line.of]
  }
}
