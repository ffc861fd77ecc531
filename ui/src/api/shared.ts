// Written by ./run api from src/mulvek/web/shared.py. Do not change it here.
export const ADDRESSES = {
  "home": "/",
  "knock": "/knock",
  "larder": "/larder",
  "door": "/larder/door",
  "reduce": "/bench",
  "curdle": "/bench/curdle",
  "strain": "/bench/strain",
  "caramel": "/bench/caramel",
  "sweets": "/sweets",
  "own-sweet": "/sweets/own",
  "stove": "/stove",
  "pan": "/stove/:id(\\d+)",
  "rehearse": "/stove/rehearse",
  "rehearsal": "/stove/rehearse/:id(\\d+)",
  "curd": "/stove/curd/:id(\\d+)",
  "sweet": "/stove/sweet/:id(\\d+)",
  "book": "/book",
  "batch": "/book/:id(\\d+)"
} as const
export const STAGES = [
  "runs like milk",
  "thin cream",
  "coats the spoon",
  "slow ribbon",
  "spoonable",
  "holds its shape",
  "soft dough",
  "firm dough"
] as const
export const STAGE_VERBS = [
  "runs like milk",
  "pours like thin cream",
  "coats the spoon",
  "falls in a slow ribbon",
  "mounds on the spoon",
  "holds its shape",
  "kneads like soft dough",
  "is a firm dough"
] as const
export const LOUDNESS = [
  "wait",
  "show",
  "chime",
  "speak",
  "alarm"
] as const
export const SPEAK_AFTER_S = 40
export const ALARM_AFTER_S = 120
export const MISSED_AFTER_S = 240
export const OK_BUYS_S = 90
export const SPEEDS = [
  1,
  2,
  5,
  10,
  20,
  60
] as const
export const LONGEST_NAME = 60
export const LONGEST_WORDS = 80
export const LONGEST_NOTE = 2000
