import { expect, test, vi } from 'vitest'
import { ref } from 'vue'
import { between, useSlide } from './slide'

test('between two rows of a table, and never beyond its ends', () => {
  const x = [0, 10, 20]
  const y = [1, 2, 4]
  expect(between(x, y, 5)).toBe(1.5)
  expect(between(x, y, 15)).toBe(3)
  expect(between(x, y, -7)).toBe(1)
  expect(between(x, y, 99)).toBe(4)
  expect(between([3, 3], [1, 2], 3)).toBe(1)
})

test('a finger is followed while it is down, and kept where it lifts', () => {
  const svg = ref({
    getBoundingClientRect: () => ({ left: 100, width: 200 }),
    clientWidth: 400,
    setPointerCapture: () => undefined,
  } as never)
  const emit = { drag: vi.fn(), drop: vi.fn() }
  const slide = useSlide(svg, (px) => px * 2, emit)
  const at = (clientX: number) => ({ clientX, pointerId: 1 }) as PointerEvent
  slide.move(at(120))
  slide.up(at(120))
  expect(emit.drag).not.toHaveBeenCalled()
  expect(emit.drop).not.toHaveBeenCalled()
  slide.down(at(110))
  slide.move(at(150))
  slide.up(at(160))
  slide.move(at(190))
  expect(emit.drag.mock.calls).toEqual([[40], [200]])
  expect(emit.drop.mock.calls).toEqual([[240]])
})
