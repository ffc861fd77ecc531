import type { LiveAny } from '@/api/kitchen'

/** All that goes on, the bases of a sweet before it, with the sweet that each is for, in words. */
export function makings(all: LiveAny[]): { batch: LiveAny; of: string }[] {
  const sweets = new Map(all.filter((b) => b.kind === 'sweet').map((b) => [b.id, b]))
  const parentOf = (b: LiveAny) =>
    b.kind === 'sweet' || !b.parent_id ? undefined : sweets.get(b.parent_id)
  const groups = new Map<number, LiveAny[]>()
  for (const b of all) {
    const of = parentOf(b)?.id ?? b.id
    groups.set(of, [...(groups.get(of) ?? []), b])
  }
  return [...groups.values()]
    .flatMap((group) => [
      ...group.filter((b) => !sweets.has(b.id)),
      ...group.filter((b) => sweets.has(b.id)),
    ])
    .map((batch) => ({ batch, of: parentOf(batch) ? `for ${parentOf(batch)!.name}` : '' }))
}
