import type { SweetBatch } from '@/api/client'

/** What a step stands in: a pan, a cloth, a cold box, a covered bowl, an open one with a spoon. */
export type GlyphKind = 'pan' | 'cloth' | 'cold' | 'lid' | 'bowl'

export function glyphOf(
  s: Pick<SweetBatch['steps'][number], 'bench' | 'fire' | 'base' | 'say' | 'hands'>,
): GlyphKind {
  if (s.bench === '/strain') return 'cloth'
  if (s.fire || s.base) return 'pan'
  if (/freez/i.test(s.say)) return 'cold'
  return s.hands ? 'bowl' : 'lid'
}
