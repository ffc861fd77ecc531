import { reactive, watch } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'
import type { LarderOut } from '@/api/client'
import { useLarder } from '@/api/kitchen'

type Kind = 'milk' | 'pan' | 'burner'

type Milk = LarderOut['milks'][number]

/**
 * The Larder's milk that a word of the address means: its number, or of a milk of the tables that a sweet asks for
 * ("full-cream") the one that comes nearest to it in fat and SNF, of the same animal if there is one.
 */
export function milkMeant(kitchen: LarderOut, among: Milk[], word: string): Milk | undefined {
  const numbered = among.find((m) => String(m.id) === word)
  const kind = kitchen.milk_kinds?.find((k) => k.key === word)
  if (numbered || !kind) return numbered
  const off = (m: Milk) =>
    Math.abs(m.fat_pct - kind.fat_pct) +
    Math.abs(m.snf_pct - kind.snf_pct) +
    (m.species === kind.species ? 0 : 10)
  return [...among].sort((a, b) => off(a) - off(b))[0]
}

/**
 * The words of a sentence as they stand in the address: what is as usual stays out of it, and a number that
 * the Larder does not know becomes its first.
 */
export function useWords<T extends Record<string, string>>(path: string, first: T, kinds: Kind[]) {
  const route = useRoute()
  const router = useRouter()
  const larder = useLarder()
  const words = reactive({ ...first }) as T

  const fitting = (kitchen: LarderOut, kind: Kind) =>
    kind === 'milk'
      ? kitchen.milks.filter((m) => m.species !== 'coconut')
      : kitchen[`${kind}s` as 'pans' | 'burners']
  /** The address as it was read last: what is typed meanwhile stays when only the Larder has come or changed. */
  let read: LocationQuery | undefined
  watch(
    [() => route.query, larder.data],
    ([query, kitchen]) => {
      if ((kinds.length && !kitchen) || route.path !== path) return
      if (query !== read) {
        read = query
        for (const key of Object.keys(first) as (keyof T & string)[]) {
          const said = query[key]
          words[key] = (typeof said === 'string' ? said : first[key]) as T[typeof key]
        }
      }
      if (!kitchen) return
      for (const kind of kinds) {
        const list = fitting(kitchen, kind)
        if (kind === 'milk') {
          const meant = milkMeant(kitchen, list as Milk[], words[kind] ?? '')
          if (meant) words[kind as keyof T] = String(meant.id) as T[keyof T]
        }
        if (!list.some((x) => String(x.id) === words[kind]))
          words[kind as keyof T] = String(list[0]?.id ?? '') as T[keyof T]
      }
    },
    { immediate: true },
  )
  /** `aside`: no step of its own on the way back. */
  function keep(change: Partial<T> = {}, aside = false) {
    Object.assign(words, change)
    const query = Object.fromEntries(
      Object.entries(words).filter(([key, value]) => value !== first[key]),
    )
    void router[aside ? 'replace' : 'push']({ query })
  }
  const milks = () =>
    fitting(larder.data.value!, 'milk').map((m) => ({ value: String(m.id), text: m.name }))
  return { larder, words, keep, milks }
}

export const shown = (list: { value: string; text: string }[], value: string) =>
  list.find((x) => x.value === value)?.text ?? value

export const plain = (...list: string[]) => list.map((a) => ({ value: a, text: a }))
