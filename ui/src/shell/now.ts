import { readonly, ref } from 'vue'

const now = ref(performance.now())
setInterval(() => (now.value = performance.now()), 1000)

/** The browser's steady clock, ticking once a second: times run on from it, whatever the wall clock does. */
export const steadyNow = readonly(now)

/** Seconds since a steadyNow stamp. */
export function since(received: number): number {
  return Math.max(0, (now.value - received) / 1000)
}
