import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, unwrap } from '@/api/client'
import type { paths } from '@/api/schema'

/** Our own text: the science behind the figures, and how to use them. */
export type Volume = 'science' | 'using'
type ScienceKey = paths['/api/science/{page}']['get']['parameters']['path']['page']
export type UsingKey = paths['/api/using/{page}']['get']['parameters']['path']['page']

const ask = {
  science: (page: string) =>
    unwrap(api.GET('/api/science/{page}', { params: { path: { page: page as ScienceKey } } })),
  using: (page: string) =>
    unwrap(api.GET('/api/using/{page}', { params: { path: { page: page as UsingKey } } })),
}

export function useText(volume: MaybeRefOrGetter<Volume>, page: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['text', computed(() => toValue(volume)), computed(() => toValue(page))],
    queryFn: () => ask[toValue(volume)](toValue(page)),
    staleTime: Infinity,
    retry: false,
  })
}

const WHERE: [RegExp, UsingKey][] = [
  [/^\/(larder\/door|knock)/, 'phone'],
  [/^\/larder/, 'larder'],
  [/^\/bench\/(curdle|strain)/, 'curd'],
  [/^\/bench\/caramel/, 'caramel'],
  [/^\/bench/, 'bench'],
  [/^\/sweets/, 'sweets'],
  [/^\/day/, 'day'],
  [/^\/stove\/rehearse/, 'rehearse'],
  [/^\/stove\/caramel/, 'caramel'],
  [/^\/stove\/curd/, 'curd'],
  [/^\/stove/, 'stove'],
  [/^\/book\/mend/, 'mend'],
  [/^\/book/, 'book'],
]
/** The page on how to use the screen at an address. */
export const pageFor = (address: string): UsingKey =>
  WHERE.find(([at]) => at.test(address))?.[1] ?? 'about'
