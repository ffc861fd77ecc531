import type { AllLearned, LearnedNumber, Range } from '@/api/client'
import { percent } from '@/say'

type Family = LearnedNumber['family']
type Measure = AllLearned['next'][number]

/** Numbers of one family under their heading, with the unit that they are told in. */
export interface Group {
  family: Family
  title: string
  unit: string
  numbers: LearnedNumber[]
}
const GROUPS: [Family, string, string][] = [
  ['rate', 'What your flames take off', 'g a minute'],
  ['yield', 'Chhena from your milks', '% of the table'],
  ['drain', 'How long your cloths hang', '% of the table'],
  ['loss', 'What stays in your bowls', '% of the table'],
  ['uptake', 'What your sweets drink', '% of the table'],
  ['step', 'What your hands take', '% of the table'],
]
export const groupsOf = (told: AllLearned): Group[] =>
  GROUPS.map(([family, title, unit]) => ({
    ...{ family, title, unit },
    numbers: told.numbers.filter((n) => n.family === family),
  })).filter((g) => g.numbers.length)

const G_MINUTE = 60_000
/** What one time the table's figure is, in the unit of its group. */
export const unitOf = (n: LearnedNumber) => (n.table_kg_s == null ? 100 : n.table_kg_s * G_MINUTE)
export const scaled = (r: Range, by: number): Range => ({
  low: r.low * by,
  likely: r.likely * by,
  high: r.high * by,
})

/** Where an axis ends that holds all of a group: a round figure beyond the furthest. */
export function axisEnd(g: Group): number {
  return stepOf(g) * Math.ceil(furthestOf(g) / stepOf(g))
}
export const marksOf = (g: Group) =>
  Array.from({ length: axisEnd(g) / stepOf(g) + 1 }, (_, i) => i * stepOf(g))
const stepOf = (g: Group) => [10, 20, 25, 50, 100].find((s) => furthestOf(g) / s <= 6) ?? 200
const furthestOf = (g: Group) =>
  Math.max(...g.numbers.map((n) => Math.max(n.times.high, n.table_times.high) * unitOf(n)))

/** How surely it is known: of the next batch. */
export function trust(n: LearnedNumber): string {
  const from = n.batches === 1 ? '1 batch' : `${n.batches} batches`
  return n.batches
    ? `${from}, ±${percent(n.trust)}`
    : `table value, not yours, ±${percent(n.trust)}`
}

const MUCH: Partial<Record<Family, string>> = {
  yield: 'it gave',
  loss: 'stayed behind',
  uptake: 'they drank',
}
/** A shift, as it is asked about. */
export function shifted(n: LearnedNumber): string {
  const by = percent(Math.abs(1 - n.drift!.times))
  const more = n.drift!.times > 1
  const how =
    n.family === 'rate'
      ? `${by} ${more ? 'quicker' : 'slower'} than it was`
      : MUCH[n.family]
        ? `${by} ${more ? 'more' : 'less'} than ${MUCH[n.family]}`
        : `${by} ${more ? 'longer' : 'shorter'} than it took`
  return `${how}, ${n.drift!.batches.length} batches running`
}
export const WHENCE: Record<Family, string> = {
  rate: 'Gas low, a new hob, another season?',
  yield: 'Another supplier, thinner milk, more squeezing?',
  drain: 'A washed cloth, a colder fridge, another yoghurt?',
  loss: 'A new bowl, another spatula, other hands?',
  uptake: 'Another chhena, a thinner syrup, a longer soak?',
  step: 'Another pair of hands, a new tool?',
  thickness: '',
}

/** What to measure, how, and in how many minutes of the cook’s own. */
export function toDo(m: Measure): { what: string; how: string } {
  switch (m.how) {
    case 'weigh-reduced':
      return {
        what: `Weigh the next batch on ${m.name}`,
        how: 'Log the first boil and the end, and put what came off on the scale: a minute.',
      }
    case 'time-burner':
      return {
        what: `Time ${m.name} with water`,
        how: 'In the Larder: boil a pan of water hard for four minutes, weigh it before and after.',
      }
    case 'weigh-curd':
      return {
        what: `Weigh the next chhena of ${m.name}`,
        how: 'Squeezed as always, on the scale before it is kneaded: half a minute.',
      }
    case 'weigh-hung':
      return {
        what: `Weigh the next curd hung in ${m.name}`,
        how: 'When you take it down, or its whey on the way, logged on the Stove: half a minute.',
      }
    case 'time-step':
      return {
        what: `Time once more: ${m.name}`,
        how: 'Begin the step on the Stove when your hands begin, and end it when they end.',
      }
  }
}
const OF_WHAT: Record<Measure['how'], string> = {
  'weigh-reduced': 'How fast it boils down',
  'time-burner': 'Its strength',
  'weigh-curd': 'The chhena it gives',
  'weigh-hung': 'How long it hangs',
  'time-step': 'Your minutes for it',
}
export const narrows = (m: Measure) =>
  `${OF_WHAT[m.how]}: known to ±${percent(m.now)}, then to ±${percent(m.after)}; ${m.uses === 1 ? 'one of your newest plans rests' : `${m.uses} of your newest plans rest`} on it.`
