/** When it is eaten, as one says it: a time, with its day where it is not the next such time. All in ms. */

export interface Serving {
  at: number
  /** In words: "tomorrow 18:00". */
  said: string
}

const MINUTE = 60_000
const DAY = 86_400_000
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']
const NAMED: Record<string, [number, number]> = { noon: [12, 0], midnight: [24, 0] }

const startOf = (now: number) => new Date(now).setHours(0, 0, 0, 0)
/** The day so many days on; a change of the clock between them makes no other hour of it. */
export function dayAfter(now: number, days: number): number {
  const day = new Date(startOf(now))
  day.setDate(day.getDate() + days)
  return day.getTime()
}

function readDay(word: string, now: number): number | null {
  if (word === 'today' || word === 'tonight') return startOf(now)
  if (word === 'tomorrow') return dayAfter(now, 1)
  if (word === 'the day after tomorrow') return dayAfter(now, 2)
  const day = word.replace(/^(on|next) /, '')
  const found = day.length >= 3 ? WEEKDAYS.findIndex((name) => name.startsWith(day)) : -1
  if (found < 0) return null
  const ahead = (found - new Date(now).getDay() + 7) % 7
  return dayAfter(now, ahead || (word.startsWith('next') ? 7 : 0))
}

function readTime(text: string): [number, number] | null {
  const named = NAMED[text]
  if (named) return named
  const found = /^(\d{1,2})(?:[:.h](\d{2}))? ?(am|pm)?$/.exec(text)
  if (!found || (!found[2] && !found[3] && text.length > 2)) return null
  let hour = Number(found[1])
  const minute = Number(found[2] ?? 0)
  if (found[3] && (hour < 1 || hour > 12)) return null
  if (found[3]) hour = (hour % 12) + (found[3] === 'pm' ? 12 : 0)
  return hour <= 24 && minute < 60 && hour * 60 + minute <= 1440 ? [hour, minute] : null
}

/** What is said, from `now` on; null when it is no time. A bare time is the next there is. */
export function readServing(text: string, now: number): Serving | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/,/g, '')
    .replace(/\bat /g, '')
  const later = /^in (\d+(?:[.,]\d+)?|an?) (hours?|h|minutes?|min|days?)$/.exec(said)
  if (later) {
    const many = /^a/.test(later[1]!) ? 1 : Number(later[1]!.replace(',', '.'))
    const unit = later[2]!.startsWith('d') ? DAY : later[2]!.startsWith('h') ? 60 * MINUTE : MINUTE
    return serving(now + many * unit, now)
  }
  const time = /(?:^| )(noon|midnight|\d{1,2}(?:[:.h]\d{2})?(?: ?[ap]m)?)$/.exec(said)
  const hour = time && readTime(time[1]!)
  if (!time || !hour) return null
  const word = said.slice(0, time.index).trim()
  const day = word ? readDay(word, now) : startOf(now)
  if (day === null) return null
  const at = new Date(day).setHours(hour[0], hour[1])
  if (at > now || (word && !WEEKDAYS.some((name) => word.length >= 3 && name.startsWith(word))))
    return serving(at, now)
  return serving(new Date(dayAfter(day, word ? 7 : 1)).setHours(hour[0], hour[1]), now)
}

const two = (n: number) => String(n).padStart(2, '0')
export const hourOf = (at: number) =>
  `${two(new Date(at).getHours())}:${two(new Date(at).getMinutes())}`

/** A day beside today, in words; empty for today. */
export function dayOf(at: number, now: number): string {
  const days = Math.round((startOf(at) - startOf(now)) / DAY)
  if (days === 0) return ''
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  const date = new Date(at)
  const weekday = date.toLocaleDateString('en-GB', { weekday: 'long' })
  if (days > 1 && days < 7) return weekday
  return date.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })
}
/** "18:00", "18:00 tomorrow". */
export function moment(at: number, now: number): string {
  const day = dayOf(at, now)
  return day ? `${hourOf(at)} ${day}` : hourOf(at)
}

/** A moment as it would be typed. */
export function typed(at: number, now: number): string {
  const days = Math.round((startOf(at) - startOf(now)) / DAY)
  return days > 6 ? `in ${Math.ceil((at - now) / DAY)} days` : serving(at, now).said
}

function serving(at: number, now: number): Serving {
  const day = dayOf(at, now)
  return { at, said: day ? `${day} ${hourOf(at)}` : hourOf(at) }
}

/** By when one begins: if all goes as usual, and at the slow end; and whether it is too late for either. */
export interface Begin {
  likely: number
  sure: number
  late: boolean
  tight: boolean
}
export function beginBy(at: number, now: number, seconds: { likely: number; high: number }): Begin {
  const likely = at - seconds.likely * 1000
  const sure = at - seconds.high * 1000
  return { likely, sure, late: likely < now, tight: sure < now }
}
