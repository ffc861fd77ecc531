import { check, figure, maybe } from '@/form/numbers'

/** A sweet's form (core/planning/sweets/forms.py) as lines to type in, and back. What the page does not show stays as it was. */
export type Form = Record<string, unknown>
export interface Line {
  what: string
  amount: string
}
export interface BaseLine {
  letter: string
  do: string
  of: string
  to: string
}
export interface Page {
  name: string
  one: string
  many: string
  size: string
  way: string
  ph: string
  cook: string
  lose: string
  bases: BaseLine[]
  mix: Line[]
  finish: Line[]
  steps: string
}
/** Names to type and the keys they stand for. */
export type Known = Record<string, string>

const RECKONED = ['cook', 'fry', 'soak', 'freeze', 'cool']
const called = (known: Known, key: string) => known[key] ?? key

export function firstSchool(form: Form): Form {
  const schools = form.schools as Record<string, Form>
  return schools[Object.keys(schools)[0]!]!
}

const said = (s: Form) =>
  `${String(s.say)} | ${typeof s.takes === 'number' ? `${s.takes} min` : String(s.takes)}`
const stepsOf = (form: Form) =>
  ((firstSchool(form).steps ?? form.steps ?? []) as Form[]).map(said).join('\n')

export function readForm(form: Form, known: Known): Page {
  const school = firstSchool(form)
  const piece = (school.piece ?? form.piece) as Form
  const lines = (table: unknown): Line[] =>
    Object.entries((table ?? {}) as Record<string, number>).map(([key, amount]) => ({
      what: called(known, key),
      amount: String(amount),
    }))
  return {
    name: String(form.name),
    one: String(form.one),
    many: String(form.many),
    size: String(piece.grams ?? piece.ml ?? piece.thick_mm ?? 100),
    way: String(piece.way),
    ph: String(school.ph ?? form.ph ?? 6.5),
    cook: school.cook === undefined ? '' : String(school.cook),
    lose: String(school.lose ?? form.lose ?? 3),
    bases: Object.entries((school.bases ?? {}) as Record<string, Form>).map(([letter, b]) => ({
      letter,
      do: String(b.do),
      of: String(b.of),
      to: b.ts !== undefined ? `${String(b.ts)} %` : String(b.x ?? b.water),
    })),
    mix: lines(school.mix),
    finish: lines(school.finish),
    steps: stepsOf(form),
  }
}

function table(lines: Line[], known: Known, letters: string[], where: string): Form {
  const made: Record<string, number> = {}
  for (const { what, amount } of lines) {
    const name = what.trim()
    if (!name) continue
    const key =
      letters.find((l) => l.toLowerCase() === name.toLowerCase()) ??
      Object.keys(known).find((k) => k === name) ??
      Object.entries(known).find(([, n]) => n.toLowerCase() === name.toLowerCase())?.[0]
    if (!key) throw new Error(`There is no “${name}” ${where}. Choose one of the list.`)
    const value = figure(amount)
    if (!(value >= 0)) throw new Error(`How much ${name}? Type just the number.`)
    made[key] = value
  }
  return made
}

function baseOf(b: BaseLine): Form {
  const to = figure(b.to.replace('%', ''))
  if (!(to > 0)) throw new Error(`How far is base ${b.letter} taken? Type just the number.`)
  const unit = b.do === 'reduce' ? (b.to.includes('%') ? 'ts' : 'x') : 'water'
  return { do: b.do, of: b.of, [unit]: to }
}

function pieceOf(page: Page, before: Form): Form {
  const size = figure(page.size)
  if (!(size > 0)) throw new Error('How large is a piece? Type just the number.')
  if (page.way === 'mould') return { way: 'mould', ml: size }
  const kept = before.way === page.way ? before : {}
  return page.way === 'slab'
    ? { ...kept, way: 'slab', thick_mm: size }
    : { ...kept, way: page.way, grams: size }
}

function stepsFrom(text: string): Form[] {
  return text
    .split('\n')
    .map((line) => line.split('|').map((part) => part.trim()))
    .filter(([say]) => say)
    .map(([say, takes = ''], i) => ({
      key: `step-${i + 1}`,
      say,
      takes:
        RECKONED.includes(takes) || takes.startsWith('base.')
          ? takes
          : figure(takes.replace(/[^\d.,]/g, '')) || 10,
      hands: !['freeze', 'cool', 'soak'].includes(takes),
      fire: takes === 'cook' || takes === 'fry',
    }))
}

/** A form whose numbers were changed: the lines it was told in no longer tell it. */
export function inNumbers(form: Form): Form {
  return Object.fromEntries(Object.entries(form).filter(([key]) => key !== 'told'))
}

export function writeForm(page: Page, like: Form, known: Known): Form {
  const before = firstSchool(like)
  const letters = page.bases.map((b) => b.letter)
  const school: Form = {
    ...before,
    mix: table(page.mix, known, letters, 'to mix'),
    finish: table(page.finish, known, letters, 'for the end'),
    bases: Object.fromEntries(page.bases.map((b) => [b.letter, baseOf(b)])),
    lose: figure(page.lose),
    ph: figure(page.ph),
    piece: pieceOf(page, (before.piece ?? like.piece) as Form),
    steps:
      page.steps === stepsOf(like) ? (before.steps ?? like.steps ?? []) : stepsFrom(page.steps),
  }
  const cook = maybe(page.cook)
  check({ 'Cooked to % water': cook, 'Pan keeps': figure(page.lose), pH: figure(page.ph) })
  if (cook === null) delete school.cook
  else school.cook = cook
  return {
    ...inNumbers(like),
    name: page.name.trim(),
    one: page.one.trim(),
    many: page.many.trim(),
    frozen: page.way === 'mould',
    schools: { mine: school },
    flavours: like.flavours ?? {},
  }
}
