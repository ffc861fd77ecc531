import type { LocationQuery } from 'vue-router'
import type { LarderOut, ReduceIn } from '@/api/client'

/** The words of the sentence, as they stand in the address. */
export interface Words {
  amount: string
  milk: string
  pan: string
  burner: string
  flame: string
  stop: string
  sugar: string
  when: string
}

const FIRST: Omit<Words, 'milk' | 'pan' | 'burner'> = {
  amount: '2.4 L',
  flame: 'medium',
  stop: 'half its volume',
  sugar: '110 g',
  when: 'end',
}

export function wordsFrom(query: LocationQuery, larder: LarderOut): Words {
  const read = (key: keyof Words, otherwise: string) =>
    typeof query[key] === 'string' ? query[key] : otherwise
  const known = (key: 'milk' | 'pan' | 'burner', list: { id?: number | null }[]) => {
    const wanted = read(key, '')
    return list.some((x) => String(x.id) === wanted) ? wanted : String(list[0]?.id ?? '')
  }
  return {
    amount: read('amount', FIRST.amount),
    milk: known('milk', larder.milks),
    pan: known('pan', larder.pans),
    burner: known('burner', larder.burners),
    flame: read('flame', FIRST.flame),
    stop: read('stop', FIRST.stop),
    sugar: read('sugar', FIRST.sugar),
    when: read('when', FIRST.when),
  }
}

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
  }
}
