import { useQuery } from '@tanstack/vue-query'
import { api, unwrap, type Standing } from './client'
import { serverNow } from './outbox'

/** When what stands in the fridge has been there as long as it may, by the kitchen's clock. */
export const ends = (b: Pick<Standing, 'weighed_at_s' | 'fridge_days'>) =>
  b.weighed_at_s + b.fridge_days * 86400
export const isOver = (b: Pick<Standing, 'weighed_at_s' | 'fridge_days'>) => ends(b) < serverNow()

export function useBases() {
  return useQuery({
    queryKey: ['sweet-bases'],
    queryFn: async () => (await unwrap(api.GET('/api/sweets/bases'))).bases,
    staleTime: 15_000,
  })
}
