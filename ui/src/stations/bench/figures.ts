import type { Forecast, Range, Track } from '@/api/client'

/** What the answer says: of the plan's own stop, or looked up along the track while a stop is dragged. */
export interface Figures {
  depth: number
  volume: number
  afterBoil: Range
  served: Range
  solids: number
  hot: number
  cold: number
  concentration: number
  steam: number
  after: Forecast['after']
}

export function figuresOf(f: Forecast): Figures {
  return {
    depth: f.stop_depth_m.likely,
    volume: f.stop_m3.likely,
    afterBoil: f.after_boil_s,
    served: f.served_kg,
    solids: f.total_solids.likely,
    hot: f.hot.stage,
    cold: f.cold.stage,
    concentration: f.milk_kg / Math.max(1e-3, f.product_kg.likely - f.sugar_kg),
    steam: f.steam_kg,
    after: f.after,
  }
}

/** The same figures at another depth, along the table that came with the forecast. */
export function figuresAt(f: Forecast, depth: number): Figures {
  const t = f.track
  let i = 1
  while (i < t.depth_m.length - 1 && t.depth_m[i]! > depth) i++
  const d0 = t.depth_m[i - 1]!
  const d1 = t.depth_m[i]!
  const share = Math.min(1, Math.max(0, (d0 - depth) / (d0 - d1 || 1)))
  const at = (column: keyof Track) => t[column][i - 1]! * (1 - share) + t[column][i]! * share
  const near = (column: keyof Track) => t[column][share < 0.5 ? i - 1 : i]!
  const served = at('served_kg')
  const water = at('water_kg')
  return {
    depth,
    volume: at('volume_m3'),
    afterBoil: { low: at('low_s'), likely: at('at_s'), high: at('high_s') },
    served: {
      low: served - (f.served_kg.likely - f.served_kg.low),
      likely: served,
      high: served + (f.served_kg.high - f.served_kg.likely),
    },
    solids: at('total_solids'),
    hot: near('hot_stage'),
    cold: near('cold_stage'),
    concentration: at('concentration'),
    steam: at('steam_kg'),
    after: { ...f.after, water_kg: water, total_kg: at('product_kg') },
  }
}
