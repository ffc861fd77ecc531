import { useQuery } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'
import type { useMaking } from './making'

/** What the curd sentences choose from: it never changes while the app runs. */
export function useCurdChoices() {
  return useQuery({
    queryKey: ['curd-choices'],
    queryFn: () => unwrap(api.GET('/api/bench/curd-choices')),
    staleTime: Infinity,
  })
}

export const WAITS = [
  { value: 'not at all', text: 'not at all', does: 'firm: right for paneer' },
  { value: '1 minute', text: '1 minute', does: 'springy: for slices and fried balls' },
  { value: '3 minutes', text: '3 minutes', does: 'soft: sponge balls' },
  { value: '5 minutes', text: '5 minutes', does: 'softest; watch that the whey runs clear' },
  { value: '82 °C', text: 'until it is at 82 °C', does: 'by the thermometer' },
]

export const DRAINS = [
  { value: 'hang', text: 'hang it', does: 'moist; the longer, the drier' },
  { value: 'light-squeeze', text: 'squeeze it lightly', does: 'for sponge balls' },
  { value: 'hard-squeeze', text: 'squeeze it hard', does: 'for kalakand and frying' },
  { value: 'press', text: 'press it', does: 'under about 2 kg: paneer' },
]

export const RINSES = [
  { value: '0', text: 'no rinse', does: 'keeps a trace of sourness' },
  { value: '1', text: 'one rinse', does: 'cools it and takes a third of the acid' },
  { value: '2', text: 'two rinses', does: 'cools it to the hand, the taste is clean' },
]

/** The words of the curdling sentence as usual. */
export const CURDLE_FIRST = {
  amount: '3 L',
  milk: '',
  pan: '',
  burner: '',
  wait: '3 minutes',
  acid: 'lemon',
  strength: '',
  drain: 'light-squeeze',
  time: '30 minutes',
  hold: '',
  rinses: '2',
  rinse: '1 L',
  use: 'sponge',
  piece: '',
  binder: '',
  thin: '2.5',
  cold: '20',
  fridge: '',
  after: '',
  read: '',
}

/** Puts a curdling or a straining on the Stove, as a base of a making if it is planned for one; its address there. */
export const startCurd =
  (kind: 'curdle' | 'strain', plan: unknown, making: ReturnType<typeof useMaking>) =>
  async (name: string, key: string) => {
    const body = { batch: { kind, plan, name, key, ...making.sent() } as never }
    const { id } = await unwrap(api.POST('/api/batches', { body }))
    making.letGo()
    return `/stove/curd/${id}`
  }
