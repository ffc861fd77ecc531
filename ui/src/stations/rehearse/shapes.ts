/** Pieces that the drawings of the school are put together from: pans, flames, spoons, cloths, balls, moulds. */

export interface Shape {
  tag: 'path' | 'rect' | 'circle' | 'line' | 'ellipse'
  at: Record<string, string | number>
}
export type Drawing = Shape[]

const path = (d: string, at: Record<string, string | number> = {}): Shape => ({
  tag: 'path',
  at: { d, ...at },
})
export const ink = (d: string, width = 2): Shape => path(d, { class: 'ink', 'stroke-width': width })
export const filled = (d: string, fill: string, width = 1.6): Shape =>
  path(d, { class: 'filled', fill, 'stroke-width': width })
export const dot = (cx: number, cy: number, r: number, fill: string): Shape => ({
  tag: 'circle',
  at: { cx, cy, r, class: 'filled', fill, 'stroke-width': 1.2 },
})

const n = (x: number) => Math.round(x * 100) / 100

/** A trivet with its burner, and so many flames of a height. */
export function hob(cx: number, floor: number, wide: number, flame: number): Drawing {
  const half = wide / 2
  const top = floor - 13
  const found = [
    ink(`M${n(cx - half * 0.3)} ${top}H${n(cx - half)}V${floor}`, 2.6),
    ink(`M${n(cx + half * 0.3)} ${top}H${n(cx + half)}V${floor}`, 2.6),
    path(`M${n(cx - half * 0.45)} ${floor - 3}h${n(half * 0.9)}v3h${n(-half * 0.9)}z`, {
      class: 'solid',
    }),
  ]
  for (let i = 0; flame > 0 && i < 5; i++) {
    const x = cx + (i - 2) * half * 0.2
    const h = 4 + 3 * flame
    found.push(
      path(
        `M${n(x - 2)} ${floor - 3}c-1.5-${n(h / 2)} 1.5-${n(h / 2)} 2-${n(h)}c.8 ${n(h / 2)} 3.5 ${n(h / 2)} 2 ${n(h)}z`,
        {
          class: 'flame',
        },
      ),
    )
  }
  return found
}

export interface PotAt {
  cx: number
  floor: number
  wide: number
  tall: number
  level: number
  fill: string
  round?: boolean
  handles?: boolean
}
/** A straight pot or a round kadhai in section, filled to a share of its height. */
export function pot({
  cx,
  floor,
  wide,
  tall,
  level,
  fill,
  round = false,
  handles = true,
}: PotAt): Drawing {
  const half = wide / 2
  const top = floor - tall
  const y = floor - tall * Math.min(1.05, Math.max(0, level))
  const at = (yy: number) => {
    if (!round) return half
    const up = Math.min(1, Math.max(0, (floor - yy) / tall))
    return half * Math.sqrt(Math.max(0.05, 1 - (1 - up) ** 2)) * 0.98 + half * 0.02
  }
  const wall = round
    ? `M${n(cx - half)} ${n(top)}C${n(cx - half * 0.95)} ${n(floor - tall * 0.2)} ${n(cx - half * 0.5)} ${n(floor)} ${n(cx)} ${n(floor)}C${n(cx + half * 0.5)} ${n(floor)} ${n(cx + half * 0.95)} ${n(floor - tall * 0.2)} ${n(cx + half)} ${n(top)}`
    : `M${n(cx - half)} ${n(top)}V${n(floor - 3)}q0 3 3 3H${n(cx + half - 3)}q3 0 3-3V${n(top)}`
  const found: Drawing = [path(wall, { class: 'inside' })]
  if (level > 0) {
    const steps = 7
    const left: string[] = []
    const right: string[] = []
    for (let i = 0; i <= steps; i++) {
      const yy = y + ((floor - y) * i) / steps
      left.push(`${n(cx - at(yy) + 1)} ${n(yy)}`)
      right.unshift(`${n(cx + at(yy) - 1)} ${n(yy)}`)
    }
    const body = round
      ? `M${left.join('L')}L${right.join('L')}Z`
      : `M${n(cx - half + 1)} ${n(y)}V${n(floor - 3)}q0 2 2 2H${n(cx + half - 3)}q2 0 2-2V${n(y)}Z`
    found.push(path(body, { class: 'milk', fill }))
    found.push(ink(`M${n(cx - at(y) + 2)} ${n(y)}H${n(cx + at(y) - 2)}`, 1.5))
  }
  found.push(path(wall, { class: 'iron' }))
  if (handles)
    for (const s of [-1, 1]) found.push(ink(`M${n(cx + s * half)} ${n(top + 5)}h${s * 6}`, 3.4))
  return found
}

export const foam = (cx: number, top: number, wide: number, high: number): Shape => {
  const half = wide / 2
  return filled(
    `M${n(cx - half)} ${n(top)}C${n(cx - half - 5)} ${n(top - high)} ${n(cx - half * 0.4)} ${n(top - high * 1.2)} ${n(cx - half * 0.2)} ${n(top - high * 0.8)}C${n(cx - 2)} ${n(top - high * 1.6)} ${n(cx + half * 0.5)} ${n(top - high * 1.5)} ${n(cx + half * 0.45)} ${n(top - high * 0.9)}C${n(cx + half)} ${n(top - high * 1.3)} ${n(cx + half + 6)} ${n(top - high * 0.5)} ${n(cx + half)} ${n(top)}Z`,
    '#fffef8',
  )
}

