import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import type { DayOut } from '@/api/client'
import type { Stay } from './day'
import { momentAt, useDrag } from './drag'

const STAY = {
  hob: 0,
  pot: 0,
  sweet: 0,
  start_s: 3600,
  end_s: 5400,
  parts: [{ key: 'boil', start_s: 3600, end_s: 5400 }],
} as unknown as Stay
const PLAN = { start_s: 0, end_s: 36_000, hobs: ['left', 'right'] } as unknown as DayOut
const setup = () => {
  const moved = vi.fn()
  const touched = vi.fn()
  const scope = effectScope()
  const drag = scope.run(() =>
    useDrag({
      plan: () => PLAN,
      at: (s) => s / 60,
      hobAt: (y, from) => from + Math.round(y / 60),
      moved,
      touched,
    }),
  )!
  return { drag, moved, touched }
}
const pointer = (clientX: number, clientY: number) =>
  ({
    button: 0,
    clientX,
    clientY,
    pointerId: 1,
    currentTarget: { setPointerCapture: () => {} },
  }) as unknown as PointerEvent
const press = (key: string) => ({ key, preventDefault: () => {} }) as unknown as KeyboardEvent

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

test('a place on the line is a moment', () =>
  expect(momentAt((s) => s ** 2, 49, 0, 100)).toBeCloseTo(7))

test('a bar that is dragged goes where it is put, at whole five minutes and on the burner beneath', () => {
  const { drag, moved, touched } = setup()
  drag.down(STAY, pointer(10, 10))
  drag.drag(pointer(12, 11))
  expect(drag.ghost.value!.start_s).toBe(3600)
  drag.drag(pointer(42, 65))
  expect(drag.ghost.value).toMatchObject({ start_s: 5400, end_s: 7200, hob: 1 })
  drag.up(STAY)
  expect(moved).toHaveBeenCalledWith({ task: 'boil', to_s: 5400, hob: 1 })
  expect(touched).not.toHaveBeenCalled()
  expect(drag.ghost.value).toBeUndefined()
})

test('a touch is no drag', () => {
  const { drag, moved, touched } = setup()
  drag.down(STAY, pointer(10, 10))
  drag.up(STAY)
  expect(touched).toHaveBeenCalledWith(STAY)
  expect(moved).not.toHaveBeenCalled()
})

test('arrows move it in steps, and are sent when they rest; Escape leaves it', () => {
  const { drag, moved } = setup()
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowLeft', 'ArrowRight', 'ArrowUp'])
    drag.key(STAY, press(key))
  expect(moved).not.toHaveBeenCalled()
  vi.advanceTimersByTime(700)
  expect(moved).toHaveBeenCalledWith({ task: 'boil', to_s: 4200, hob: null })
  drag.key(STAY, press('ArrowDown'))
  drag.key(STAY, press('ArrowDown'))
  expect(drag.ghost.value!.hob).toBe(1)
  drag.key(STAY, press('Escape'))
  vi.advanceTimersByTime(700)
  expect(moved).toHaveBeenCalledTimes(1)
})
