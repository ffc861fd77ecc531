import { colourAt } from '@/caramel/shades'
import { milkColour } from '@/theme/milk'
import { interpolateRgb } from '@/theme/mix'
import { bag, balls, bowl, dot, filled, foam, hob, ink, mould, pot, type Drawing } from './shapes'

/** What the server tells of a vessel to draw it by: numbers by name, m and shares. */
export type View = Record<string, number>

export const WIDE = 320
export const HIGH = 240
const FLOOR = 236
const CX = 160
/** So many px a metre: the largest pan fills the frame. */
const SCALE = 820

const of = (v: View, key: string, usual = 0) => v[key] ?? usual

function panOn(v: View, fill: string): Drawing {
  const wide = Math.min(250, of(v, 'wide_m', 0.24) * SCALE)
  const tall = Math.min(150, of(v, 'rim_m', 0.12) * SCALE)
  const level = of(v, 'depth_m') / of(v, 'rim_m', 0.12)
  const floor = FLOOR - 18
  return [
    ...hob(CX, FLOOR, Math.max(120, wide * 0.9), of(v, 'flame') * 1.7),
    ...pot({ cx: CX, floor, wide, tall, level, fill, round: of(v, 'round') > 0 }),
    ...(of(v, 'foam_m') > 0.004 && level > 0
      ? [foam(CX, floor - tall * Math.min(1, level) + 1, wide - 10, of(v, 'foam_m') * SCALE)]
      : []),
    ...(of(v, 'lid') > 0 ? lidOn(floor - tall, wide) : []),
  ]
}
const lidOn = (top: number, wide: number): Drawing => [
  filled(
    `M${CX - wide / 2 - 4} ${top - 2}c8-18 ${wide / 4}-22 ${wide / 2 + 4}-22s${wide / 2 - 4} 4 ${wide / 2 + 4} 22z`,
    'var(--hollow)',
    2.4,
  ),
  dot(CX, top - 28, 5, 'var(--iron)'),
]
function inPan(v: View) {
  const wide = Math.min(250, of(v, 'wide_m', 0.24) * SCALE)
  const tall = Math.min(150, of(v, 'rim_m', 0.12) * SCALE)
  const level = Math.min(1, of(v, 'depth_m') / of(v, 'rim_m', 0.12))
  return { wide, y: FLOOR - 18 - tall * level, floor: FLOOR - 18 }
}

function ofPan(v: View): Drawing {
  const made = panOn(v, milkColour(of(v, 'milk_times', 1)))
  const { wide, y } = inPan(v)
  if (of(v, 'skin') > 1)
    made.push(
      ink(`M${CX - wide * 0.36} ${y - 1}q${wide * 0.18}-6 ${wide * 0.36} 0t${wide * 0.36} 0`, 3),
    )
  return made
}

function ofCurd(v: View): Drawing {
  if (of(v, 'cloth') > 0)
    return [...bag(CX, 8, 150, of(v, 'wet')), ...bowl(CX, FLOOR, 150, 0.75 - 0.4 * of(v, 'wet'))]
  const curd = of(v, 'curd')
  const made = panOn(v, interpolateRgb('#fffef8', '#dfe8c6', curd))
  const { wide, y, floor } = inPan(v)
  const grains = Math.round(curd * 26)
  for (let i = 0; i < grains; i++) {
    const x = CX + (((i * 53) % 100) / 100 - 0.5) * wide * 0.8
    made.push(dot(x, y + 12 + ((i * 37) % Math.max(12, floor - y - 20)), 4 + curd * 3, '#fffef8'))
  }
  return made
}

const ofCloth = (v: View): Drawing => [
  ...(of(v, 'cold') > 0
    ? [ink(`M52 6h216v${FLOOR - 6}H52z`, 3), ink(`M52 22h216`, 2)]
    : [ink('M24 8h272', 3)]),
  ...(of(v, 'cloth') > 0 ? bag(CX, 26, 130, Math.max(of(v, 'drips'), 0.1)) : []),
  ...bowl(CX, FLOOR - 4, 150, Math.min(0.9, of(v, 'whey') * 1.6)),
]

