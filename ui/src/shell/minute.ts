import { computed } from 'vue'
import { serverNow } from '@/api/outbox'
import { steadyNow } from './now'

/** By the kitchen's clock, ms, to the minute: a sentence that is read does not change under the eyes. */
export const kitchenMinute = computed(
  () => Math.floor((steadyNow.value, serverNow()) / 60) * 60_000,
)
