/** A figure as typed, comma or point; NaN when it is none. */
export function figure(text: string | undefined): number {
  const cleaned = (text ?? '').replace(',', '.').trim()
  return cleaned === '' ? NaN : Number(cleaned)
}

/** The same, or null when nothing was typed. */
export function maybe(text: string | undefined): number | null {
  return (text ?? '').trim() === '' ? null : figure(text)
}

/** Names the first figure that is none. */
export function check(fields: Record<string, number | null>): void {
  for (const [name, value] of Object.entries(fields))
    if (value !== null && Number.isNaN(value))
      throw new Error(`${name} is a figure, like 4.1. Type just the number.`)
}

export const said = (n: number | null | undefined): string => (n == null ? '' : String(n))
