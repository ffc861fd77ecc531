import { describe, expect, it } from 'vitest'
import { inOrder, isOld, saw } from './order'

const batch = (id: number, newest: number) => ({ id, newest })

describe('answers out of order', () => {
  it('an answer of before what is known is old, one that is as new is not', () => {
    saw(batch(1, 7))
    expect(isOld(batch(1, 6))).toBe(true)
    expect(isOld(batch(1, 7))).toBe(false)
    expect(isOld(batch(2, 1))).toBe(false) // nothing is known of it
  })

  it('asks again for what was read before it', async () => {
    saw(batch(3, 5))
    const answers = [[batch(3, 4)], [batch(3, 5)], [batch(3, 6)]]
    let asked = 0
    const found = await inOrder(
      async () => answers[asked++]!,
      (x) => x,
    )
    expect(found).toEqual([batch(3, 5)])
    expect(asked).toBe(2)
  })

  it('takes what stays older: a copy was brought back', async () => {
    saw(batch(4, 50))
    let asked = 0
    const found = await inOrder(
      async () => {
        asked++
        return [batch(4, 2)]
      },
      (x) => x,
    )
    expect(found).toEqual([batch(4, 2)])
    expect(asked).toBe(3)
    expect(isOld(batch(4, 2))).toBe(false) // from now on that is how it stands
  })
})
