import { computed, ref, type Ref } from 'vue'
import type { LarderOut, SweetBatch } from '@/api/client'
import type { Live } from '@/shell/live'
import { isTaken, type At } from '@/stations/bench/free'
import { cooks, nextAfter } from './steps'

/** On which burner, and in which pan, a step of a sweet cooks. */
type Step = SweetBatch['steps'][number]
export interface Place {
  id: number
  name: string
  taken: boolean
}
const HELD = { burner: 'burners', pan: 'pans' } as const

/** All burners or pans; the one that the step in hand gives up when `next` begins is not taken. */
export function placesOf(
  at: At,
  all: readonly { id: number | null; name: string }[],
  batch: SweetBatch,
  first: Step | undefined,
  next: Step | undefined,
  lives: Live[],
): Place[] {
  const given = next && first ? batch[HELD[at]][first.key] : undefined
  return all.map((x) => ({
    id: x.id!,
    name: x.name,
    taken: x.id !== given && isTaken(x.id!, at, lives),
  }))
}

/** As it was chosen; else where what goes on in it stands already, where it was planned, or the first that is free. */
export function placeOf(
  places: Place[],
  wished: readonly (number | null | undefined)[],
): number | null {
  const free = places.filter((x) => !x.taken)
  const named = wished.find((id) => free.some((x) => x.id === id))
  return named ?? free[0]?.id ?? null
}

export function useHob(
  batch: Ref<SweetBatch | undefined>,
  first: Ref<Step | undefined>,
  lives: Ref<Live[]>,
  larder: Ref<LarderOut | undefined>,
) {
  const named = ref<Record<At, number | null>>({ burner: null, pan: null })
  const next = computed(() => nextAfter(batch.value?.steps ?? [], first.value))
  const places = computed(() => {
    const b = batch.value
    const of = (at: At) =>
      b ? placesOf(at, larder.value?.[HELD[at]] ?? [], b, first.value, next.value, lives.value) : []
    // the largest first: where nothing was planned or it is taken, what cooks has room
    const pans = of('pan').sort((x, y) => room(y.id) - room(x.id))
    return { burner: of('burner'), pan: pans }
  })
  const room = (id: number) => larder.value?.pans.find((x) => x.id === id)?.capacity_m3 ?? 0
  const at = (where: At, usual: number | null | undefined) =>
    placeOf(places.value[where], [
      named.value[where],
      first.value && batch.value?.[HELD[where]][first.value.key],
      usual,
    ])
  const on = computed(() => ({
    burner: at('burner', batch.value?.usual_burner),
    pan: at('pan', batch.value?.usual_pan),
  }))
  /** What a step takes when it begins: nothing where it does not cook by itself. */
  const takes = (s: Step) => (cooks(s) ? on.value : { burner: null, pan: null })
  const choose = (where: At, id: number) => (named.value[where] = id)
  const forget = () => (named.value = { burner: null, pan: null })
  return { next, places, on, takes, choose, forget }
}
