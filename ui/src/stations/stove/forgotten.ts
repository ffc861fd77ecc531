import type { EventIn, Flame } from '@/api/client'
import type { LiveAny } from '@/api/kitchen'
import { SHADES } from '@/caramel/shades'

/** What can be said afterwards of a batch of each kind. `figure`: the label of the number it needs. */
export interface Forgotten {
  value: string
  text: string
  figure?: string
  /** It needs a flame too. */
  flame?: boolean
  made: (at_s: number, figure: number, flame: Flame) => EventIn
}

type Plain = 'first_boil' | 'stirred' | 'scraped' | 'off' | 'step_done'
const plain = (value: Plain, text: string): Forgotten => ({
  value,
  text,
  made: (at_s) => ({ kind: value, at_s }) as EventIn,
})
const weighing = (kind: 'sugar_in' | 'whey' | 'weighed', text: string, of: string): Forgotten => ({
  value: kind,
  text,
  figure: `${of}, g`,
  made: (at_s, grams) => ({ kind, mass_kg: grams / 1000, at_s }),
})

const REDUCED: Forgotten[] = [
  plain('first_boil', 'first boil'),
  plain('stirred', 'stirred'),
  plain('scraped', 'scraped'),
  weighing('sugar_in', 'sugar in, g', 'sugar in'),
  {
    value: 'depth',
    text: 'depth, cm',
    figure: 'depth, cm',
    made: (at_s, cm) => ({ kind: 'reading', how: 'depth', value: cm / 100, sure: false, at_s }),
  },
  {
    value: 'weight',
    text: 'weight, g',
    figure: 'weight, g',
    made: (at_s, g) => ({ kind: 'reading', how: 'weight', value: g / 1000, sure: false, at_s }),
  },
  {
    value: 'flame_changed',
    text: 'flame',
    flame: true,
    made: (at_s, _, flame) => ({ kind: 'flame_changed', flame, at_s }),
  },
  plain('off', 'taken off'),
]
type StepKind = 'step_begun' | 'step_done'
const BOTH: readonly StepKind[] = ['step_begun', 'step_done']
const WHEY = weighing('whey', 'whey', 'All the whey by then')
const CURD = weighing('weighed', 'the curd', 'The curd weighed')

const CARAMEL: Forgotten[] = [
  ...SHADES.map((s) => ({
    value: `shade ${s.key}`,
    text: `it looked ${s.text}`,
    made: (at_s: number): EventIn => ({ kind: 'shade_seen', shade: s.key, at_s }),
  })),
  {
    value: 'heat',
    text: 'temperature',
    figure: '°C',
    made: (at_s, c) => ({ kind: 'reading', how: 'temperature', value: c, sure: false, at_s }),
  },
  plain('off', 'taken off'),
  ...(['butter', 'milk', 'condensed'] as const).map((what) => ({
    value: `added ${what}`,
    text: `${what === 'condensed' ? 'condensed milk' : what} in`,
    figure: `${what === 'condensed' ? 'Condensed milk' : what === 'milk' ? 'Milk' : 'Butter'}, g`,
    made: (at_s: number, g: number): EventIn => ({
      kind: 'added',
      what,
      mass_kg: g / 1000,
      at_s,
    }),
  })),
  plain('scraped', 'sides wiped down'),
  weighing('weighed', 'what it gave', 'It gave'),
]

export function forgotten(batch: LiveAny): Forgotten[] {
  switch (batch.kind) {
    case 'reduce':
      return REDUCED
    case 'curdle':
      return [
        plain('step_done', 'a step was done'),
        {
          value: 'poured',
          text: 'acid',
          figure: `Poured, ${batch.curdle?.acid.unit ?? 'ml'}`,
          made: (at_s, amount) => ({ kind: 'poured', amount: amount / 1000, clear: false, at_s }),
        },
        WHEY,
        CURD,
      ]
    case 'strain':
      return [plain('step_done', 'taken down'), WHEY, CURD]
    case 'caramel':
      return CARAMEL
    case 'sweet':
      return [
        ...batch.steps.flatMap((step) => {
          const name = step.say.split(':')[0]!.replace(/\.$/, '')
          const left = { done: [], running: ['step_done'], ready: BOTH, waits: BOTH }[step.phase]
          return (left as readonly StepKind[]).map((kind) => ({
            value: `${kind} ${step.key}`,
            text: `${name}: ${kind === 'step_begun' ? 'begun' : 'done'}`,
            made: (at_s: number): EventIn => ({ kind, step: step.key, at_s }),
          }))
        }),
        weighing('weighed', 'the sweet weighed', 'The sweet weighed'),
      ]
  }
}
