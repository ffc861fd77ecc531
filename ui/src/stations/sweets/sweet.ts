import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type ComputedRef } from 'vue'
import { api, unwrap, type SweetIn, type SweetOut } from '@/api/client'
import type { useWords } from '@/sentence/words'

/** The words of the Sweets sentence as they stand in its address. */
export const SWEET_FIRST = {
  sweet: 'kulfi',
  school: '',
  flavour: '',
  fruit: '',
  from: 'want',
  want: '12',
  have: '',
  each: '',
  milk: '',
  taken: '',
  base: '',
  mould: 'stick',
  moulds: '12',
  tray: '',
  freezer: '',
  fan: '',
  freezes: '3',
  pan: '',
  burner: '',
  flame: 'medium',
  eat: '20:00',
  change: '',
  window: '',
  weighed: '',
  finished: '',
  ticked: '',
  fuel: 'gas',
  fuelprice: '',
  hour: '',
  bought: '',
  margin: '25',
}
export type SweetWords = ReturnType<typeof useWords<typeof SWEET_FIRST>>['words']

/** "a=1;b=2" as it stands in an address, and back. */
export function pairs(text: string): Record<string, string> {
  return Object.fromEntries(
    text
      .split(';')
      .map((one) => one.split('=') as [string, string])
      .filter(([key, value]) => key && value),
  )
}
export const unpaired = (found: Record<string, string | number>) =>
  Object.entries(found)
    .map(([key, value]) => `${key}=${value}`)
    .join(';')

const number = (text: string) => {
  const value = Number(text.replace(',', '.'))
  return text.trim() && Number.isFinite(value) ? value : null
}
const rounded = (value: number) => Math.round(value * 1e5) / 1e5

/** The cook's own milk that is nearest to the school's usual one, when none is chosen; none when it takes no milk. */
export function nearestMilk(
  milks: { id: number; fat_pct: number; species: string }[],
  fat: number | null | undefined,
): number | null {
  if (fat == null) return null
  const dairy = milks.filter((m) => m.species !== 'coconut')
  const sorted = [...dairy].sort((a, b) => Math.abs(a.fat_pct - fat) - Math.abs(b.fat_pct - fat))
  return sorted[0] && Math.abs(sorted[0].fat_pct - fat) < 1.3 ? sorted[0].id : null
}

export function askedOf(words: SweetWords, usualMilk: number | null): SweetIn {
  const numbers = Object.entries(pairs(words.change)).map(([k, v]) => [k, rounded(Number(v))])
  return {
    sweet: words.sweet,
    school: words.school,
    flavour: words.flavour,
    fruit: words.fruit,
    want: words.from === 'want' ? words.want : '',
    have:
      words.from === 'have'
        ? Object.entries(pairs(words.have)).map(([what, amount]) => ({ what, amount }))
        : [],
    each: words.each,
    milk: /^\d+$/.test(words.milk) ? Number(words.milk) : words.milk || usualMilk,
    taken: words.taken,
    changes: Object.fromEntries(numbers.filter(([, v]) => Number.isFinite(v))),
    windows: Object.fromEntries(
      Object.entries(pairs(words.window)).map(([k, v]) => [k, v.split('-').map(Number)]),
    ) as never,
    bases: pairs(words.base),
    mould: words.mould,
    moulds: Math.max(1, Math.round(number(words.moulds) ?? 12)),
    tray: words.tray,
    freezer_c: number(words.freezer.replace('−', '-')),
    fan: words.fan === 'yes',
    freezes_kg_day: Math.min(100, Math.max(0.2, number(words.freezes) ?? 3)),
    pan: number(words.pan),
    burner: number(words.burner),
    flame: words.flame as 'medium',
    whole_packs: false,
    weighed: words.from === 'want' ? words.weighed : '',
    finished: words.finished,
    prices: {
      fuel: words.fuel as 'gas',
      fuel_price: number(words.fuelprice) ?? 0,
      hour: number(words.hour) ?? 0,
      bought_per_kg: number(words.bought),
      margin: Math.min(0.9, (number(words.margin) ?? 25) / 100),
    },
    kitchen: null,
  }
}

/**
 * The words of a plan that was made, for the next one: all that the cook chose, not what was weighed that time or stood in
 * the fridge then. What is as usual is left out.
 */
