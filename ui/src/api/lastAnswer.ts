import { shallowRef, watch, type Ref } from 'vue'

/** The last answer there was: the page keeps its shape while a plan is refused, with its figures out of sight. */
export function useLastAnswer<T>(data: Ref<T | undefined>) {
  const last = shallowRef<T>()
  watch(data, (answer) => answer && (last.value = answer), { immediate: true })
  return last
}
