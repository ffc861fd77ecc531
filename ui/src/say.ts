/** Figures in kitchen words. The numbers come from the server in SI units; here they only change clothes. */

import { STAGE_VERBS, STAGES } from './api/shared'

const thin = '\u2009'

export function cm(metres: number): string {
  return (metres * 100).toFixed(1)
}

export function minutes(seconds: number): string {
  return Math.max(0, Math.round(seconds / 60)).toString()
}

export function grouped(n: number): string {
  return Math.round(n)
    .toString()
    .replace(/\B(?=(\d{3})+$)/g, thin)
}

export function grams(kg: number): string {
  return `${grouped(kg * 1000)} g`
}

export function weight(kg: number): string {
  return kg >= 0.9995 ? `${trim(kg.toFixed(2))} kg` : `${Math.round(kg * 1000)} g`
}

export function volume(m3: number): string {
  const litres = m3 * 1000
  return litres >= 0.9995 ? `${litres.toFixed(2)} L` : `${Math.round(litres * 1000)} ml`
}

export function percent(share: number): string {
  return `${Math.round(share * 100)} %`
}

export function clock(epochSeconds: number): string {
  return new Date(epochSeconds * 1000).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
  })
}

export function day(epochSeconds: number): string {
  return new Date(epochSeconds * 1000).toLocaleDateString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  })
}

export function month(epochSeconds: number): string {
  return new Date(epochSeconds * 1000).toLocaleDateString('en-GB', {
    month: 'long',
    year: 'numeric',
  })
}

export function stopwatch(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds))
  return `${Math.floor(s / 60)}:${(s % 60).toString().padStart(2, '0')}`
}

/** What is left, or over, as one figure to read from afar, and its unit. */
export function countdown(seconds: number): { figure: string; unit: string } {
  const t = Math.abs(seconds)
  if (t >= 36 * 3600) return { figure: (t / 86_400).toFixed(1), unit: 'days' }
  if (t >= 5400) return { figure: (Math.round(t / 360) / 10).toString(), unit: 'hours' }
  if (t >= 600) return { figure: minutes(t), unit: 'minutes' }
  return { figure: stopwatch(t), unit: 'minutes:seconds' }
}

/** Money of the kitchen's own currency, as the platform writes it; pennies of small sums only. */
export function money(amount: number, currency: string): string {
  const whole = Math.abs(amount) >= 100 || Number.isInteger(amount)
  const pennies = whole ? { maximumFractionDigits: 0 } : {}
  return new Intl.NumberFormat(undefined, {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    ...pennies,
  }).format(amount)
}

/** Its name in the reader's language. */
export function currencyName(code: string): string {
  return new Intl.DisplayNames(undefined, { type: 'currency' }).of(code) ?? code
}

function trim(text: string): string {
  return text.replace(/\.?0+$/, '')
}

export function stageName(index: number): string {
  return STAGES[Math.round(index)] ?? ''
}

/** The stage as what it does: "It … hot". */
export function stageDoes(index: number): string {
  return STAGE_VERBS[Math.round(index)] ?? ''
}

/** How long since, roughly. */
export function ago(seconds: number): string {
  if (seconds < 90) return 'of this minute'
  if (seconds < 5400) return `${Math.round(seconds / 60)} minutes old`
  if (seconds < 36 * 3600) return `${Math.round(seconds / 3600)} hours old`
  return `${Math.round(seconds / 86_400)} days old`
}

/** The same of what somebody did. */
export const since = (seconds: number) =>
  seconds < 90 ? 'just now' : ago(seconds).replace('old', 'ago')

export function megabytes(bytes: number): string {
  return bytes < 1e6
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : `${trim((bytes / 1e6).toFixed(1))} MB`
}

const HAPPENED: Record<string, string> = {
  flame_changed: 'another flame',
  off: 'taken off',
}
/** A happening of a kind, in words. */
export function happened(kind: string): string {
  return HAPPENED[kind] ?? kind.replaceAll('_', ' ')
}

/** A line of a log, with the time that was said for it where that could not be. */
export function logged(line: { text: string; said_s?: number | null }): string {
  return line.text + (line.said_s == null ? '' : `, said for ${clock(line.said_s)}`)
}

/** As a sentence begins. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** What is sent as a slug, in plain words. */
export const spoken = (slug: string) => slug.replaceAll('-', ' ')

const list = new Intl.ListFormat('en-GB')
/** "sugar, nuts and ghee" */
export const listed = (words: string[]) => list.format(words)
