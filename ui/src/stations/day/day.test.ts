import { describe, expect, test } from 'vitest'
import type { AnyBatch, DayOut, SweetIn } from '@/api/client'
import { doneActs, nextAct } from './begun'
import {
  DAY_FIRST,
  type DaySweet,
  type Task,
  coldBars,
  dayScale,
  handsLane,
  hoursOf,
  litresOf,
  litresSaid,
  nearHours,
  ofTwenty,
  readDay,
  sittingsOf,
  spanOf,
  spansOf,
  staysOf,
  sweetsOf,
  sweetsSaid,
} from './day'
import { dayWith } from './into'
import { lines } from './look'

const NOW = new Date('2027-01-15T08:00').getTime()
const H = 3600
const at = (hour: number) => NOW / 1000 + (hour - 8) * H

const task = (key: string, from: number, to: number, more: Partial<Task> = {}): Task => ({
  key,
  sweet: 0,
  step: key,
  act: `${key}.`,
  said: true,
  start_s: at(from),
  end_s: at(to),
  hands: 'busy',
  load: 65,
  every: 0,
  flame: null,
  hob: null,
  pot: null,
  stay: '',
  cold: 'room',
  ...more,
})
const day = (tasks: Task[], sittings: [number, number][]): DayOut =>
  ({
    start_s: tasks[0]!.start_s,
    end_s: at(19),
    tasks,
    sweets: [{ key: '0', name: 'basundi', due_s: at(19), ready_s: at(12), at: 'fridge' }],
    hobs: ['left', 'right'],
    pots: ['kadhai'],
    sittings: sittings.map(([a, b]) => ({ start_s: at(a), end_s: at(b) })),
  }) as unknown as DayOut
const fire = { flame: 'strong', hob: 0, pot: 0, stay: 'milk', hands: 'look', load: 35 } as const
const MORNING = day(
  [
    task('ready', 9, 9.1),
    task('boil', 9.1, 9.5, fire),
    task('simmer', 9.5, 10.5, { ...fire, flame: 'medium', load: 24 }),
    task('knead', 10, 10.25, { sweet: 0 }),
    task('chill', 10.6, 12, { load: 0, hands: 'none', cold: 'fridge' }),
    task('cut', 18, 18.2),
  ],
  [
    [9, 10.5],
    [18, 18.2],
  ],
)

describe('the words of a day', () => {
  test('its sweets go through the address and back, each in its own words', () => {
    const sweets: DaySweet[] = [
      { words: { sweet: 'kulfi', want: '24', change: 'a=1;b=2' }, due: '', spare: 0 },
      { words: { sweet: 'shrikhand', school: 'fruit' }, due: 'tomorrow 13:00', spare: 15 },
    ]
    expect(sweetsOf(sweetsSaid(sweets))).toEqual(sweets)
    expect(sweetsOf(DAY_FIRST.sweets).map((s) => s.words.sweet)).toHaveLength(4)
    expect(sweetsOf('')).toEqual([])
  })

  test.each([
    ['22:30–6:30', [{ name: '', from: 1350, to: 1830, seated: false }]],
    ['lunch 12:00 to 12:45 seated', [{ name: 'lunch', from: 720, to: 765, seated: true }]],
    [
      'school run 10.30-11.00, 15:00—16:00',
      [
        { name: 'school run', from: 630, to: 660, seated: false },
        { name: '', from: 900, to: 960, seated: false },
      ],
    ],
    ['', []],
    ['lunch', null],
    ['25:00–26:00', null],
    ['12:00–12:00', null],
  ])('hours: %s', (text, found) => {
    expect(hoursOf(text)).toEqual(found)
  })

  test('hours are on every day that the plan may touch', () => {
    const spans = spansOf(hoursOf('22:30–6:30')!, NOW, NOW + 40 * H * 1000)
    expect(spans).toHaveLength(2)
    expect(spans[0]!.end_s - spans[0]!.start_s).toBe(8 * H)
  })

  test('what is asked: amounts for everybody unless a sweet has its own, its own hour, a kitchen', () => {
    const words = {
      ...DAY_FIRST,
      sweets: 'sweet=kulfi|sweet=shrikhand&want=800+g&due=13%3A00&spare=15',
      people: '40',
      burners: '2',
      away: 'lunch 12:00–12:45 seated',
      helper: '15:00–19:00',
    }
    const { body } = readDay(words, NOW, undefined, undefined)
    expect(body!.sweets.map((s) => s.plan.want)).toEqual(['40 people', '800 g'])
    expect(body!.sweets.map((s) => [s.due_s, s.spare_min])).toEqual([
      [null, 0],
      [at(13), 15],
    ])
    expect(body!.serve_s).toBe(at(19.5) + 24 * H)
    expect(body).toMatchObject({ burners: 2, pans_watched: 3, start_s: null })
    expect(new Set(body!.away!.map((a) => a.kind))).toEqual(new Set(['asleep', 'seated']))
    expect(body!.helper!.length).toBeGreaterThan(1)
  })

  test.each([
    ['serve', 'soon'],
    ['from', 'early'],
    ['night', 'late'],
    ['away', 'lunch'],
    ['helper', 'my sister'],
  ] as const)('%s that cannot be read is said at its word', (word, text) => {
    const asked = readDay({ ...DAY_FIRST, [word]: text }, NOW, undefined, undefined)
    expect(asked.body).toBeUndefined()
    expect(asked.wrong).toMatchObject({ word })
    expect(asked.wrong!.text).toContain(text)
  })
  test('so is the hour of one of its sweets', () => {
    const asked = readDay(
      { ...DAY_FIRST, sweets: 'sweet=kulfi|sweet=peda&due=soon' },
      NOW,
      undefined,
      undefined,
    )
    expect(asked.wrong).toMatchObject({ word: 'due', at: 1 })
  })
})

