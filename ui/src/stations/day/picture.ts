import type { DayOut } from '@/api/client'
import { hourOf } from '@/stations/sweets/serving'
import { nearHours, type ColdBar, type Stay } from './day'

/** What a picture of the day draws, whichever way its hours run. */

/** How far a bar reaches for its flame, of the most. */
export const FLAME = { strong: 1, medium: 0.69, gentle: 0.36 }

/** The corners of a stay as steps of its flame: moments, and the share of the most that it reaches then. */
export function stepsOf(stay: Stay): { s: number; share: number }[] {
  const corners = [{ s: stay.start_s, share: 0 }]
  for (const part of stay.parts) {
    const share = FLAME[part.flame ?? 'gentle']
    corners.push({ s: corners.at(-1)!.s, share }, { s: part.end_s, share })
  }
  return [...corners, { s: stay.end_s, share: corners.at(-1)!.share }, { s: stay.end_s, share: 0 }]
}

/** Rows of the fridge, then of the freezer: a bar takes the first that is free. */
export function coldRows(bars: ColdBar[]): { bar: ColdBar; row: number }[] {
  const taken: { at: ColdBar['at']; until: number }[] = []
  return [...bars]
    .sort((a, b) => (a.at === b.at ? a.start_s - b.start_s : a.at < b.at ? 1 : -1))
    .map((bar) => {
      let row = taken.findIndex((r) => r.at === bar.at && r.until <= bar.start_s)
      if (row < 0) row = taken.push({ at: bar.at, until: 0 }) - 1
      taken[row]!.until = bar.end_s
      return { bar, row }
    })
}

/** Hours to write where there is room: when a sweet is due, the ends of what is drawn wide, and full hours inside. */
export function hoursOf(plan: DayOut, at: (s: number) => number, room: number) {
  const found: { s: number; text: string; due: boolean }[] = []
  const add = (s: number, due: boolean) => {
    if (found.some((t) => Math.abs(at(t.s) - at(s)) < room)) return
    found.push({ s, text: hourOf(s * 1000), due })
  }
  const near = nearHours(plan)
  plan.sweets.forEach((s) => add(s.due_s, true))
  near.forEach(([a]) => add(Math.ceil(a / 900) * 900, false))
  near.forEach(([a, b]) => {
    const start = new Date(a * 1000)
    start.setMinutes(0, 0, 0)
    for (let s = start.getTime() / 1000 + 3600; s < b; s += 3600) add(s, false)
  })
  return found.sort((a, b) => a.s - b.s)
}

/** Where the day changes, with the name of the new one. */
export function nightsOf(plan: DayOut): { s: number; text: string }[] {
  const found: { s: number; text: string }[] = []
  const day = new Date(plan.start_s * 1000)
  day.setHours(24, 0, 0, 0)
  for (; day.getTime() / 1000 < plan.end_s; day.setDate(day.getDate() + 1))
    found.push({
      s: day.getTime() / 1000,
      text: day.toLocaleDateString('en-GB', { weekday: 'long' }),
    })
  return found
}
