import { SHADES_C } from '@/api/shared'

export type SeenShade = keyof typeof SHADES_C

export interface ShadeDrawn {
  key: SeenShade
  text: string
  from: number
  to: number
  colour: string
  /** on which ink or enamel is read */
  deep: boolean
}

const drawn = (key: SeenShade, text: string, colour: string, deep = false): ShadeDrawn => ({
  key,
  text,
  from: SHADES_C[key][0],
  to: SHADES_C[key][1],
  colour,
  deep,
})
/** Shades of dry caramel as they are drawn: data, the same by night. */
export const SHADES: ShadeDrawn[] = [
  drawn('clear', 'clear', '#f6f0d6'),
  drawn('straw', 'straw', '#eeda97'),
  drawn('pale-gold', 'pale gold', '#e3b457'),
  drawn('amber', 'amber', '#c78636'),
  drawn('deep-amber', 'deep amber', '#84431a', true),
  drawn('dark', 'bitter', '#35201a', true),
]
/** What one may stop at. */
export const GOALS = SHADES.slice(1, 5)

export const shadeOf = (key: string) => SHADES.find((s) => s.key === key) ?? SHADES[0]!
export const shadeAt = (celsius: number) =>
  [...SHADES].reverse().find((s) => celsius >= s.from) ?? SHADES[0]!

const hex = (colour: string) => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16))
/** The pool's own colour, which changes evenly from the middle of a shade to the next. */
export function colourAt(celsius: number): string {
  const middles = SHADES.map((s) => (s.from + s.to) / 2)
  const after = middles.findIndex((m) => m >= celsius)
  if (after === 0) return SHADES[0]!.colour
  if (after < 0) return SHADES.at(-1)!.colour
  const share = (celsius - middles[after - 1]!) / (middles[after]! - middles[after - 1]!)
  const [one, two] = [hex(SHADES[after - 1]!.colour), hex(SHADES[after]!.colour)]
  return `rgb(${one.map((v, i) => Math.round(v + share * (two[i]! - v))).join(' ')})`
}

/** Where a temperature stands on the right half of the rim, degrees clockwise from three o'clock: 3 a °C. */
export const angleAt = (celsius: number) => -75 + 3 * (Math.min(190, Math.max(140, celsius)) - 140)

export function onRim(cx: number, cy: number, r: number, celsius: number): [number, number] {
  const a = (angleAt(celsius) * Math.PI) / 180
  return [cx + r * Math.cos(a), cy + r * Math.sin(a)]
}

/** A piece of the rim from one temperature to another, as an SVG path. */
export function rimPiece(
  cx: number,
  cy: number,
  inner: number,
  outer: number,
  from: number,
  to: number,
): string {
  const p = (r: number, c: number) =>
    onRim(cx, cy, r, c)
      .map((x) => x.toFixed(1))
      .join(' ')
  return `M${p(inner, from)}L${p(outer, from)}A${outer} ${outer} 0 0 1 ${p(outer, to)}L${p(inner, to)}A${inner} ${inner} 0 0 0 ${p(inner, from)}Z`
}

/** How much of the sugar is still in grains. */
export const grains = (celsius: number) => Math.min(1, Math.max(0, (165 - celsius) / 25))
