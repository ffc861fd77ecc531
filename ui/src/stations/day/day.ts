import type { DayIn, DayOut, LarderOut, SweetChoices } from '@/api/client'
import { dayAfter, readServing } from '@/stations/sweets/serving'
import { askedOf, nearestMilk, SWEET_FIRST } from '@/stations/sweets/sweet'

/** The words of the Day's sentence as they stand in its address; each sweet in the words of its own sentence. */
export const DAY_FIRST = {
  sweets: 'sweet=kulfi|sweet=sponge-balls|sweet=basundi|sweet=kalakand',
  people: '12',
  serve: 'tomorrow 19:30',
  from: '',
  burners: '',
  watch: '3',
  night: '22:30–6:30',
  away: '',
  helper: '',
  fridge: '40',
  freezer: '12',
  pace: '',
}
export type DayWords = typeof DAY_FIRST

/** One sweet of the day: what its sentence says, and of the day its own hour and how much sooner it is to be ready. */
export interface DaySweet {
  words: Record<string, string>
  due: string
  spare: number
}

const OF_THE_DAY = ['due', 'spare']
export function sweetsOf(text: string): DaySweet[] {
  return text
    .split('|')
    .filter(Boolean)
    .map((one) => {
      const words = Object.fromEntries(new URLSearchParams(one))
      const own = Object.entries(words).filter(([key]) => !OF_THE_DAY.includes(key))
      return {
        words: Object.fromEntries(own),
        due: words.due ?? '',
        spare: Math.max(0, Math.round(Number(words.spare ?? 0)) || 0),
      }
    })
}
export function sweetsSaid(sweets: DaySweet[]): string {
  return sweets
    .map(({ words, due, spare }) =>
      new URLSearchParams({
        ...words,
        ...(due && { due }),
        ...(spare && { spare: String(spare) }),
      }).toString(),
    )
    .join('|')
}

const DAY_MS = 86_400_000
const HOURS = /^\s*(.*?)\s*(\d{1,2})[:.](\d{2})\s*(?:to|[-–—])\s*(\d{1,2})[:.](\d{2})\s*(.*?)\s*$/

/** Litres that are free, as one says them: "20", "20 L", "2½ litres", "none"; null for what is no such room. */
export function litresOf(text: string): number | null {
  const said = text.trim().toLowerCase()
  if (['none', 'no', 'no room', 'full'].includes(said)) return 0
  const found = /^(\d+(?:[.,]\d+)?)?(½)?\s*(?:l|litres?|liters?)?$/.exec(said)
  if (!found || (!found[1] && !found[2])) return null
  const litres = Number((found[1] ?? '0').replace(',', '.')) + (found[2] ? 0.5 : 0)
  return litres <= 500 ? litres : null
}

export const litresSaid = (text: string) => {
  const litres = litresOf(text)
  return litres === null ? text : litres ? `${litres} L` : 'nothing'
}

/** Hours of a day, as one says them: "lunch 12:00–12:45 seated". */
export interface Hours {
  name: string
  from: number
  to: number
  seated: boolean
}
/** Null when one of them cannot be read. Minutes of the day; what ends before it begins ends on the next. */
export function hoursOf(text: string): Hours[] | null {
  const found: Hours[] = []
  for (const part of text.split(',').filter((p) => p.trim())) {
    const hit = HOURS.exec(part)
    if (!hit) return null
    const [from, to] = [Number(hit[2]) * 60 + Number(hit[3]), Number(hit[4]) * 60 + Number(hit[5])]
    if (from >= 1440 || to > 1440 || from === to) return null
    const words = `${hit[1]} ${hit[6]}`.trim()
    const seated = /\bseated\b/i.test(words)
    const name = words.replace(/\bseated\b/i, '').trim()
    found.push({ name, from, to: to > from ? to : to + 1440, seated })
  }
  return found
}
/** The same on every day that the plan may touch, s. */
export function spansOf(hours: Hours[], first: number, last: number) {
  const spans: { start_s: number; end_s: number; name: string; seated: boolean }[] = []
  for (
    let day = new Date(first - DAY_MS).setHours(0, 0, 0, 0);
    day <= last;
    day = dayAfter(day, 1)
  ) {
    for (const h of hours) {
      const [start, end] = [day + h.from * 60_000, day + h.to * 60_000]
      if (end > first && start < last)
        spans.push({ start_s: start / 1000, end_s: end / 1000, name: h.name, seated: h.seated })
    }
  }
  return spans
}
const AHEAD_MS = 4 * DAY_MS
const AFTER_MS = DAY_MS
export interface Asked {
  body?: DayIn
  /** The word that cannot be read, and why. */
  wrong?: { word: keyof DayWords | 'due'; text: string; at?: number }
}

