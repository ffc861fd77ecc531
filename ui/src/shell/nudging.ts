import { useWakeLock } from '@vueuse/core'
import { onBeforeUnmount, onMounted, watch } from 'vue'
import { useRoute } from 'vue-router'
import { post } from '@/api/outbox'
import { stopwatch } from '@/say'
import { MISSED_AFTER_S } from '@/api/shared'
import { asked, loudness, useLives, type Asked, type Loudness } from './live'
import { steadyNow } from './now'
import { armSound, play } from './sound'

const ONE_SOUND_EACH_MS = 20_000
const ALARM_EACH_MS = 60_000

/** Tells what is due: by sound and vibration, in the title, with the screen kept awake while milk is on the fire. */
export function useNudging(): void {
  const lives = useLives()
  const route = useRoute()
  const told = new Map<string, Loudness>()
  const recorded = new Set<string>()
  let lastSound = -Infinity

  const nameOf = (a: Asked) => `${a.live.of}-${a.live.id}-${a.nudge.key}-${a.nudge.episode}`

  function sound(all: Asked[]): void {
    const now = performance.now()
    let loudest: 'chime' | 'speak' | 'alarm' | null = null
    for (const a of all) {
      const level = loudness(a.nudge, a.live.nowS())
      const fresh = told.get(nameOf(a)) !== level
      told.set(nameOf(a), level)
      if (level === 'wait' || level === 'show') continue
      const again = level === 'alarm' && now - lastSound >= ALARM_EACH_MS
      if (!fresh && !again) continue
      if (!loudest || level === 'alarm' || (level === 'speak' && loudest === 'chime'))
        loudest = level
    }
    if (loudest && (loudest !== 'chime' || now - lastSound >= ONE_SOUND_EACH_MS)) {
      lastSound = now
      play(loudest)
    }
  }

  /** A care that nobody answered is kept as missed, once, whichever device noticed. */
  function record(all: Asked[]): void {
    for (const a of all) {
      if (a.nudge.kind !== 'care' || a.nudge.missed || a.left > -MISSED_AFTER_S) continue
      const key = `missed-${nameOf(a)}`.slice(0, 64)
      if (recorded.has(key)) continue
      recorded.add(key)
      const event = { kind: 'missed' as const, nudge: a.nudge.key, episode: a.nudge.episode, key }
      post({ of: a.live.of, id: a.live.id, event }).catch(() => undefined)
    }
  }

  function title(all: Asked[]): void {
    const next = all.find((a) => a.live.onFire || a.left <= 0)
    const station = `${String(route.meta.title ?? '')} · Mulvek`
    document.title = !next
      ? station
      : next.left <= 0
        ? `● ${next.nudge.strip} · ${next.live.name}`
        : `${stopwatch(next.left)} ${next.nudge.strip} · Mulvek`
  }

  watch(steadyNow, () => {
    const all = asked(lives.value)
    sound(all)
    record(all)
    title(all)
  })

  const wake = useWakeLock()
  watch(
    () => lives.value.some((l) => l.onFire),
    (lit) => {
      if (lit) wake.request('screen').catch(() => undefined)
      else wake.release().catch(() => undefined)
    },
    { immediate: true },
  )
  onMounted(() => {
    window.addEventListener('pointerdown', armSound)
    window.addEventListener('keydown', armSound)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('pointerdown', armSound)
    window.removeEventListener('keydown', armSound)
  })
}
