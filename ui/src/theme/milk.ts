import { interpolateRgb } from './mix'

const RAMP: [number, string][] = [
  [1, '#fffef8'],
  [2, '#fbf3dc'],
  [3, '#f3e2b8'],
  [4.5, '#e3c283'],
  [6, '#c79a55'],
  [8, '#9c6b33'],
]

/** Colour of milk taken `times` as far as it started (1 = fresh): the only gradient there is. */
export function milkColour(times: number): string {
  let [x0, c0] = RAMP[0]!
  for (const [x1, c1] of RAMP) {
    if (times <= x1) return x1 === x0 ? c1 : interpolateRgb(c0, c1, (times - x0) / (x1 - x0))
    ;[x0, c0] = [x1, c1]
  }
  return c0
}
