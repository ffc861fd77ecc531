/** Where the steps of a making stand along its river, and how wide that is: pure geometry, nothing of the screen. */

export interface Reach {
  key: string
  /** The step that it goes on into; empty at the end. */
  into: string
  in_kg: number
  out_kg: number
}

/** A step's place: columns from the left, lanes from above; the lane of the end is the first. */
export interface Place {
  column: number
  lane: number
}

/** Each step as many columns before the end as there are steps to go; what flows in beside the main stream has its own lane. */
export function placesOf(steps: Reach[]): Map<string, Place> {
  const by = new Map(steps.map((s) => [s.key, s]))
  const toGo = (key: string): number => {
    const into = by.get(key)?.into
    return into && by.has(into) ? 1 + toGo(into) : 0
  }
  const longest = Math.max(0, ...steps.map((s) => toGo(s.key)))
  const feeders = (key: string) => steps.filter((s) => s.into === key)
  const chain = (key: string): number => 1 + Math.max(0, ...feeders(key).map((s) => chain(s.key)))
  const places = new Map<string, Place>()
  const taken = new Set<string>()
  const free = (from: number, to: number) => {
    for (let lane = 0; ; lane++) {
      const columns = Array.from({ length: to - from + 1 }, (_, i) => from + i)
      if (columns.every((c) => !taken.has(`${c} ${lane}`))) return lane
    }
  }
  const lay = (key: string, lane: number) => {
    const column = longest - toGo(key)
    places.set(key, { column, lane })
    taken.add(`${column} ${lane}`)
    // the longest way goes straight on, of two alike the heavier
    const from = feeders(key).sort((a, b) => chain(b.key) - chain(a.key) || b.out_kg - a.out_kg)
    from.forEach((s, i) => {
      if (i === 0) lay(s.key, lane)
      else lay(s.key, free(column - chain(s.key), column - 1))
    })
  }
  for (const s of steps)
    if (!s.into || !by.has(s.into)) lay(s.key, free(longest - chain(s.key) + 1, longest))
  return places
}

export const columnsOf = (places: Map<string, Place>) =>
  1 + Math.max(0, ...[...places.values()].map((p) => p.column))
export const lanesOf = (places: Map<string, Place>) =>
  1 + Math.max(0, ...[...places.values()].map((p) => p.lane))

/** Pixels of a column, a lane, the bank's height in a lane, and the river at its widest. */
export interface Measures {
  column: number
  lane: number
  bank: number
  widest: number
}

const round = (x: number) => Math.round(x * 10) / 10

/** Each step's reach of the river, from where it comes in to where it goes on, as an SVG path below its bank. */
export function reaches(
  steps: Reach[],
  places: Map<string, Place>,
  m: Measures,
): { key: string; path: string; into: string }[] {
  const most = Math.max(1e-9, ...steps.map((s) => s.in_kg))
  const px = (kg: number) => Math.max(2, (kg / most) * m.widest)
  return steps.map((s) => {
    const { column, lane } = places.get(s.key)!
    const [x0, y0] = [column * m.column, lane * m.lane + m.bank]
    const end = x0 + m.column
    const [wide, narrow] = [px(s.in_kg), px(s.out_kg)]
    const next = places.get(s.into)
    const y1 = next ? next.lane * m.lane + m.bank : y0
    const middle = x0 + (next && y1 !== y0 ? 0.84 : 0.55) * m.column
    const stretch = [
      `M${x0} ${y0}H${round(middle)}`,
      next && y1 !== y0
        ? `C${round(x0 + 0.98 * m.column)} ${y0} ${round(x0 + 0.86 * m.column)} ${y1} ${end} ${y1}`
        : `H${end}`,
      `V${round(y1 + narrow)}`,
      next && y1 !== y0
        ? `C${round(x0 + 0.9 * m.column)} ${round(y1 + narrow)} ${round(x0 + 1.02 * m.column)} ${round(y0 + narrow)} ${round(middle)} ${round(y0 + narrow)}`
        : `H${round(middle)}`,
      `C${round(x0 + 0.35 * m.column)} ${round(y0 + narrow)} ${round(x0 + 0.3 * m.column)} ${round(y0 + wide)} ${x0} ${round(y0 + wide)}Z`,
    ]
    return { key: s.key, path: stretch.join(''), into: s.into }
  })
}