/** What the sentence asks for. */
export function readDay(
  words: DayWords,
  now: number,
  larder: LarderOut | undefined,
  choices: SweetChoices | undefined,
): Asked {
  const serve = readServing(words.serve, now)
  if (!serve)
    return {
      wrong: {
        word: 'serve',
        text: `“${words.serve}” is no time. Write tomorrow 19:30 or Saturday 18:00.`,
      },
    }
  const from = words.from.trim() ? readServing(words.from, now) : null
  if (words.from.trim() && !from)
    return { wrong: { word: 'from', text: `“${words.from}” is no time. Write tomorrow 8:00.` } }
  for (const word of ['night', 'away', 'helper'] as const)
    if (hoursOf(words[word]) === null)
      return {
        wrong: {
          word,
          text: `“${words[word]}” are no hours. Write 12:00–12:45, with a comma between several.`,
        },
      }
  for (const word of ['fridge', 'freezer'] as const) {
    const free = litresOf(words[word])
    if (free === null || (word === 'fridge' && free < 1))
      return {
        wrong: {
          word,
          text: `“${words[word]}” is no room in the ${word}. Write how many litres are free: 20 L.`,
        },
      }
  }
  const first = Math.max(now - DAY_MS, serve.at - AHEAD_MS)
  const last = serve.at + AFTER_MS
  const spans = (word: 'night' | 'away' | 'helper') => spansOf(hoursOf(words[word])!, first, last)
  const sweets = sweetsOf(words.sweets)
  const dues = sweets.map((s) => (s.due.trim() ? readServing(s.due, now) : serve))
  const bad = dues.findIndex((due) => !due)
  if (bad >= 0)
    return {
      wrong: { word: 'due', at: bad, text: `“${sweets[bad]!.due}” is no time. Write 13:00.` },
    }
  return {
    body: {
      sweets: sweets.map((s, i) => ({
        plan: {
          ...askedOf(
            { ...SWEET_FIRST, want: `${words.people} people`, ...s.words },
            milkFor(s, larder, choices),
          ),
          prices: null,
        },
        name: '',
        due_s: dues[i]!.at === serve.at ? null : dues[i]!.at / 1000,
        spare_min: s.spare,
      })),
      serve_s: serve.at / 1000,
      start_s: from ? from.at / 1000 : null,
      burners: words.burners ? Number(words.burners) : null,
      pans_watched: Number(words.watch),
      fridge_l: litresOf(words.fridge)!,
      freezer_l: litresOf(words.freezer)!,
      pace: words.pace === 'roomy' ? 'roomy' : 'calm',
      away: [
        ...spans('night').map((s) => away(s, 'asleep')),
        ...spans('away').map((s) => away(s, s.seated ? 'seated' : 'away')),
      ],
      helper: spans('helper').map(({ start_s, end_s }) => ({ start_s, end_s })),
    },
  }
}
type Span = ReturnType<typeof spansOf>[number]
const away = (s: Span, kind: 'asleep' | 'seated' | 'away') => ({
  start_s: s.start_s,
  end_s: s.end_s,
  kind,
  name: s.name.slice(0, 60),
})

function milkFor(sweet: DaySweet, larder?: LarderOut, choices?: SweetChoices) {
  const of = choices?.sweets.find((s) => s.key === (sweet.words.sweet ?? SWEET_FIRST.sweet))
  const school = of?.schools.find((s) => s.key === sweet.words.school) ?? of?.schools[0]
  return nearestMilk(larder?.milks ?? [], school?.milk_fat_pct)
}

export type Task = DayOut['tasks'][number]

/** Where each step of a plan stands, as the server reads it again. */
export const placesOf = (plan: DayOut) =>
  plan.tasks.map(({ key, start_s, end_s, hob, pot }) => ({ key, start_s, end_s, hob, pot }))

/** Stretches that are drawn wide, as there is something to do: the sittings and the fires, a little around them. */
export function nearHours(plan: DayOut, margin = 600): [number, number][] {
  const spans = [
    ...plan.sittings.map((s) => [s.start_s - margin, s.end_s + margin]),
    ...plan.tasks.filter((t) => t.flame).map((t) => [t.start_s - margin, t.end_s + margin]),
  ] as [number, number][]
  spans.sort((a, b) => a[0] - b[0])
  const joined: [number, number][] = []
  for (const [start, end] of spans) {
    const last = joined.at(-1)
    if (last && start <= last[1] + 900) last[1] = Math.max(last[1], end)
    else joined.push([start, end])
  }
  return joined
}