export function again(plan: SweetIn): Record<string, string> {
  const text = (value: unknown) => (value == null ? '' : String(value))
  const number_ = (value: unknown) => (typeof value === 'number' ? String(value) : '')
  const words: Partial<Record<keyof typeof SWEET_FIRST, string>> = {
    sweet: plan.sweet,
    school: plan.school,
    flavour: plan.flavour,
    fruit: plan.fruit,
    from: plan.have?.length && !Object.keys(plan.bases ?? {}).length ? 'have' : 'want',
    want: plan.want || SWEET_FIRST.want,
    have: (plan.have ?? []).map(({ what, amount }) => `${what}=${amount}`).join(';'),
    each: plan.each,
    milk: typeof plan.milk === 'object' ? '' : text(plan.milk),
    taken: plan.taken,
    change: unpaired(plan.changes ?? {}),
    window: unpaired(
      Object.fromEntries(
        Object.entries(plan.windows ?? {}).map(([k, v]) => [k, (v as number[]).join('-')]),
      ),
    ),
    mould: plan.mould,
    moulds: text(plan.moulds),
    tray: plan.tray,
    freezer: text(plan.freezer_c),
    fan: plan.fan ? 'yes' : '',
    freezes: text(plan.freezes_kg_day),
    pan: number_(plan.pan),
    burner: number_(plan.burner),
    flame: plan.flame,
  }
  if (words.from === 'want') delete words.have
  return Object.fromEntries(
    Object.entries(words).filter(
      ([key, value]) => value && value !== SWEET_FIRST[key as keyof typeof SWEET_FIRST],
    ),
  )
}

/** A sweet of one's own was written, changed or taken out: no figure of what it was is shown again. */
export function useSweetsChanged() {
  const client = useQueryClient()
  return async () => {
    for (const key of ['sweet', 'sweet-form', 'swap', 'other-ways'])
      client.removeQueries({ queryKey: [key], type: 'inactive' })
    await client.invalidateQueries({ queryKey: ['sweet-choices'] })
  }
}

export function useSweetChoices() {
  return useQuery({
    queryKey: ['sweet-choices'],
    queryFn: () => unwrap(api.GET('/api/sweets/choices')),
    staleTime: 30_000,
  })
}

export function useSweet(body: ComputedRef<SweetIn>, ready: ComputedRef<boolean>) {
  const now = computed(() => JSON.stringify(body.value))
  const settled = refDebounced(now, 60)
  return useQuery({
    queryKey: ['sweet', settled],
    queryFn: ({ signal }) =>
      unwrap(api.POST('/api/sweets/plan', { body: JSON.parse(settled.value), signal })),
    enabled: computed(() => ready.value && settled.value === now.value),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 30_000,
  })
}

/** How far a base is taken, as one says it. */
export function takenTo(to: number, unit: string): string {
  if (unit === 'ts') return `to ${+to.toFixed(1)} % solids`
  if (unit === 'water') return `to ${+to.toFixed(1)} % water`
  const shares: [number, string][] = [
    [1.5, 'to two thirds'],
    [2, 'to half'],
    [3, 'to a third'],
    [4, 'to a quarter'],
  ]
  return shares.find(([x]) => Math.abs(x - to) < 0.01)?.[1] ?? `${+to.toFixed(2)} times down`
}

export const baseName = (do_: string) =>
  ({ reduce: 'reduced milk', curdle: 'chhena', hang: 'hung curd' })[do_] ?? do_

/** From the first step until it can be eaten, s. */
export function untilEaten(f: Pick<SweetOut, 'frozen' | 'ready_s' | 'before_cold_s'>) {
  const cold = f.frozen?.answer.freeze_s
  if (!cold) return f.ready_s
  const before = f.before_cold_s
  return {
    low: before.low + cold.low,
    likely: before.likely + cold.likely,
    high: before.high + cold.high,
  }
}

export const hours = (s: number) =>
  s >= 5400
    ? `${+(s / 3600).toFixed(1)}\u00a0h`
    : s < 150
      ? `${Math.round(s)}\u00a0s`
      : `${Math.round(s / 60)}\u00a0min`

export type Base = SweetOut['bases'][number]
