import { ref, type Ref } from 'vue'
import type { Told } from '@/api/client'
import { MOST_LINES } from '@/api/shared'

/** A batch in the cook's own lines, as it stands in the address: one line under the other, answers by their line. */
export const TOLD_FIRST = { name: '', lines: '', answers: '', edit: '' }

/** What one writes, told by an example that is worked out with everybody's spoons. */
export const EXAMPLE = [
  '2 L buffalo milk to half',
  '5 big spoons of sugar, at the end',
  'a handful of pistachios',
  'cardamom',
  'gave 14 sticks, 1 020 g',
]

export const linesOf = (text: string) => text.split('\n').slice(0, MOST_LINES)
export const answersOf = (text: string): Record<string, string> =>
  Object.fromEntries(
    text
      .split(';')
      .map((pair) => pair.split('=') as [string, string])
      .filter(([at, answer]) => /^\d+$/.test(at) && answer),
  )
export const answersSaid = (answers: Record<string, string>) =>
  Object.entries(answers)
    .map(([at, answer]) => `${at}=${answer}`)
    .join(';')

/** Answers stay with their lines when a line comes in before them (`by` 1) or goes (`by` −1). */
export function shifted(answers: Record<string, string>, at: number, by: 1 | -1) {
  const moved: Record<string, string> = {}
  for (const [key, answer] of Object.entries(answers)) {
    const place = Number(key)
    if (by === -1 && place === at) continue
    moved[place >= at ? place + by : place] = answer
  }
  return moved
}

/**
 * What was told in one breath stands in the answer as a line each: the lines as they are then, the answers moved along
 * with theirs, and by how many lines each one moved. Null while the answer is to other words.
 */
export function inSingleLines(mine: string[], answered: string[], answers: Record<string, string>) {
  const moved: number[] = []
  let at = 0
  for (const line of mine) {
    moved.push(at)
    let whole = answered[at++] ?? ''
    const plainly = (text: string) => text.replace(/[\s,;.]+/g, ' ').trim()
    while (
      plainly(whole) !== plainly(line) &&
      plainly(line).startsWith(plainly(whole)) &&
      at < answered.length
    )
      whole += ` ${answered[at++]}`
    if (plainly(whole) !== plainly(line)) return null
  }
  if (at !== answered.length) return null
  const theirs = Object.entries(answers).map(([place, answer]) => [moved[Number(place)]!, answer])
  return { lines: answered, answers: Object.fromEntries(theirs) as Record<string, string>, moved }
}

/** The words of a batch that was told, to tell the next one from it. */
export const toldAgain = (
  name: string,
  paper: { lines: string[]; answers: Record<string, string> },
) => ({
  path: '/sweets/own',
  query: { name, lines: paper.lines.join('\n'), answers: answersSaid(paper.answers) },
})

/** The day of a moment as a calendar has it. */
export function calendarDay(ms: number): string {
  const at = new Date(ms)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
}
/** A day of the calendar as it is sent, s: nothing for today, else its noon. */
export const madeAt = (day: string | null): number | null =>
  !day || day === calendarDay(Date.now()) ? null : new Date(`${day}T12:00`).getTime() / 1000

/** A change of what is in the pan, and at which height of the drawing it stands. */
export type Height = Told['river'][number] & { y: number }

/** The river beside its lines: a change between two of them bends half way to the next. */
export function riverOf(told: Told, ys: number[]): Height[] {
  const y = (line: number) => ys[line] ?? line * 64 + 28
  return told.river.map((h) => ({
    ...h,
    y: h.beneath ? (y(h.line) + y(h.line + 1)) / 2 : y(h.line),
  }))
}

/** A line around the words in it that settle no amount by themselves. */
export function aroundLoose(text: string, loose: string): [before: string, loose: string] {
  const at = loose ? text.indexOf(loose) : -1
  return at < 0 ? ['', ''] : [text.slice(0, at), loose]
}

/** Where each line of the list stands, from its top. */
export function useHeights(): { ys: Ref<number[]>; measure: (list: HTMLElement | null) => void } {
  const ys = ref<number[]>([])
  const measure = (list: HTMLElement | null) => {
    if (!list) return
    const items = [...list.children] as HTMLElement[]
    ys.value = items.map((item) => item.offsetTop + 22)
  }
  return { ys, measure }
}

/** Less than this of a level says nothing of why it is so. */
const WORTH_SAYING = 0.1

/** What makes a level so: the lines that brought most of it, the most first, as places and in words. */
export function owedTo(shares: readonly number[], lines: readonly string[]) {
  const at = shares
    .map((share, place) => ({ share, place }))
    .filter((x) => x.share >= WORTH_SAYING)
    .sort((a, b) => b.share - a.share)
  const said = at.map(({ share, place }) => {
    const pct = Math.round(share * 100)
    return `${pct === 100 ? 'all' : `${pct} %`} of it from “${(lines[place] ?? '').trim()}”`
  })
  const words = said.length ? `${said.join(', ')}.` : ''
  return { lines: at.map((x) => x.place), words: words.replace(/^a/, 'A') }
}
