import type { Trace } from './rehearsal'

const OFTEN = ['stir', 'scrape', 'fold', 'turn', 'swirl']

/** What was done, as words along the curve: a word that would stand on another waits, and one said again at once is said once. */
export function wordsAt(
  run: Trace,
  x: (seconds: number) => number,
  least: number,
): { x: number; text: string }[] {
  const found: { x: number; text: string }[] = []
  for (const act of run.acts) {
    if (OFTEN.includes(act.kind)) continue
    const at = x(act.at_s)
    const last = found.at(-1)
    if (last && at - last.x < Math.max(least, last.text.length * 6.4)) continue
    found.push({ x: at, text: act.says })
  }
  return found
}

/** The mark of a run at a time, or its last. */
export function markAt(run: Trace, seconds: number): number {
  let at = 0
  while (at + 1 < run.at_s.length && run.at_s[at + 1]! <= seconds) at++
  return at
}

/** Time since it began: minutes and seconds, or hours and minutes. */
export const minute = (seconds: number) =>
  seconds < 3600
    ? `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`
    : `${Math.floor(seconds / 3600)} h ${Math.floor((seconds % 3600) / 60)} min`
/** How long a run took, in words. */
export const lasted = (seconds: number) =>
  seconds < 90
    ? 'a minute'
    : seconds < 3600
      ? `${Math.round(seconds / 60)} minutes`
      : minute(seconds)
