import { spoken } from '@/say'

/** What a step of a curd asks for, and what is said when it is done. */
const STEPS: Record<string, { asks: string; done: string } | undefined> = {
  'to-the-boil': { asks: 'Bring it to the boil.', done: 'It boils' },
  wait: { asks: 'Take it off the flame and wait.', done: 'Waited' },
  acid: { asks: 'Stir the acid in, a little at a time.', done: 'The whey is clear' },
  strain: { asks: 'Pour it through wet muslin.', done: 'Strained' },
  rinse: { asks: 'Rinse it with cool water.', done: 'Rinsed' },
  hang: { asks: 'Let it hang.', done: 'Taken down' },
  'light-squeeze': { asks: 'Squeeze it lightly, then let it stand.', done: 'Drained' },
  'hard-squeeze': { asks: 'Squeeze it hard.', done: 'Squeezed' },
  press: { asks: 'Press it under its weight.', done: 'Pressed' },
  fridge: { asks: 'Chill it.', done: 'Chilled' },
  weigh: { asks: 'Weigh it.', done: 'Weighed' },
  knead: { asks: 'Knead it with the heel of the hand.', done: 'Kneaded' },
}

export const curdStep = (name: string) => STEPS[name] ?? { asks: spoken(name), done: 'Done' }
