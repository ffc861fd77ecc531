import type { Live, Nudge } from './live'

/** A nudge and a pan that asks, as small as may be. */
export const nudge = (key: string, due: number, more: Partial<Nudge> = {}): Nudge => ({
  key,
  episode: '1',
  kind: 'care',
  due_at_s: due,
  act: `${key} it.`,
  strip: key,
  answer: 'stirred',
  missed: false,
  hushed: false,
  ...more,
})
export const live = (name: string, nudges: Nudge[], more: Partial<Live> = {}): Live => ({
  of: 'pan',
  id: 1,
  name,
  place: 'kadhai',
  path: '/stove/1',
  burners: [1],
  pans: [1],
  nudges,
  hushed: false,
  making: null,
  onFire: true,
  nowS: () => 1000,
  ...more,
})
