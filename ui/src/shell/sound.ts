/** Mulvek's own sounds, made in the browser: a spoon on enamel, louder when it matters more. */
import { useStorage } from '@vueuse/core'

export const sounding = useStorage('mulvek-sound', true)

let context: AudioContext | null = null

/** A page may sound only after it was touched once. */
export function armSound(): void {
  if (!context && 'AudioContext' in window) context = new AudioContext()
  if (context?.state === 'suspended') void context.resume()
}

/** One stroke: two slightly detuned partials of an enamel rim, dying away. */
function stroke(at: number, hertz: number, loud: number, seconds: number): void {
  const c = context!
  for (const [ratio, share] of [
    [1, 0.6],
    [2.76, 0.28],
    [5.4, 0.12],
  ] as const) {
    const tone = c.createOscillator()
    const fade = c.createGain()
    tone.frequency.value = hertz * ratio
    fade.gain.setValueAtTime(0, at)
    fade.gain.linearRampToValueAtTime(loud * share, at + 0.004)
    fade.gain.exponentialRampToValueAtTime(0.0001, at + seconds / ratio ** 0.5)
    tone.connect(fade).connect(c.destination)
    tone.start(at)
    tone.stop(at + seconds)
  }
}

export function play(how: 'chime' | 'speak' | 'alarm'): void {
  if (how !== 'chime' && navigator.userActivation?.hasBeenActive)
    navigator.vibrate?.(how === 'alarm' ? [400, 150, 400, 150, 400] : [250])
  if (!sounding.value || !context || context.state !== 'running') return
  const t = context.currentTime + 0.02
  if (how === 'chime') {
    stroke(t, 740, 0.25, 0.9)
    stroke(t + 0.22, 988, 0.2, 1.1)
  } else if (how === 'speak') {
    for (const [i, hertz] of [659, 880, 1175].entries()) stroke(t + i * 0.2, hertz, 0.5, 1)
  } else {
    for (let i = 0; i < 6; i++) stroke(t + i * 0.32, i % 2 ? 1319 : 988, 0.9, 0.7)
  }
}