export const spoon = (x: number, y: number, tilt = 1): Drawing => [
  ink(
    `M${x} ${y}C${n(x + 4 * tilt)} ${y - 22} ${n(x + 8 * tilt)} ${y - 34} ${n(x + 12 * tilt)} ${y - 46}`,
    2.8,
  ),
  path(`M${n(x - 4)} ${y - 2}c-2 6 0 11 4 12 5-1 6-6 4-12z`, { class: 'solid' }),
]

/** Balls in rows, so many of one radius, between two walls, floating at y. */
export function balls(
  cx: number,
  y: number,
  wide: number,
  count: number,
  r: number,
  fill: string,
): Drawing {
  const a_row = Math.max(1, Math.floor(wide / (2 * r)))
  return Array.from({ length: count }, (_, i) => {
    const row = Math.floor(i / a_row)
    const here = Math.min(a_row, count - row * a_row)
    const x = cx + ((i % a_row) - (here - 1) / 2) * 2 * r
    return dot(n(x), n(y - row * 1.75 * r), n(r - 0.4), fill)
  })
}

/** A cloth that hangs from a stick over its bowl. */
export function bag(cx: number, top: number, tall: number, wet: number, fill = '#fdfcf7'): Drawing {
  const w = tall * 0.42
  return [
    ink(`M${n(cx - w)} ${top}h${n(2 * w)}`, 3.4),
    ink(`M${cx} ${top}v${n(tall * 0.14)}M${n(cx - 6)} ${n(top + tall * 0.1)}l6 6 6-6`, 2),
    filled(
      `M${n(cx - 3)} ${n(top + tall * 0.16)}c-3 ${n(tall * 0.12)}-${n(w)} ${n(tall * 0.2)}-${n(w)} ${n(tall * 0.42)}c0 ${n(tall * 0.2)} ${n(w * 0.6)} ${n(tall * 0.26)} ${n(w + 3)} ${n(tall * 0.28)}c${n(w * 0.5)}-2 ${n(w + 3)}-${n(tall * 0.08)} ${n(w + 3)}-${n(tall * 0.28)}c0-${n(tall * 0.22)}-${n(w)}-${n(tall * 0.3)}-${n(w)}-${n(tall * 0.42)}z`,
      fill,
    ),
    ...(wet > 0.05 ? [ink(`M${cx} ${n(top + tall * 0.92)}c-2 4-2 5 0 6 2-1 2-2 0-6z`, 1.4)] : []),
  ]
}
/** A bowl under it with whey to a share of its height. */
export const bowl = (cx: number, floor: number, wide: number, whey: number): Drawing => {
  const half = wide / 2
  const tall = wide * 0.26
  return [
    ...(whey > 0.02
      ? [
          path(
            `M${n(cx - half * (0.55 + 0.4 * whey))} ${n(floor - tall * whey)}H${n(cx + half * (0.55 + 0.4 * whey))}L${n(cx + half * 0.5)} ${floor}H${n(cx - half * 0.5)}Z`,
            { class: 'whey' },
          ),
        ]
      : []),
    ink(
      `M${n(cx - half)} ${n(floor - tall)}c2 ${n(tall * 0.7)} ${n(half * 0.3)} ${n(tall)} ${n(half * 0.6)} ${n(tall)}h${n(half * 0.8)}c${n(half * 0.3)} 0 ${n(half * 0.6)}-${n(tall * 0.3)} ${n(half * 0.6)}-${n(tall)}`,
      2.6,
    ),
  ]
}

/** A mould with its stick, so far frozen (0-1), leaning by degrees. */
export function mould(
  cx: number,
  floor: number,
  tall: number,
  frozen: number,
  stick: boolean,
  lean = 0,
): Drawing {
  const w = tall * 0.27
  const top = floor - tall
  return [
    filled(
      `M${n(cx - w)} ${top}L${n(cx - w * 0.8)} ${floor}H${n(cx + w * 0.8)}L${n(cx + w)} ${top}Z`,
      '#fbf3dc',
      2,
    ),
    ...(frozen > 0.1
      ? [
          path(
            `M${n(cx - w)} ${top}L${n(cx - w * 0.8)} ${floor}H${n(cx + w * 0.8)}L${n(cx + w)} ${top}H${n(cx + w * (1 - frozen * 0.9))}L${n(cx + w * 0.8 * (1 - frozen * 0.9))} ${n(floor - tall * 0.3 * frozen)}H${n(cx - w * 0.8 * (1 - frozen * 0.9))}L${n(cx - w * (1 - frozen * 0.9))} ${top}Z`,
            { class: 'ice' },
          ),
        ]
      : []),
    ...(stick
      ? [
          {
            tag: 'rect' as const,
            at: {
              x: n(cx - 2),
              y: n(top - tall * 0.35),
              width: 4,
              height: n(tall * 0.75),
              rx: 2,
              class: 'filled',
              fill: '#e3c283',
              'stroke-width': 1.4,
              transform: `rotate(${n(lean * 28)} ${cx} ${n(top + tall * 0.3)})`,
            },
          },
        ]
      : []),
  ]
}

export const bulb = (x: number, top: number, tall: number, share: number): Drawing => [
  filled(`M${x - 3} ${top}a3 3 0 0 1 6 0V${top + tall - 7}a5.500 5.500 0 1 1-6 0Z`, '#fdfcf7', 1.6),
  path(`M${x} ${n(top + (tall - 8) * (1 - share))}V${top + tall - 4}`, { class: 'mercury' }),
]
