import { useQueryClient } from '@tanstack/vue-query'
import { watch, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Me } from '@/api/client'
import { may } from './me'

/**
 * From the doorway into the kitchen, once let in: with a new secret, to the pan that was asked for, else to the station
 * where this device may work.
 */
export function useEntering(me: Ref<Me | undefined>): void {
  const client = useQueryClient()
  const router = useRouter()
  watch(
    () => me.value?.state,
    async (now, before) => {
      if (now !== 'in' || before !== 'knocking') return
      const entered = await unwrap(api.POST('/api/door/enter', { body: {} }))
      await client.cancelQueries({ queryKey: ['me'] })
      client.setQueryData(['me'], entered)
      await client.invalidateQueries()
      if (router.currentRoute.value.params.id) return
      await router.replace(may('cook') ? '/bench' : '/stove')
    },
  )
}