/** Where a moment stands from 0 to `width`: near hours at one pace, those between at a tenth of it, or narrower. */
export function dayScale(plan: DayOut, width: number): (s: number) => number {
  const near = nearHours(plan)
  const [first, last] = [near[0]?.[0] ?? plan.start_s, Math.max(plan.end_s, near.at(-1)?.[1] ?? 0)]
  const edges = [first, ...near.flat(), last].sort((a, b) => a - b)
  const wide = (a: number, b: number) => near.some(([x, y]) => a >= x && b <= y)
  const parts = edges.slice(1).map((end, i) => {
    const start = edges[i]!
    return { start, end, weight: (end - start) * (wide(start, end) ? 1 : FAR) }
  })
  const whole = parts.reduce((sum, p) => sum + p.weight, 0) || 1
  return (s) => {
    let x = 0
    for (const p of parts) {
      if (s >= p.end) x += p.weight
      else if (s > p.start)
        return ((x + (p.weight * (s - p.start)) / (p.end - p.start)) / whole) * width
      else break
    }
    return (x / whole) * width
  }
}
export const FAR = 0.08

/** Acts of one sitting, with what is written over them. */
export interface Sitting {
  start_s: number
  end_s: number
  acts: Task[]
}
/** All that somebody lifts a hand for, by sittings. */
export function sittingsOf(plan: DayOut): Sitting[] {
  const acts = plan.tasks.filter((t) => t.said)
  const found: Sitting[] = plan.sittings.map((s) => ({ ...s, acts: [] }))
  for (const act of acts) {
    const at =
      found.find((s) => act.start_s >= s.start_s && act.start_s <= s.end_s) ??
      found.filter((s) => s.start_s <= act.start_s).at(-1) ??
      found[0]
    at?.acts.push(act)
  }
  return found.filter((s) => s.acts.length)
}

/** Steps of the hands lane: from when on so many hundredths of a pair are wanted, of so many that are there. */
export function handsLane(
  plan: DayOut,
): { start_s: number; end_s: number; load: number; busy: number; there: number }[] {
  const edges = [...new Set(plan.tasks.filter((t) => t.load).flatMap((t) => [t.start_s, t.end_s]))]
  edges.sort((a, b) => a - b)
  return edges.slice(1).flatMap((end_s, i) => {
    const start_s = edges[i]!
    const there = plan.tasks.filter((t) => t.load && t.start_s <= start_s && t.end_s >= end_s)
    if (!there.length) return []
    const load = there.reduce((sum, t) => sum + t.load, 0)
    const busy = there.filter((t) => t.load >= 65).reduce((sum, t) => sum + t.load, 0)
    const helped = plan.helped?.some((s) => s.start_s <= start_s && s.end_s >= end_s)
    return [{ start_s, end_s, load, busy, there: helped ? 200 : 100 }]
  })
}

/** A pan's stay on one burner: its flame from task to task. */
export interface Stay {
  hob: number
  pot: number
  sweet: number
  start_s: number
  end_s: number
  parts: Task[]
}
export function staysOf(plan: DayOut): Stay[] {
  const found = new Map<string, Stay>()
  for (const t of plan.tasks) {
    if (t.hob === null || t.pot === null) continue
    const stay = found.get(t.stay)
    if (stay) {
      stay.parts.push(t)
      stay.end_s = Math.max(stay.end_s, t.end_s)
    } else
      found.set(t.stay, {
        hob: t.hob,
        pot: t.pot,
        sweet: t.sweet,
        start_s: t.start_s,
        end_s: t.end_s,
        parts: [t],
      })
  }
  return [...found.values()]
}

/** What stands in the cold: a step of it, or a finished sweet until it is eaten. */
export interface ColdBar {
  sweet: number
  at: 'fridge' | 'freezer'
  start_s: number
  end_s: number
  ready_s: number
}
export function coldBars(plan: DayOut): ColdBar[] {
  const bars: ColdBar[] = []
  plan.sweets.forEach((s, sweet) => {
    const steps = plan.tasks.filter((t) => t.sweet === sweet && t.cold !== 'room')
    for (const t of steps.filter((t) => t.end_s < s.ready_s - 60))
      bars.push({
        sweet,
        at: t.cold as 'fridge',
        start_s: t.start_s,
        end_s: t.end_s,
        ready_s: t.end_s,
      })
    const last = steps.find((t) => t.end_s >= s.ready_s - 60)
    if (s.at !== 'room')
      bars.push({
        sweet,
        at: s.at,
        start_s: last?.start_s ?? s.ready_s,
        end_s: Math.max(s.due_s, s.ready_s),
        ready_s: s.ready_s,
      })
  })
  return bars
}

const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
]
export const numberWord = (n: number) => NUMBERS[n] ?? String(n)

/** "19 of 20". */
export const ofTwenty = (chance: number) => `${Math.round(chance * 20)} of 20`
/** "2 h 05", "40 min". */
export function spanOf(minutes: number): string {
  const whole = Math.round(minutes)
  const [h, m] = [Math.floor(whole / 60), whole % 60]
  if (!h) return `${m} min`
  return m ? `${h} h ${String(m).padStart(2, '0')}` : `${h} h`
}
