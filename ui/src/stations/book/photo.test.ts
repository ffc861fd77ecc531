import { describe, expect, it } from 'vitest'
import { asBase64, base64Of, fitted } from './photo'

describe('a picture that is sent', () => {
  it('is no larger than is looked at, and never larger than it was', () => {
    expect(fitted(4000, 3000)).toEqual({ width: 1600, height: 1200 })
    expect(fitted(900, 3600)).toEqual({ width: 400, height: 1600 })
    expect(fitted(640, 480)).toEqual({ width: 640, height: 480 })
  })
  it('goes as base64 without what a data address has before it', async () => {
    expect(await base64Of(new Blob(['milk']))).toBe(btoa('milk'))
  })
  it('goes as it is where the browser cannot read it: the server says what is wrong', async () => {
    expect(await asBase64(new Blob(['no picture']))).toBe(btoa('no picture'))
  })
})
