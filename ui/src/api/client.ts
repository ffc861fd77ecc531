import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type Forecast = Schemas['ForecastOut']
export type ReduceIn = Schemas['ReduceIn']
export type CurdleIn = Schemas['CurdleIn']
export type StrainIn = Schemas['StrainIn']
export type Batch = Schemas['BatchOut']
export type EventIn = Schemas['EventIn']['event']
export type LarderOut = Schemas['LarderOut']
export type PanOut = Schemas['PanOut']
export type PanIn = Schemas['PanIn']
export type MaterialOut = Schemas['MaterialOut']
export type Range = Schemas['Range']
export type Why = Schemas['WhyOut']
export type Track = Schemas['TrackOut']
export type CurdBatch = Schemas['CurdBatchOut']
export type SweetIn = Schemas['SweetIn']
export type SweetOut = Schemas['SweetOut']
/** What stands there of a weighed batch. */
export type Standing = Schemas['BaseChoice']
export type ShelfThing = Schemas['ShelfThing']
export type SweetChoice = Schemas['SweetChoice']
export type SweetChoices = Schemas['SweetChoices']
export type Told = Schemas['ToldOut']
export type SwapOut = Schemas['SwapOut']
export type Level = Schemas['LevelOut']
export type SweetBatch = Schemas['SweetBatchOut']
/** A batch of any kind as the Book tells it. */
export type BookStory = Schemas['StoryOut']
/** A year of the Book. */
export type Season = Schemas['SeasonOut']
/** What a kitchen has learned of its own numbers. */
export type AllLearned = Schemas['AllLearnedOut']
export type LearnedNumber = Schemas['LearnedOut']
export type DayIn = Schemas['DayIn']
export type DayOut = Schemas['DayOut']
export type KeptDayOut = Schemas['KeptDayOut']
export type WayOut = Schemas['WayOut']
export type CureOut = Schemas['CureOut']
export type DayAfter = Schemas['DayAfterOut']
export type StockLine = Schemas['StockLine']
export type KeptDay = Schemas['KeptDayOut']
export type CaramelBatch = Schemas['CaramelBatchOut']
export type CaramelOut = Schemas['CaramelOut']
export type CaramelIn = Schemas['CaramelIn']
/** A batch of any kind, told apart by its `kind`. */
export type AnyBatch = Batch | CurdBatch | CaramelBatch | SweetBatch
export type Flame = Batch['flame']
export type Me = Schemas['MeOut']
export type Right = NonNullable<Me['allowed']>
export type DoorOut = Schemas['DoorOut']
export type DeviceOut = Schemas['DeviceOut']

/** What went wrong, as the server says it: a title, a sentence, and the field with its fix. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly fields: Schemas['FieldProblem'][],
  ) {
    super(detail || title)
  }

  get field(): string {
    return this.fields[0]?.path ?? ''
  }
}

export const api = createClient<paths>({ baseUrl: '/' })

let notLetIn: () => void = () => undefined
/** Called when the server answers that this device is not let in (any more). */
export const onNotLetIn = (hear: () => void) => (notLetIn = hear)
api.use({
  onResponse({ response }) {
    if (response.status === 401) notLetIn()
    return undefined
  },
})

/** Turns openapi-fetch's {data, error} into a value or a thrown ApiProblem. */
export async function unwrap<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let got
  try {
    got = await answer
  } catch (error) {
    if (!(error instanceof TypeError)) throw error // not the network: what was typed cannot be sent
    throw new ApiProblem(0, 'No answer', 'The kitchen’s server does not answer. Try again.', [])
  }
  if (got.data !== undefined) return got.data
  const body = (got.error ?? {}) as Partial<Schemas['Problem']>
  throw new ApiProblem(
    got.response.status,
    body.title ?? 'No answer',
    body.detail ?? '',
    body.fields ?? [],
  )
}

declare module '@tanstack/vue-query' {
  interface Register {
    defaultError: ApiProblem
  }
}
