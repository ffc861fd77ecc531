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
  "told": "/sweets/own",
  "own-sweet": "/sweets/own/letters",
  "day": "/day",
  "day-begun": "/day/:id(\\d+)",
  "stove": "/stove",
  "pan": "/stove/:id(\\d+)",
  "across": "/stove/across",
  "rehearse": "/stove/rehearse",
  "rehearsal": "/stove/rehearse/:id(\\d+)",
  "curd": "/stove/curd/:id(\\d+)",
  "caramel-pan": "/stove/caramel/:id(\\d+)",
  "sweet": "/stove/sweet/:id(\\d+)",
  "book": "/book",
  "mend": "/book/mend",
  "beside": "/book/beside",
  "learned": "/book/learned",
  "season": "/book/season",
  "batch": "/book/:id(\\d+)",
  "science": "/science/:page",
  "using": "/using/:page"
} as const
export const STATIONS_WITH_WORDS = [
  "reduce",
  "curdle",
  "strain",
  "caramel",
  "sweets",
  "told",
  "day",
  "shopping"
] as const
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
export const SHADES_C = {
  "clear": [
    140.0,
    150.0
  ],
  "straw": [
    150.0,
    162.0
  ],
  "pale-gold": [
    162.0,
    168.0
  ],
  "amber": [
    168.0,
    175.0
  ],
  "deep-amber": [
    175.0,
    182.0
  ],
  "dark": [
    182.0,
    190.0
  ]
} as const
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
  0,
  1,
  2,
  5,
  10,
  20,
  60
] as const
export const CURRENCIES = ["AED", "AFN", "ALL", "AMD", "ANG", "AOA", "ARS", "AUD", "AWG", "AZN", "BAM", "BBD", "BDT", "BGN", "BHD", "BIF", "BMD", "BND", "BOB", "BRL", "BSD", "BTN", "BWP", "BYN", "BZD", "CAD", "CDF", "CHF", "CLP", "CNY", "COP", "CRC", "CUP", "CVE", "CZK", "DJF", "DKK", "DOP", "DZD", "EGP", "ERN", "ETB", "EUR", "FJD", "FKP", "GBP", "GEL", "GHS", "GIP", "GMD", "GNF", "GTQ", "GYD", "HKD", "HNL", "HTG", "HUF", "IDR", "ILS", "INR", "IQD", "IRR", "ISK", "JMD", "JOD", "JPY", "KES", "KGS", "KHR", "KMF", "KPW", "KRW", "KWD", "KYD", "KZT", "LAK", "LBP", "LKR", "LRD", "LSL", "LYD", "MAD", "MDL", "MGA", "MKD", "MMK", "MNT", "MOP", "MRU", "MUR", "MVR", "MWK", "MXN", "MYR", "MZN", "NAD", "NGN", "NIO", "NOK", "NPR", "NZD", "OMR", "PAB", "PEN", "PGK", "PHP", "PKR", "PLN", "PYG", "QAR", "RON", "RSD", "RUB", "RWF", "SAR", "SBD", "SCR", "SDG", "SEK", "SGD", "SHP", "SLE", "SOS", "SRD", "SSP", "STN", "SVC", "SYP", "SZL", "THB", "TJS", "TMT", "TND", "TOP", "TRY", "TTD", "TWD", "TZS", "UAH", "UGX", "USD", "UYU", "UZS", "VED", "VES", "VND", "VUV", "WST", "XAF", "XCD", "XOF", "XPF", "YER", "ZAR", "ZMW", "ZWG"] as const
export const LONGEST_NAME = 60
export const LONGEST_WORDS = 80
export const LONGEST_NOTE = 2000
export const LONGEST_BREATH = 500
export const MOST_LINES = 30
