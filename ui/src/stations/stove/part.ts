/** A part of what stands in a bowl, in grams: slid, or said in the cook's words. */
export interface Bowl {
  /** What is there. */
  holds: number
  /** What is wanted of it still. */
  needs: number
}

/** So many grams by a touch of an arrow key, and by a drag. */
export const stepOf = (holds: number): number => (holds < 100 ? 1 : holds < 1000 ? 5 : 10)

/** First as much as is wanted, else half of it: whole steps, and never more than there is. */
export function firstPart({ holds, needs }: Bowl): number {
  const step = stepOf(holds)
  const wished = needs > 0 && needs < holds ? needs : holds / 2
  return Math.min(Math.floor(holds), Math.max(step, Math.round(wished / step) * step))
}

/** Grams of a figure with g, kg or without a unit; null where it is said in other words, or is none. */
export function gramsIn(words: string): number | null {
  const [, figure, unit] = /^\s*(\d+(?:[.,]\d+)?)\s*(g|kg|)\s*$/i.exec(words) ?? []
  if (figure === undefined) return null
  return Number(figure.replace(',', '.')) * (unit!.toLowerCase() === 'kg' ? 1000 : 1)
}
