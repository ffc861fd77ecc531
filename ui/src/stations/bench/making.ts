import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useSweets } from '@/api/kitchen'

/**
 * The making that a base is planned for. It comes in the address (`making`, `slot`) from the sweet on the Stove, and
 * holds while the sentence is changed, until something is begun or it is let go.
 */
const planned = ref<{ parent: number; slot: string } | null>(null)

export function useMaking() {
  const route = useRoute()
  watch(
    () => [route.query.making, route.query.slot],
    ([making, slot]) => {
      if (making && slot) planned.value = { parent: Number(making), slot: String(slot) }
    },
    { immediate: true },
  )
  const sweets = useSweets()
  const sweet = computed(() => sweets.data.value?.find((s) => s.id === planned.value?.parent))
  return {
    /** The sweet's name; empty when the plan is for itself. */
    name: computed(() => (planned.value && sweet.value ? sweet.value.name : '')),
    /** What is sent with the batch that begins. */
    sent: () => (planned.value && sweet.value ? { ...planned.value } : {}),
    letGo: () => (planned.value = null),
  }
}
