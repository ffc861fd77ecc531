import { computed } from 'vue'
import { useRoute, type LocationQuery } from 'vue-router'

/** By what the Book is narrowed, as it stands in the address. */
export const KEYS = ['milk', 'pan', 'cold', 'year'] as const
export const COLD = ['too-thin', 'right', 'too-thick'] as const

export const narrowedOf = (query: LocationQuery): Record<string, string> =>
  Object.fromEntries(
    KEYS.flatMap((key) => {
      const said = query[key]
      return typeof said === 'string' && said ? [[key, said]] : []
    }),
  )

/** The same as it is asked for; what is no number or no verdict is passed over. */
export function askedOf(narrowed: Record<string, string>) {
  const number = (said: string | undefined) =>
    said && /^\d{1,9}$/.test(said) ? Number(said) : undefined
  return {
    milk: number(narrowed.milk),
    pan: number(narrowed.pan),
    year: number(narrowed.year),
    cold: COLD.find((v) => v === narrowed.cold) ?? ('' as const),
  }
}

export function useNarrow() {
  const route = useRoute()
  const narrowed = computed(() => narrowedOf(route.query))
  return { narrowed, narrow: computed(() => askedOf(narrowed.value)) }
}
