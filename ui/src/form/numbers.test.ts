import { expect, test } from 'vitest'
import { check, figure, maybe, said } from './numbers'

test('a comma or a point, and nothing that is no figure', () => {
  expect(figure('4,1')).toBe(4.1)
  expect(figure(' 12 ')).toBe(12)
  expect(figure('')).toBeNaN()
  expect(figure('dear')).toBeNaN()
  expect(figure(undefined)).toBeNaN()
})

test('nothing typed is nothing, not zero', () => {
  expect(maybe(' ')).toBeNull()
  expect(maybe('0')).toBe(0)
  expect(said(null)).toBe('')
  expect(said(0)).toBe('0')
})

test('the first wrong figure is named', () => {
  expect(() => check({ 'The price': figure('dear'), Fat: 3 })).toThrow('The price is a figure')
  expect(() => check({ 'The price': null, Fat: 3 })).not.toThrow()
})
