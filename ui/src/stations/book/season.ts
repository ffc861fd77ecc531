import type { Season } from '@/api/client'
import { percent } from '@/say'

type Sum = Season['whole']
type Strip = Season['strips'][number]

const MONTHS = Array.from({ length: 12 }, (_, i) => i)
export const monthName = (index: number, form: 'narrow' | 'long') =>
  new Date(Date.UTC(2027, index, 15)).toLocaleDateString('en-GB', { month: form, timeZone: 'UTC' })

/** All twelve months of a year, those with nothing in them too. */
export const monthsOf = (told: Season): { index: number; sum: Sum | null }[] =>
  MONTHS.map((index) => ({
    index,
    sum:
      told.months.find((m) => m.month === `${told.year}-${String(index + 1).padStart(2, '0')}`)
        ?.sum ?? null,
  }))

/** The milks of a year, the most of them first. */
export const milksOf = (told: Season): string[] =>
  Object.entries(told.whole.milks)
    .sort((a, b) => b[1] - a[1])
    .map(([name]) => name)

/** A glass of milk: each milk as a layer from below, as shares of the fullest month. */
export function layers(sum: Sum | null, milks: string[], most: number) {
  let from = 0
  return milks.flatMap((name) => {
    const share = most ? (sum?.milks[name] ?? 0) / most : 0
    const layer = { name, from, share }
    from += share
    return share ? [layer] : []
  })
}
export const fullest = (told: Season) => Math.max(0, ...told.months.map((m) => m.sum.milk_m3))

export const litres = (m3: number) => `${(m3 * 1000).toFixed(m3 < 0.1 ? 1 : 0)} L`
export const hours = (seconds: number) =>
  seconds < 5400 ? `${Math.round(seconds / 60)} minutes` : `${(seconds / 3600).toFixed(1)} hours`

const OF: Record<string, string> = {
  weight: 'Weights',
  minutes: 'Minutes after the first boil',
  pieces: 'Pieces',
}
export const titleOf = (s: Strip) => OF[s.of] ?? `Chhena of ${s.milk}`

/** How its batches stood to what was told, and whether that moved on the way. */
export function verdictOf(s: Strip): string {
  const n = s.points.length
  const held = Math.round(s.within * n)
  const counted = n === 1 ? (held ? 'as told' : 'not as told') : `${held} of ${n} as told`
  const by = s.drift == null ? 0 : s.drift - 1
  if (Math.abs(by) < 0.04) return counted
  const lately = `${percent(Math.abs(by))} ${by > 0 ? 'more' : 'less'} lately than before`
  return s.of === 'chhena' && by < 0
    ? `${counted}; ${lately}: has this milk thinned?`
    : `${counted}; ${lately}`
}

const REACH = 0.4
/** Where a share of what was told stands in a strip, 0 at the top; what lies beyond stays at its edge. */
export const height = (times: number) =>
  (1 - Math.max(-REACH, Math.min(REACH, times - 1)) / REACH) / 2
