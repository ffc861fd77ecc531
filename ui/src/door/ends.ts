/** Until when a device is let in: choices in the words of the house, reckoned in this browser's own time. */
import { clock, day } from '@/say'

export interface End {
  value: string
  text: string
  does?: string
  /** Seconds since the epoch; none when it is for good. */
  at_s: number | null
}

function at(now: Date, days: number, hour: number): number {
  return new Date(now.getFullYear(), now.getMonth(), now.getDate() + days, hour).getTime() / 1000
}

const weekday = (s: number) => new Date(s * 1000).toLocaleDateString('en-GB', { weekday: 'long' })

export function ends(nowS: number): End[] {
  const now = new Date(nowS * 1000)
  const morning = at(now, 1, 6)
  return [
    {
      value: 'hours',
      text: 'three hours from now',
      does: clock(nowS + 10_800),
      at_s: nowS + 10_800,
    },
    { value: 'morning', text: `${weekday(morning)} morning`, does: '06:00', at_s: morning },
    { value: 'week', text: 'a week from now', does: day(at(now, 7, 6)), at_s: at(now, 7, 6) },
    { value: 'good', text: 'you send it away', does: 'for good', at_s: null },
  ]
}

/** An end that was set before, in words. */
export function endSaid(endsS: number | null): string {
  return endsS === null ? 'for good' : `until ${day(endsS)}, ${clock(endsS)}`
}
