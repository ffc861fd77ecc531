import { shallowRef, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { LarderOut } from '@/api/client'
import { useStove } from '@/api/kitchen'
import { useLives, type Live } from '@/shell/live'

export type At = 'pan' | 'burner'

/** Whether something stands in that pan or on that burner now. A pan off the fire is still full. */
export const isTaken = (id: number, at: At, lives: Live[]) =>
  lives.some((l) => (at === 'pan' ? l.pans.includes(id) : l.onFire && l.burners.includes(id)))

/** The one that is meant, or if it is taken the first that is free; that very one when all are taken. */
export function freeOf(meant: number, all: number[], at: At, lives: Live[]): number {
  if (!isTaken(meant, at, lives)) return meant
  return all.find((id) => !isTaken(id, at, lives)) ?? meant
}

/**
 * Words of the Bench without a pan or burner on which something stands by now, or without either while nobody knows yet
 * what stands where (null): the Bench proposes free ones.
 */
export function withoutTaken(
  words: Record<string, string | string[]>,
  lives: Live[] | null,
): Record<string, string | string[]> {
  const free = (id: number, at: At) => lives !== null && !isTaken(id, at, lives)
  return Object.fromEntries(
    Object.entries(words).filter(
      ([key, value]) => (key !== 'pan' && key !== 'burner') || free(Number(value), key),
    ),
  )
}

/**
 * Until the cook names a pan or a burner, one that is free: two milks never go into one pan. What is taken is looked at once
 * a page: nothing changes under the cook's eyes when something is lit elsewhere.
 */
export function useFree(
  words: () => { pan: string; burner: string },
  kitchen: Ref<LarderOut | undefined>,
): void {
  const route = useRoute()
  const lives = useLives()
  const stove = useStove()
  const seen = shallowRef<Live[] | null>(null)
  watch(
    [() => stove.isSuccess.value, () => route.fullPath],
    ([known]) => (seen.value = known ? lives.value : null),
    { immediate: true },
  )
  watch(
    [kitchen, seen, () => words().pan, () => words().burner],
    () => {
      if (!seen.value) return
      for (const at of ['pan', 'burner'] as const) {
        const meant = Number(words()[at])
        const all = kitchen.value?.[`${at}s`].map((x) => x.id!) ?? []
        if (!all.includes(meant) || String(meant) === route.query[at]) continue
        const free = String(freeOf(meant, all, at, seen.value))
        if (free !== words()[at]) words()[at] = free
      }
    },
    { immediate: true },
  )
}
