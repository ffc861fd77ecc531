import type { ShelfThing } from '@/api/client'

/** What stands on the shelf, in words. */
export const KIND_NAMES: Record<ShelfThing['kind'], string> = {
  reduce: 'reduced milk',
  curdle: 'chhena',
  hang: 'hung curd',
  caramel: 'caramel',
  whey: 'whey',
  syrup: 'syrup',
  sauce: 'sauce',
  dough: 'dough',
}
