import { onBeforeUnmount, onMounted, reactive, toRaw } from 'vue'

export interface Key {
  key: string
  does: string
  run: () => void
}

/** Keys of the current screen, listed by "?". */
export const keys = reactive<{ list: Key[] }>({ list: [] })

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [role=dialog]') !== null

export function pressed(event: KeyboardEvent, list: Key[]): void {
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
  const hit = list.find((k) => k.key.toLowerCase() === event.key.toLowerCase())
  if (!hit) return
  event.preventDefault()
  hit.run()
}

/** Single keys while this screen is open. */
export function useKeys(list: Key[]): void {
  const on = (event: KeyboardEvent) => pressed(event, list)
  onMounted(() => {
    keys.list = list
    window.addEventListener('keydown', on)
  })
  onBeforeUnmount(() => {
    if (toRaw(keys.list) === list) keys.list = []
    window.removeEventListener('keydown', on)
  })
}
