import { useStorage } from '@vueuse/core'
import { onUnmounted, watch, type Ref } from 'vue'
import type { Vessel } from './rehearsal'

/** The sounds of a pan, made in the browser: off until they are asked for. */
export const panSounding = useStorage('mulvek-pan-sound', false)

export interface Heard {
  /** How loud it simmers or boils, 0-1. */
  boil: number
  /** How loud fat sizzles, 0-1. */
  sizzle: number
  /** Drops a second. */
  drips: number
}

/** What would be heard of all vessels together. */
export function heard(vessels: Vessel[]): Heard {
  let [boil, sizzle, drips] = [0, 0, 0]
  for (const { kind, view: v, done } of vessels) {
    if (done) continue
    const flame = (v.flame ?? 0) / 3
    const boils = kind === 'bath' ? (v.rolls ?? 0) : (v.foam_m ?? 0) > 0.002 ? 1 : 0.25
    if (kind === 'fry') sizzle = Math.max(sizzle, (v.balls ?? 0) > 0 ? 0.5 + 0.5 * flame : 0)
    else if (kind === 'cloth') drips = Math.max(drips, (v.drips ?? 0) * 4)
    else if (kind === 'curd' && (v.cloth ?? 0) > 0) drips = Math.max(drips, (v.wet ?? 0) * 3)
    else boil = Math.max(boil, flame * boils)
  }
  return { boil, sizzle, drips }
}

class Pan {
  private context = new AudioContext()
  private boil = this.noise(260, 0.8)
  private sizzle = this.noise(4200, 1.4)
  private dripping = 0

  private noise(hertz: number, q: number): GainNode {
    const c = this.context
    const buffer = c.createBuffer(1, c.sampleRate * 2, c.sampleRate)
    const data = buffer.getChannelData(0)
    for (let i = 0; i < data.length; i++) data[i] = Math.random() * 2 - 1
    const source = c.createBufferSource()
    source.buffer = buffer
    source.loop = true
    const band = c.createBiquadFilter()
    band.type = 'bandpass'
    band.frequency.value = hertz
    band.Q.value = q
    const gain = c.createGain()
    gain.gain.value = 0
    source.connect(band).connect(gain).connect(c.destination)
    source.start()
    return gain
  }

  private drop() {
    const c = this.context
    const tone = c.createOscillator()
    const fade = c.createGain()
    const t = c.currentTime
    tone.frequency.setValueAtTime(1400, t)
    tone.frequency.exponentialRampToValueAtTime(500, t + 0.07)
    fade.gain.setValueAtTime(0.08, t)
    fade.gain.exponentialRampToValueAtTime(0.0001, t + 0.12)
    tone.connect(fade).connect(c.destination)
    tone.start(t)
    tone.stop(t + 0.13)
  }

  set(now: Heard) {
    const t = this.context.currentTime
    this.boil.gain.linearRampToValueAtTime(0.22 * now.boil, t + 0.6)
    this.sizzle.gain.linearRampToValueAtTime(0.16 * now.sizzle, t + 0.6)
    clearInterval(this.dripping)
    if (now.drips > 0.1)
      this.dripping = window.setInterval(() => this.drop(), 1000 / Math.min(4, now.drips))
  }

  close() {
    clearInterval(this.dripping)
    void this.context.close()
  }
}

/** Let the vessels be heard while this page is open and sounds are wanted; ``still``: the clock stands. */
export function usePanSound(vessels: Ref<Vessel[]>, still: Ref<boolean>): void {
  let pan: Pan | null = null
  watch(
    [panSounding, vessels, still],
    () => {
      if (!panSounding.value || !('AudioContext' in window)) {
        pan?.close()
        pan = null
        return
      }
      pan ??= new Pan()
      pan.set(still.value ? { boil: 0, sizzle: 0, drips: 0 } : heard(vessels.value))
    },
    { immediate: true },
  )
  onUnmounted(() => pan?.close())
}
