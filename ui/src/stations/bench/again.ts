import type { LocationQueryRaw } from 'vue-router'
import type { CaramelBatch, CurdBatch, CurdleIn, ReduceIn, StrainIn } from '@/api/client'
import { ADDRESSES } from '@/api/shared'
import { queryFrom } from './plan'

type Address = { path: string; query: LocationQueryRaw }

const text = (value: unknown) => (value == null ? '' : String(value))
/** A number of the Larder; what was given whole is chosen anew. */
const known = (thing: unknown) => (typeof thing === 'object' ? '' : text(thing))
const said = (words: Record<string, string>) =>
  Object.fromEntries(Object.entries(words).filter(([, value]) => value !== ''))

/** The Bench with the words that this milk was reduced by. */
export function reduceAgain(plan: ReduceIn): Address {
  const query = queryFrom({
    amount: plan.amount,
    milk: known(plan.milk),
    pan: known(plan.pan),
    burner: known(plan.burner),
    flame: text(plan.flame),
    stop: plan.stop,
    sugar: text(plan.sugar),
    kind: text(plan.sugar_kind),
    when: text(plan.sugar_time),
    boil: text(plan.to_boil),
    lid: plan.lid ? 'on' : 'off',
    stir: text(plan.stirring),
    wet: plan.wetted ? 'wet' : 'dry',
    add: (plan.additions ?? []).map((a) => ({
      what: text(a.what),
      amount: a.amount,
      when: a.late ? 'end' : 'start',
    })),
  })
  return { path: ADDRESSES.reduce, query }
}

/** The same of a curd; what was read off that time is not said again. */
export function curdAgain({ kind, words }: CurdBatch): Address | null {
  if (!words) return null
  return kind === 'curdle'
    ? { path: ADDRESSES.curdle, query: curdled(words as CurdleIn) }
    : { path: ADDRESSES.strain, query: strained(words as StrainIn) }
}

const curdled = (plan: CurdleIn) => ({
  ...said({
    amount: plan.amount,
    milk: known(plan.milk),
    pan: known(plan.pan),
    burner: known(plan.burner),
    wait: text(plan.wait),
    acid: text(plan.coagulant),
    strength: text(plan.strength),
    drain: text(plan.drain),
    time: text(plan.drain_time),
    hold: text(plan.hold),
    use: text(plan.use),
    piece: text(plan.piece),
    binder: text(plan.binder),
    fridge: text(plan.fridge_time),
    thin: text(plan.dilute_to),
    cold: text(plan.rinse_c),
    rinses: text(plan.rinses),
  }),
  rinse: text(plan.rinse), // none is said too
})

const strained = (plan: StrainIn) => ({
  ...said({
    yoghurt: known(plan.yoghurt),
    amount: text(plan.amount),
    cloth: text(plan.cloth),
    hung: text(plan.hung),
    bags: text(plan.bags),
    place: text(plan.place),
    time: text(plan.time),
    sour: text(plan.acidity),
  }),
  end: text(plan.end),
})

export const caramelAgain = ({ plan }: CaramelBatch): Address => ({
  path: ADDRESSES.caramel,
  query: {
    sugar: plan.sugar ?? '',
    shade: text(plan.shade),
    butter: text(plan.butter),
    amount: text(plan.milk_amount),
    condensed: text(plan.condensed),
    solids: text(plan.solids),
    ...said({
      milk: known(plan.milk),
      pan: known(plan.pan),
      burner: known(plan.burner),
      melt: text(plan.melt_on),
      flame: text(plan.flame),
    }),
  },
})
