/** A colour part of the way from one #rrggbb to another. */
export function interpolateRgb(from: string, to: string, share: number): string {
  const channel = (hex: string, i: number) => parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16)
  const t = Math.min(1, Math.max(0, share))
  const mixed = [0, 1, 2].map((i) => Math.round(channel(from, i) * (1 - t) + channel(to, i) * t))
  return `rgb(${mixed.join(',')})`
}