describe('a sweet that goes into the day', () => {
  const plan = { sweet: 'kulfi', want: '24', school: 'khoya', flame: 'medium' } as SweetIn
  test('stands beside those that are there, in its own words', () => {
    const query = dayWith(plan, 'people=40&sweets=sweet%3Dbasundi%26due%3D13%253A00')
    expect(query.people).toBe('40')
    expect(sweetsOf(String(query.sweets))).toEqual([
      { words: { sweet: 'basundi' }, due: '13:00', spare: 0 },
      { words: { sweet: 'kulfi', want: '24', school: 'khoya' }, due: '', spare: 0 },
    ])
  })
  test('begins a day of its own where there was none', () => {
    expect(sweetsOf(String(dayWith(plan, undefined).sweets))).toHaveLength(1)
  })
})

describe('the picture', () => {
  test('hours with something to do are wide, those between narrow; time never runs back', () => {
    const x = dayScale(MORNING, 1000)
    expect(nearHours(MORNING)).toHaveLength(2)
    const at_ = (h: number) => x(at(h))
    expect(at_(10) - at_(9)).toBeGreaterThan(8 * (at_(15) - at_(14)))
    const all = Array.from({ length: 60 }, (_, i) => at_(8.5 + i / 5))
    expect(all).toEqual([...all].sort((a, b) => a - b))
    expect(all.at(0)).toBe(0)
    expect(x(at(23))).toBeCloseTo(1000)
  })
  test('a stay is one pan on one burner, from flame to flame', () => {
    const [stay, ...more] = staysOf(MORNING)
    expect(more).toEqual([])
    expect(stay).toMatchObject({ hob: 0, pot: 0, start_s: at(9.1), end_s: at(10.5) })
    expect(stay!.parts.map((p) => p.key)).toEqual(['boil', 'simmer'])
  })
  test('hands are stacked where several want them', () => {
    const lane = handsLane(MORNING)
    expect(lane.find((h) => h.start_s === at(10))).toMatchObject({ load: 89, busy: 65 })
    expect(lane.every((h) => h.end_s > h.start_s)).toBe(true)
    // two pairs are there while somebody helps: nothing is too much then
    const helped = handsLane({ ...MORNING, helped: [{ start_s: at(10), end_s: at(11) }] })
    expect(helped.find((h) => h.start_s === at(10))!.there).toBe(200)
    expect(helped[0]!.there).toBe(100)
  })
  test('what is cold stands there until it is eaten', () => {
    expect(coldBars(MORNING)).toEqual([
      { sweet: 0, at: 'fridge', start_s: at(10.6), end_s: at(19), ready_s: at(12) },
    ])
  })
  test('acts stand by sittings, each once', () => {
    const sittings = sittingsOf(MORNING)
    expect(sittings.map((s) => s.acts.map((t) => t.key))).toEqual([
      ['ready', 'boil', 'simmer', 'knead', 'chill'],
      ['cut'],
    ])
  })
})

describe('a day that is followed', () => {
  const running = (phases: Record<string, string>) =>
    [
      {
        id: 7,
        kind: 'sweet',
        steps: Object.entries(phases).map(([key, phase]) => ({ key, phase })),
      },
    ] as unknown as AnyBatch[]
  test('an act is done with its step; the next is the first that is not', () => {
    const done = doneActs(
      MORNING,
      [7],
      running({ ready: 'done', boil: 'running', knead: 'waits' }),
      at(9.2),
    )
    expect([...done]).toEqual(['ready'])
    expect(nextAct(MORNING, done)!.key).toBe('boil')
    expect([
      ...doneActs(MORNING, [7], running({ ready: 'done', boil: 'running' }), at(9.6)),
    ]).toEqual(['ready', 'boil'])
  })
  test('a making that is over is done whole', () => {
    const done = doneActs(MORNING, [7], [], at(9))
    expect(done.size).toBe(MORNING.tasks.length)
    expect(nextAct(MORNING, done)).toBeUndefined()
  })
})

test('lines are taken as they are whole', () => {
  expect(lines('{"a":1}\n\n{"b"')).toEqual([['{"a":1}'], '{"b"'])
  expect(lines('')).toEqual([[], ''])
})
test('times and chances in words', () => {
  expect([spanOf(45), spanOf(60), spanOf(125.4)]).toEqual(['45 min', '1 h', '2 h 05'])
  expect(ofTwenty(0.957)).toBe('19 of 20')
})

test.each([
  ['20', 20],
  ['20 L', 20],
  [' 2½ litres ', 2.5],
  ['½', 0.5],
  ['7,5 l', 7.5],
  ['none', 0],
  ['a shelf', null],
  ['', null],
  ['9000', null],
  ['-3', null],
])('room is said in litres: %j', (said, litres) => {
  expect(litresOf(said)).toBe(litres)
})
test('room that is no room is refused at its own word, a fridge of none too', () => {
  for (const [word, said] of [
    ['fridge', 'none'],
    ['fridge', 'big'],
    ['freezer', 'small'],
  ] as const) {
    const asked = readDay({ ...DAY_FIRST, [word]: said }, NOW, undefined, undefined)
    expect(asked.wrong?.word).toBe(word)
    expect(asked.wrong?.text).toContain('litres')
  }
  const fine = readDay({ ...DAY_FIRST, fridge: '25 L', freezer: 'none' }, NOW, undefined, undefined)
  expect(fine.body).toMatchObject({ fridge_l: 25, freezer_l: 0 })
  expect(litresSaid('25')).toBe('25 L')
  expect(litresSaid('none')).toBe('nothing')
})
