import { expect, test } from 'vitest'
import { ADDRESSES } from '@/api/shared'
import { pageFor } from './text'

test.each([
  ['/larder', 'larder'],
  ['/larder/door', 'phone'],
  ['/bench', 'bench'],
  ['/bench/strain', 'curd'],
  ['/bench/caramel', 'caramel'],
  ['/sweets/own', 'sweets'],
  ['/stove', 'stove'],
  ['/stove/sweet/10', 'stove'],
  ['/stove/curd/8', 'curd'],
  ['/stove/rehearse/2', 'rehearse'],
  ['/book/3', 'book'],
])('at %s the page on %s is opened', (address, page) => {
  expect(pageFor(address)).toBe(page)
})

test('every station has a page of its own', () => {
  const none = Object.entries(ADDRESSES).filter(
    ([name, address]) =>
      !['home', 'science', 'using'].includes(name) && pageFor(address) === 'about',
  )
  expect(none).toEqual([])
})
