import type { LarderOut, PanIn } from '@/api/client'

/** What a new kitchen is asked, and what each answer narrows. */
type Kitchen = LarderOut['kitchen']

const MEASURES =
  /^(?:(?:a|the) )?(\d+(?:[.,]\d+)?)\s*(?:cm)?\s*(?:x|×|by|wide,?)\s*(\d+(?:[.,]\d+)?)\s*(?:cm)?(?: (?:high|deep))?$/

/** A pot by its two inside measures, cm: width, then height. Null when it is neither, or no pot. */
export function readPot(text: string): { wide: number; high: number } | null {
  const found = MEASURES.exec(text.trim().toLowerCase())
  if (!found) return null
  const [wide, high] = found.slice(1).map((n) => Number(n.replace(',', '.'))) as [number, number]
  return wide >= 8 && wide <= 80 && high >= 3 && high <= 60 ? { wide, high } : null
}

/** Milk that a pot holds and leaves room for the boil, as one measures it: quarters of a litre. */
export function fitting({ wide, high }: { wide: number; high: number }): string {
  const litres = (Math.PI / 4) * wide * wide * high * 1e-3
  return `${Math.min(2.5, Math.max(0.25, Math.floor(litres * 0.42 * 4) / 4))} L`
}

/** The pan that stands there with other measures; what is not asked stays. */
export function potBody(
  pan: { material: string; mass_kg: number },
  { wide, high }: { wide: number; high: number },
): PanIn {
  return {
    name: `the ${wide} cm pot`,
    shape: { kind: 'straight', diameter_m: wide / 100, height_m: high / 100 },
    material: pan.material as PanIn['material'],
    mass_kg: pan.mass_kg,
  }
}

/** What a cup holds, ml: "240", "240 ml", "2.4 dl". Null when it is no cup. */
export function readCup(text: string): number | null {
  const found = /^(\d+(?:[.,]\d+)?)\s*(ml|dl)?$/.exec(text.trim().toLowerCase())
  if (!found) return null
  const ml = Number(found[1]!.replace(',', '.')) * (found[2] === 'dl' ? 100 : 1)
  return ml >= 60 && ml <= 600 ? ml : null
}

/** The kitchen as it is changed: what it is asked for is sent whole, with the version that was seen. */
export function kitchenBody(kitchen: Kitchen, cup_ml: number): Omit<Kitchen, 'boils_water_c'> {
  const body: Partial<Kitchen> = { ...kitchen, cup_ml }
  delete body.boils_water_c
  return body as Kitchen
}
