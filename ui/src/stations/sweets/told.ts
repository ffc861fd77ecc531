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

/** One height of the river: kg in it there, what comes in from its line, what has gone off as steam or whey since the one above. */
export interface Height {
  line: number
  y: number
  kg: number
  in_kg: number
  off_kg: number
  off: 'steam' | 'whey'
}

/** What is in the pan from line to line. */
export function riverOf(told: Told, ys: number[]): Height[] {
  const heights: Height[] = []
  let kg = 0
  const y = (line: number) => ys[line] ?? line * 64 + 28
  const between = (line: number) => (y(line) + y(line + 1)) / 2
  const cookedAt = told.cooks ? lastWord(told) : -1
  told.lines.forEach((line, at) => {
    const grams = line.kind === 'in' && line.key ? (line.grams ?? 0) / 1e3 : 0
    if (grams) {
      kg += grams
      heights.push({ line: at, y: y(at), kg, in_kg: grams, off_kg: 0, off: 'steam' })
    }
    const base = told.bases.find((b) => b.line === at)
    if (base) {
      const off_kg = base.start_kg - base.made_kg
      kg -= off_kg
      const off = base.made_by === 'reduce' ? 'steam' : 'whey'
      heights.push({ line: at, y: between(at), kg, in_kg: 0, off_kg, off })
    }
    if (at === cookedAt) {
      const off_kg = told.bowl_kg - told.cooked_kg
      kg -= off_kg
      const bend = line.kind === 'down' ? y(at) : between(at)
      heights.push({ line: at, y: bend, kg, in_kg: 0, off_kg, off: 'steam' })
    }
  })
  return heights
}

/** The line at which all of it was cooked on: the last that boils it down, or the last before what came of it. */
function lastWord(told: Told): number {
  const downs = told.lines.flatMap((line, at) => (line.kind === 'down' ? [at] : []))
  const ins = told.lines.flatMap((line, at) => (line.kind === 'in' ? [at] : []))
  return downs.at(-1) ?? ins.at(-1) ?? 0
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
