import type { PanOut } from '@/api/client'

/** Inside radius of a pan at a depth, looked up along its outline, m. */
export function radiusAt(pan: PanOut, depth: number): number {
  const points = pan.outline_m as [number, number][]
  for (let i = 1; i < points.length; i++) {
    const [r0, h0] = points[i - 1]!
    const [r1, h1] = points[i]!
    if (depth <= h1) return r0 + ((r1 - r0) * (depth - h0)) / (h1 - h0 || 1)
  }
  return points[points.length - 1]![0]
}

/** SVG path of the inside (or of the wall `out` px outside it), from the left rim down and up to the right. */
export function wallPath(pan: PanOut, x0: number, y0: number, scale: number, out = 0): string {
  const points = pan.outline_m as [number, number][]
  const right = points.map(([r, h]) => [r * scale + out, y0 - h * scale] as const)
  right.unshift([points[0]![0] * scale, y0 + out])
  const at = (sign: 1 | -1) =>
    right.map(([r, y]) => `${(x0 + sign * r).toFixed(1)} ${y.toFixed(1)}`)
  return `M${at(-1).reverse().join('L')}L${at(1).join('L')}`
}
