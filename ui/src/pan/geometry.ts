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

/** Where a pan stands in its picture: how depths and radii become pixels. */
export interface Frame {
  width: number
  tall: number
  x0: number
  y0: number
  scale: number
  /** Size of handles and burner against a pan drawn full size. */
  unit: number
  wall: number
  rim: { r: number; y: number }
  small: boolean
  y: (depth: number) => number
  half: (depth: number) => number
}

const BURNER = 68

/**
 * Fit a pan and its burner into a picture; a narrow one draws it smaller and is no taller than it needs.
 * `largest`: px a metre at most, so that pans side by side are drawn to one scale.
 */
export function frameOf(
  pan: PanOut,
  width: number,
  height: number,
  quiet: boolean,
  largest = Infinity,
): Frame {
  const small = width < 500
  // handles left, the figure of the stop right
  const left = quiet ? (small ? 44 : 70) : small ? 56 : 66
  const right = quiet ? (small ? 44 : 70) : small ? 56 : 100
  const widest = Math.max(...(pan.outline_m as [number, number][]).map(([r]) => r))
  const scale = Math.min(
    largest,
    Math.max(1, width - left - right) / (2 * widest),
    (height - BURNER - 24) / pan.height_m,
  )
  const tall = Math.min(height, pan.height_m * scale + BURNER + 26)
  const y0 = tall - BURNER
  const y = (depth: number) => y0 - depth * scale
  const half = (depth: number) => radiusAt(pan, depth) * scale
  return {
    width,
    tall,
    x0: left + (width - left - right) / 2,
    y0,
    scale,
    unit: Math.min(1, (widest * scale) / 190),
    wall: Math.max(4.5, Math.min(6, scale * 0.0034)),
    rim: { r: half(pan.height_m), y: y(pan.height_m) },
    small,
    y,
    half,
  }
}
