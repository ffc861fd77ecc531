import { expect, test } from 'vitest'
import { createMemoryHistory } from 'vue-router'
import { ADDRESSES } from './api/shared'
import { makeRouter } from './router'

const router = makeRouter(createMemoryHistory())
const filled = (address: string) => address.replace(':id(\\d+)', '7')

test.each(Object.entries(ADDRESSES))('%s has its page at %s', (name, address) => {
  const found = router.resolve(filled(address)).matched
  expect(found).toHaveLength(1)
  expect(found[0]!.path).toBe(address)
  if (name !== 'home') expect(found[0]!.meta.title).toBeTruthy()
})

test.each(['/nowhere', '/stove/x', '/book/-1', '/stove/curd'])(
  '%s says that there is no page',
  (address) => {
    expect(router.resolve(address).meta.title).toBe('No such page')
  },
)
