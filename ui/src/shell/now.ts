import { readonly, ref } from 'vue'

const now = ref(performance.now())
setInterval(() => (now.value = performance.now()), 1000)

/** The browser's steady clock, ticking once a second: times run on from it, whatever the wall clock does. */
export const steadyNow = readonly(now)

/** Seconds since a steadyNow stamp. */
function since(received: number): number {
  return Math.max(0, (now.value - received) / 1000)
}

/** Seconds of its own kitchen's time since this tab heard of it; a rehearsal's clock runs faster. */
export function ran(live: { received: number; pace?: number }): number {
  return since(live.received) * (live.pace ?? 1)
}
