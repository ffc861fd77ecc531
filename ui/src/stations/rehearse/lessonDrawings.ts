import {
  bag,
  balls,
  bowl,
  bulb,
  dot,
  filled,
  foam,
  hob,
  ink,
  mould,
  pot,
  spoon,
  type Drawing,
} from './shapes'

const F = 86
const SYRUP = '#efe3c4'
const fire = (flame = 1.4) => hob(54, F, 62, flame)
const on = (level: number, fill: string, wide = 60, tall = 40, round = false) =>
  pot({ cx: 54, floor: F - 14, wide, tall, level, fill, round })

/** Each lesson's drawing is its trouble: 108 wide, 88 high, standing on the ground at 86. */
export const DRAWINGS: Record<string, () => Drawing> = {
  foam: () => [
    ...fire(2),
    ...on(1, '#fffef8'),
    foam(54, F - 54, 60, 16),
    ink('M88 40c5 12 2 20 4 28', 1.5),
  ],
  dip: () => [
    ...fire(),
    ...on(0.6, '#fdfaed', 84, 34, true),
    ink('M54 70V22', 2.6),
    ...[64, 58, 52, 46, 40].map((y) => ink(`M50 ${y}h8`, 1.2)),
  ],
  spoons: () => [
    filled('M8 34h34a17 15 0 0 1-34 0z', '#f3e2b8', 2),
    ink('M40 32c10-4 16-10 20-16', 3),
    filled('M20 49c0 6 2 9 5 9s4-3 4-9z', '#f3e2b8', 1.4),
    filled('M50 70c2-10 12-15 24-12 10 2 14 10 8 16H52z', '#e3c283', 2),
    ink('M82 70c8-2 14-8 18-14', 3),
    ink('M46 75h44', 2.6),
  ],
  spoon: () => [...fire(0.4), ...on(0.45, '#e3c283', 84, 34, true), ...spoon(60, 66, 1.6)],
  sugar: () => [
    ...fire(),
    ...on(0.5, '#f3e2b8', 84, 34, true),
    ink('M62 18c8 6 18 4 26-4', 2.8),
    filled('M44 30l6-4 5 5-6 4zM54 40l5-5 5 5-5 5zM40 44l5-3 4 5-6 3z', '#fffef8', 1.4),
  ],
  skin: () => [
    ...fire(0.3),
    ...on(0.6, '#fbf3dc', 84, 34, true),
    filled(
      'M20 50c10-6 18 2 28-3 12-4 22 3 38 2l-2 5c-14 2-26-4-36 0-10 3-18-2-28 0z',
      '#f3e2b8',
      1.4,
    ),
  ],
  dough: () => [
    ...fire(0.4),
    ...on(0, '#c79a55', 84, 34, true),
    filled('M34 70c-2-14 10-22 22-20 14 1 20 10 16 20z', '#e3c283', 1.8),
    ...spoon(70, 62, 1.4),
  ],
  pouring: () => [
    ...fire(0),
    ...on(0.55, '#e6ead0', 70, 40),
    ...[34, 42, 50, 58, 66, 74].map((x, i) => dot(x, 64 - (i % 3) * 5, 3, '#fffef8')),
    filled('M62 24l16-10 10 14-16 8z', '#f2d96b', 1.8),
    ink('M64 28c-4 6-6 12-6 20', 2.4),
  ],
  thermometer: () => [...fire(0.8), ...on(0.8, '#fffef8', 64, 40), ...bulb(44, 14, 50, 0.86)],
  colander: () => [
    ink('M26 34h56', 3),
    filled('M30 36c2 20 12 26 24 26s22-6 24-26z', '#fdfcf7', 2),
    ...[40, 48, 56, 64].map((x) => dot(x, 46, 4.2, '#fffef8')),
    ink('M44 64v6M54 66v8M64 64v6', 1.5),
    ...bowl(54, F, 60, 0.6),
  ],
  hung: () => [...bag(54, 4, 58, 1), ...bowl(54, F, 52, 0.5)],
  knead: () => [
    ink('M10 76h88', 3),
    filled('M30 74c-2-12 10-20 24-19 16 1 24 8 22 19z', '#fffef8', 2),
    filled('M40 42c6-8 18-10 28-4l10 8c-8 10-20 12-30 8z', '#f3deda', 1.8),
    ink('M78 44c8-2 14-8 18-14', 2.6),
  ],
  pot: () => [
    ...fire(0),
    ...on(0.6, '#fbf3dc', 64, 40),
    ...[44, 54, 64].map((x) => ink(`M${x} 28c-3-5 3-7 0-12`, 1.6)),
  ],
  press: () => [
    ink('M14 80h80', 3),
    filled('M30 78V58h48v20z', '#fffef8', 2),
    filled('M24 58v-7h60v7z', '#e3c283', 1.8),
    filled('M38 51c-2-16 4-22 16-22s18 6 16 22z', '#c6cdcb', 2),
    ink('M30 84c-3 2-8 2-12 0', 1.6),
  ],
  bag: () => [
    ink('M22 6v80M22 6h64v80', 2.4),
    ink('M22 86h64', 2.4),
    ...bag(54, 12, 50, 1),
    ...bowl(54, 82, 44, 0.4),
  ],
  caramel: () => [
    ...fire(0.8),
    ...on(0.34, '#c78636', 76, 26),
    ink('M30 36l-4-5M54 30v-7M78 36l4-5', 1.6),
  ],
  pours: () => [
    ...fire(0.3),
    ...on(0.4, '#c78636', 76, 26),
    filled('M60 20l18-10 8 12-16 10z', '#fffef8', 1.8),
    ink('M62 26c-4 8-6 16-6 26', 2.6),
    ink('M40 42c-4-6 2-8-1-14M74 44c-3-5 3-7 0-12', 1.6),
  ],
  balls: () => [...fire(1.6), ...on(0.66, SYRUP, 66, 38), ...balls(54, 62, 58, 13, 6.6, '#fffef8')],
  lid: () => [
    ...fire(2),
    ...on(0.66, SYRUP, 66, 38),
    ...balls(54, 62, 56, 5, 7, '#fffef8'),
    filled('M18 34c4-14 20-18 36-18s32 4 36 18z', '#dfe4df', 2),
    dot(54, 13, 3.4, '#2a3150'),
  ],
  cup: () => [
    ...fire(2),
    ...on(0.3, '#e0c68a', 66, 38),
    ...balls(54, 66, 56, 4, 6.4, '#fffef8'),
    filled('M66 12h20l-3 20H69z', '#d5e0e4', 1.8),
    ink('M66 26c-8 6-10 12-10 26', 2.2),
  ],
  fry: () => [
    ...fire(0.6),
    ...on(0.62, '#ecd48c', 84, 34, true),
    ...balls(54, 56, 62, 5, 6.4, '#a8672c'),
    ink('M38 38l-2-4M54 34v-5M70 38l2-4', 1.4),
  ],
  fat: () => [
    ...fire(1.4),
    ...on(0.62, '#ecd48c', 70, 32),
    ...balls(54, 60, 62, 10, 5.6, '#e9d3a2'),
    ...bulb(88, 12, 44, 0.35),
  ],
  halwa: () => [
    ...fire(0.8),
    ...on(0.4, '#e8955a', 84, 34, true),
    ...[34, 42, 50, 58, 66, 74].map((x, i) =>
      ink(`M${x} ${58 - (i % 2) * 4}l7 ${4 - (i % 3) * 3}`, 1.8),
    ),
    ...spoon(68, 60, 1.4),
  ],
  kulfi: () => [...mould(34, F, 52, 0.8, true), ...mould(74, F, 52, 0.5, true, 0.5)],
  freezer: () => [
    ink('M16 8h46v78H16z', 2.6),
    ink('M62 8l30 10v66L62 86', 2.6),
    ...mould(39, 78, 34, 0.5, false),
    ink('M70 34c10-4 14 2 26-2M70 48c8-3 14 2 24-2', 1.6),
  ],
  two: () => [
    ...hob(28, F, 40, 1.2),
    ...pot({ cx: 28, floor: F - 14, wide: 46, tall: 22, level: 0.5, fill: '#fbf3dc', round: true }),
    ...hob(82, F, 38, 1.2),
    ...pot({ cx: 82, floor: F - 14, wide: 36, tall: 26, level: 0.45, fill: '#f3e2b8' }),
    ...spoon(56, 56, 0.8),
  ],
  gas: () => [
    ink('M14 24h26M94 24H68M14 24v62M94 24v62', 2.6),
    filled('M24 74h60v6H24z', '#1b2444', 1),
    ...[30, 42, 54, 66, 78].map((x, i) => {
      const h = 40 - i * 8
      return filled(
        `M${x - 4} 74c-3-${h / 2} 3-${h / 2} 4-${h}c1 ${h / 2} 7 ${h / 2} 4 ${h}z`,
        '#fffef8',
        1.7,
      )
    }),
  ],
  bell: () => [
    ink('M10 10h30M34 10v10', 2.8),
    filled('M18 48c4-6 3-28 16-28s12 22 16 28z', '#fffef8', 2),
    dot(34, 52, 3.4, '#1b2444'),
    ink('M54 32q4 6 1 13M14 32q-4 6-1 13', 1.6),
    ...hob(82, F, 38, 1),
    ...pot({ cx: 82, floor: F - 14, wide: 36, tall: 24, level: 1.1, fill: '#fffef8' }),
  ],
  both: () => [
    ...bag(28, 6, 54, 1),
    ...bowl(28, F, 40, 0.4),
    ...hob(80, F, 40, 1.2),
    ...pot({ cx: 80, floor: F - 14, wide: 44, tall: 26, level: 0.5, fill: '#f3e2b8', round: true }),
  ],
  making: () => [
    ...hob(22, F, 30, 0.8),
    ...pot({ cx: 22, floor: F - 14, wide: 28, tall: 22, level: 0.7, fill: '#fffef8' }),
    ink('M40 62h12M48 58l5 4-5 4', 1.8),
    ...balls(82, 78, 40, 3, 7.4, '#fffef8'),
    ink('M60 86c2-6 6-4 22-4s22-2 22 4', 2.4),
  ],
  day: () => [
    {
      tag: 'circle',
      at: { cx: 54, cy: 46, r: 36, class: 'filled', fill: '#fdfcf7', 'stroke-width': 2.4 },
    },
    ink('M54 46V22M54 46l18 12', 3),
    ...[0, 90, 180, 270].map((a) => {
      const r = (a * Math.PI) / 180
      return ink(
        `M${Math.round(54 + 31 * Math.cos(r))} ${Math.round(46 + 31 * Math.sin(r))}L${Math.round(54 + 35 * Math.cos(r))} ${Math.round(46 + 35 * Math.sin(r))}`,
        2,
      )
    }),
  ],
}
