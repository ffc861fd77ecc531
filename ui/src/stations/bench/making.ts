import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useRunning } from '@/api/kitchen'

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
  const running = useRunning()
  const sweet = computed(() => running.data.value?.find((b) => b.id === planned.value?.parent))
  const ofSweet = computed(() => (planned.value && sweet.value ? sweet.value.name : ''))
  return {
    /** What a base of it is called; `plain` when it is for itself. */
    called: (what: string, plain: string) =>
      ofSweet.value ? `${what} for ${ofSweet.value}` : plain,
    /** The sweet's name; empty when the plan is for itself. */
    name: ofSweet,
    /** What is sent with the batch that begins. */
    sent: () => (planned.value && sweet.value ? { ...planned.value } : {}),
    letGo: () => (planned.value = null),
  }
}