function ofCaramel(v: View): Drawing {
  const sugar = colourAt(of(v, 'shade_c', 20))
  const fill =
    of(v, 'milk') > 0 ? interpolateRgb(hex(sugar), '#f3e2b8', of(v, 'milk') * 0.75) : sugar
  const made = panOn({ ...v, depth_m: Math.max(0.012, of(v, 'depth_m')) }, fill)
  const { wide, y, floor } = inPan({ ...v, depth_m: Math.max(0.012, of(v, 'depth_m')) })
  const lumps = Math.round(Math.max(of(v, 'hard'), of(v, 'crystals')) * 12)
  for (let i = 0; i < lumps; i++)
    made.push(
      dot(
        CX + (((i * 61) % 100) / 100 - 0.5) * wide * 0.7,
        Math.min(floor - 5, y + 6 + ((i * 17) % 10)),
        4,
        of(v, 'milk') > 0 ? '#84431a' : '#fffef8',
      ),
    )
  if (of(v, 'edge') > 0.3)
    made.push(ink(`M${CX - wide * 0.45} ${y + 3}h14M${CX + wide * 0.45} ${y + 3}h-14`, 4))
  return made
}
/** "rgb(1 2 3)" and "rgb(1,2,3)" as #rrggbb. */
function hex(colour: string): string {
  if (colour.startsWith('#')) return colour
  const [r, g, b] = colour.match(/\d+/g)!.map(Number)
  return '#' + [r!, g!, b!].map((c) => c.toString(16).padStart(2, '0')).join('')
}

function ofBath(v: View): Drawing {
  const made = panOn(v, '#efe3c4')
  const { wide, y } = inPan(v)
  const r = Math.max(5, (of(v, 'ball_m', 0.028) * SCALE) / 2)
  made.push(
    ...balls(CX, y + r * 0.3, wide * 0.86, Math.round(of(v, 'balls') * 0.45 + 0.49), r, '#fffef8'),
  )
  if (of(v, 'rolls') > 0)
    made.push(ink(`M${CX - 40} ${y - 8}c-4-8 4-10 0-18M${CX + 40} ${y - 8}c-4-8 4-10 0-18`, 2))
  return made
}

function ofFry(v: View): Drawing {
  const made = panOn(v, '#ecd48c')
  const { wide, y } = inPan(v)
  const r = Math.max(5, (of(v, 'ball_m', 0.03) * SCALE) / 2)
  const brown = of(v, 'brown')
  const fill =
    brown < 1
      ? interpolateRgb('#f6e7c2', '#a8672c', brown)
      : interpolateRgb('#a8672c', '#35201a', brown - 1)
  made.push(...balls(CX, y + r * 0.4, wide * 0.8, Math.round(of(v, 'balls') * 0.5 + 0.49), r, fill))
  return made
}

function ofHalwa(v: View): Drawing {
  const made = panOn(v, of(v, 'milk') > 0 ? '#f0bf8d' : '#e8955a')
  const { wide, y, floor } = inPan(v)
  for (let i = 0; i < 22; i++) {
    const x = CX + (((i * 47) % 100) / 100 - 0.5) * wide * 0.66
    const at = y + 6 + ((i * 29) % Math.max(8, floor - y - 14))
    made.push(filled(`M${x} ${at}l12 ${(i % 3) * 4 - 4}`, 'none', 2.4))
  }
  return made
}

const ofFreeze = (v: View): Drawing => [
  ...(of(v, 'out') > 0
    ? []
    : [
        ink(`M40 6h240v${FLOOR - 8}H40z`, 3),
        ...(of(v, 'warm') > 0.4 ? [ink('M70 40c20-10 30 6 50-4M190 40c20-10 30 6 50-4', 2)] : []),
      ]),
  ...[-1, 0, 1].flatMap((i) =>
    mould(
      CX + i * 70,
      FLOOR - 4,
      118,
      of(v, 'out') > 0 ? Math.max(0, 1 - of(v, 'soft') * 0.5) : of(v, 'frozen'),
      of(v, 'sticks') > 0,
      of(v, 'lean') * (i || 0.6),
    ),
  ),
]

const KINDS: Record<string, (v: View) => Drawing> = {
  pan: ofPan,
  curd: ofCurd,
  cloth: ofCloth,
  caramel: ofCaramel,
  bath: ofBath,
  fry: ofFry,
  freeze: ofFreeze,
  halwa: ofHalwa,
}

/** How far down its drawing begins: above a low pan there is nothing to see. */
export function topOf(view: View): number {
  if (view.rim_m === undefined || (view.cloth ?? 0) > 0) return 0
  const tall = Math.min(150, view.rim_m * SCALE)
  return Math.max(0, Math.round(FLOOR - 18 - tall - 64))
}

/** A vessel as it stands, 320 wide and 240 high. */
export const vesselDrawing = (kind: string, view: View): Drawing => KINDS[kind]?.(view) ?? []
