import { milkMeant } from '@/sentence/words'
import type { LocationQuery } from 'vue-router'
import type { LarderOut, ReduceIn } from '@/api/client'

/** Something that enriches the milk: a table name or a number of the Larder, how much, and when. */
export interface Added {
  what: string
  amount: string
  when: string
}

/** The words of the sentence, as they stand in the address. */
export interface Words {
  amount: string
  milk: string
  pan: string
  burner: string
  flame: string
  stop: string
  sugar: string
  kind: string
  when: string
  boil: string
  lid: string
  stir: string
  wet: string
  add: Added[]
}

type Plain = Exclude<keyof Words, 'add'>

const FIRST: Omit<Record<Plain, string>, 'milk' | 'pan' | 'burner'> = {
  amount: '2.4 L',
  flame: 'medium',
  stop: 'half its volume',
  sugar: '110 g',
  kind: 'white-sugar',
  when: 'end',
  boil: 'strong',
  lid: 'off',
  stir: 'scraped',
  wet: 'dry',
}

export const emptyWords = (): Words => ({ ...FIRST, milk: '', pan: '', burner: '', add: [] })

export function wordsFrom(query: LocationQuery, larder: LarderOut): Words {
  const read = (key: Plain, otherwise: string) =>
    typeof query[key] === 'string' ? query[key] : otherwise
  const known = (key: 'milk' | 'pan' | 'burner', list: { id?: number | null }[]) => {
    const wanted = read(key, '')
    return list.some((x) => String(x.id) === wanted) ? wanted : String(list[0]?.id ?? '')
  }
  const first = Object.fromEntries(
    Object.entries(FIRST).map(([key, value]) => [key, read(key as Plain, value)]),
  ) as typeof FIRST
  return {
    ...first,
    milk: String(
      milkMeant(larder, larder.milks, read('milk', ''))?.id ?? known('milk', larder.milks),
    ),
    pan: known('pan', larder.pans),
    burner: known('burner', larder.burners),
    add: [query.add ?? []].flat().flatMap((text) => {
      const [what, amount, when] = (text ?? '').split('~')
      return what ? [{ what, amount: amount ?? '', when: when ?? 'start' }] : []
    }),
  }
}

/** The address of a plan: what is as usual stays out of it. */
export function queryFrom(words: Words): Record<string, string | string[]> {
  const { add, ...plain } = words
  const usual: Record<string, string> = FIRST
  const changed = Object.entries(plain).filter(
    ([key, value]) => !['kind', 'boil', 'lid', 'stir', 'wet'].includes(key) || value !== usual[key],
  )
  const said = Object.fromEntries(changed) as Record<string, string | string[]>
  if (add.length) said.add = add.map((a) => [a.what, a.amount, a.when].join('~'))
  return said
}

/** A table name, or a number of the Larder. */
export const thing = (word: string): string | number => (/^\d+$/.test(word) ? Number(word) : word)

export function planFrom(words: Words): ReduceIn {
  return {
    milk: Number(words.milk),
    amount: words.amount,
    pan: Number(words.pan),
    burner: Number(words.burner),
    flame: words.flame as ReduceIn['flame'],
    stop: words.stop,
    sugar: words.sugar,
    sugar_time: words.when as ReduceIn['sugar_time'],
    sugar_kind: thing(words.kind),
    additions: words.add.map((a) => ({
      what: thing(a.what),
      amount: a.amount,
      late: a.when === 'end',
    })),
    stirring: words.stir as ReduceIn['stirring'],
    to_boil: words.boil as ReduceIn['to_boil'],
    lid: words.lid === 'on',
    wetted: words.wet === 'wet',
  }
}
