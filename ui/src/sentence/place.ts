import { useElementBounding, useWindowSize } from '@vueuse/core'
import { computed, type Ref } from 'vue'

/** Where a word's pop-over stands: under its word, or on a phone across the screen, just under it. */
export function usePlace(button: Ref<HTMLElement | undefined>) {
  const box = useElementBounding(button)
  const { width } = useWindowSize()
  return computed(() => {
    const phone = width.value < 600
    return {
      placement: phone ? ('bottom-start' as const) : ('bottom' as const),
      showArrow: !phone,
      x: phone ? 10 : box.left.value + box.width.value / 2,
      y: box.bottom.value + 2,
    }
  })
}
