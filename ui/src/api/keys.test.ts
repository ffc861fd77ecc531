import { expect, test, vi } from 'vitest'
import { newKey } from './keys'

test('keys are long, plain and never the same, without randomUUID', () => {
  vi.stubGlobal('crypto', { getRandomValues: crypto.getRandomValues.bind(crypto) })
  const keys = new Set(Array.from({ length: 2000 }, newKey))
  expect(keys.size).toBe(2000)
  for (const key of keys) expect(key).toMatch(/^[0-9a-f]{32}$/)
  vi.unstubAllGlobals()
})
