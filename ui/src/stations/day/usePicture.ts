import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import DayPicture from './DayPicture.vue'
import DayUpright from './DayUpright.vue'

/** The picture of a day that fits this screen: lying, or upright on a phone. */
export function usePicture() {
  const narrow = useMediaQuery('(max-width: 760px)')
  return computed(() => (narrow.value ? DayUpright : DayPicture))
}
