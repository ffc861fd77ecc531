import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import type { SweetOut } from '@/api/client'
import BallsPan from './BallsPan.vue'
import MouldDrawing from './MouldDrawing.vue'
import PortionRow from './PortionRow.vue'
import SlabDrawing from './SlabDrawing.vue'
import StopScale from './StopScale.vue'

type Syrup = NonNullable<SweetOut['syrup']>
type Frozen = NonNullable<SweetOut['frozen']>
type Slab = NonNullable<SweetOut['slab']>

describe('the pan of syrup', () => {
  const balls = (at_once: number, swollen_m = 0.03) =>
    mount(BallsPan, {
      props: {
        count: 30,
        many: 'balls',
        syrup: {
          at_once,
          goes: Math.ceil(30 / at_once),
          pan_m: 0.24,
          raw_m: 0.022,
          swollen_m,
          piece_kg: { low: 0.02, likely: 0.025, high: 0.03 },
        } as Syrup,
      },
    })

  test.each([1, 7, 18, 30])('shows %i at once, each inside the rim', (n) => {
    const drawn = balls(n).findAll('circle.ball')
    expect(drawn).toHaveLength(n)
    for (const ball of drawn) {
      const [x, y, r] = ['cx', 'cy', 'r'].map((a) => Number(ball.attributes(a)))
      expect(Math.hypot(x! - 112, y! - 112) + r!).toBeLessThanOrEqual(104)
    }
  })

  test('is to scale: a ball is to the pan as its width to the pan’s', () => {
    const r = Number(balls(7).get('circle.ball').attributes('r'))
    expect(r / 104).toBeCloseTo(0.03 / 0.24)
  })

  test('says how many goes it takes', () => {
    expect(balls(7).text()).toContain('5 goes for 30')
    expect(balls(30).text()).toContain('all 30 in one go')
  })
})

describe('a mould', () => {
  const frozen = (kind: string, shape: Record<string, number>, depth_m: number, fill_m: number) =>
    ({
      kind,
      shape,
      depth_m,
      volume_m3: 7e-5,
      answer: { fill_m, grams_each: 68, freeze_s: { low: 3 * 3600, high: 5 * 3600 } },
    }) as unknown as Frozen
  const drawn = (f: Frozen, count = 24, moulds = 12) =>
    mount(MouldDrawing, { props: { frozen: f, count, moulds } })
  const tops = (path: string) =>
    [...path.matchAll(/[ML] ?(-?[\d.]+) (-?[\d.]+)/g)].map(([, , y]) => Number(y))

  test('says for how long, how hard, and when it is the freezer that takes so long', () => {
    const told = (answer: object) => {
      const f = frozen('stick', { width: 0.045, bottom_width: 0.035 }, 0.08, 0.072)
      return drawn({ ...f, answer: { ...f.answer, ...answer } })
        .text()
        .replace(/\s+/g, ' ')
    }
    const h = (low: number, likely: number, high: number) => ({
      low: low * 3600,
      likely: likely * 3600,
      high: high * 3600,
    })
    expect(told({ freeze_s: h(3, 4, 5), crowded_s: 0 })).toContain('3–5 h until the core is hard')
    expect(told({ freeze_s: h(3, 4, 5), crowded_s: 3 * 3600 })).not.toContain('no faster')
    expect(told({ freeze_s: h(3, 4, 5), crowded_s: 4 * 3600 })).toContain(
      'the freezer can go no faster',
    )
    const soft = told({ freeze_s: h(0.9, 1, 1.1), crowded_s: 0, hardness: 'spoon-soft' })
    expect(soft).toContain('1 h; it never gets hard')
  })

  test.each([
    ['stick', { width: 0.045, bottom_width: 0.035 }],
    ['cone', { top: 0.05, bottom: 0.02 }],
    ['tray', { length: 0.2 }],
  ])('%s is filled below its rim, from the same foot', (kind, shape) => {
    const w = drawn(frozen(kind, shape, 0.08, 0.072))
    const wall = tops(w.get('path.wall').attributes('d')!)
    const mix = tops(w.get('path.mix').attributes('d')!)
    expect(Math.min(...mix)).toBeGreaterThan(Math.min(...wall))
    expect((180 - Math.min(...mix)) / (180 - Math.min(...wall))).toBeCloseTo(0.9, 1)
  })

  test('a round pot never leaves its circle', () => {
    const w = drawn(frozen('pot', { diameter: 0.06 }, 0.06, 0.054))
    expect(w.html()).not.toContain('NaN')
  })

  test('says what fits, how deep, and how many goes of moulds', () => {
    const text = drawn(frozen('stick', { width: 0.045, bottom_width: 0.035 }, 0.08, 0.072)).text()
    expect(text).toContain('70')
    expect(text).toContain('7.2 cm deep, 8 mm of room')
    expect(text).toContain('2 goes of 12 moulds')
    const few = drawn(frozen('cone', { top: 0.05, bottom: 0.02 }, 0.08, 0.07), 5, 12).text()
    expect(few).toContain('1 go of 5 moulds')
  })
})

describe('a slab', () => {
  const slab = {
    length_m: 0.3,
    width_m: 0.2,
    thick_m: 0.012,
    each_kg: 0.021,
    word: '',
    grid: { along: 6, across: 4, long_m: 0.05, wide_m: 0.05 },
  } as unknown as Slab

  test('has one cut fewer than pieces each way, evenly spaced', () => {
    const w = mount(SlabDrawing, { props: { slab, many: 'pieces' } })
    expect(w.findAll('path.cut')).toHaveLength(5 + 3)
    const tray = w.get('rect.tray')
    expect(
      (Number(tray.attributes('width')) - 4) / (Number(tray.attributes('height')) - 8),
    ).toBeCloseTo(1.5)
    expect(w.text()).toContain('24 pieces of 21 g')
  })

  test('says when it lies too thin', () => {
    const thin = { ...slab, word: 'thin: take a smaller tray' }
    expect(mount(SlabDrawing, { props: { slab: thin, many: 'pieces' } }).text()).toContain(
      'It lies thin: take a smaller tray.',
    )
  })
})

test('portions that are sure, likely and only maybe are told apart', () => {
  const props = { count: 10, low: 8, high: 12, grams: 100, one: 'bowl', many: 'bowls' }
  const w = mount(PortionRow, { props: { ...props, way: 'serve', colour: '#fff' } })
  expect(w.findAll('g.sure')).toHaveLength(8)
  expect(w.findAll('g.likely')).toHaveLength(2)
  expect(w.findAll('g.maybe')).toHaveLength(2)
  expect(w.text()).toContain('10 bowls')
})

test('keep cooking to a weight: what stays is drawn to what there was', () => {
  const props = { fromKg: 2, toKg: 0.5, water: '25', minutes: '40 minutes' }
  const w = mount(StopScale, { props })
  expect(Number(w.get('rect.to').attributes('width'))).toBeCloseTo(344 / 4)
  expect(w.text()).toContain('1\u2009500 g of water off')
})
