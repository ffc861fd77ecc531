import { beforeEach, expect, test, vi } from 'vitest'
import type { DayIn, DayOut } from '@/api/client'
import { useMoves } from './useMoves'

const POST = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { POST },
  unwrap: async (answer: Promise<{ data?: unknown; error?: Error }>) => {
    const { data, error } = await answer
    if (error) throw error
    return data
  },
}))
const task = (key: string, start_s: number, sweet = 0) => ({
  key,
  start_s,
  end_s: start_s + 600,
  hob: null,
  pot: null,
  sweet,
})
const plan = (...tasks: object[]) => ({ tasks }) as unknown as DayOut
const BODY = { serve_s: 9 } as unknown as DayIn
const FIRST = plan(task('a', 100), task('b', 900, 1))

beforeEach(() => POST.mockReset())

test('a move is sent with the plan that stands and what is held, and says what moved from where', async () => {
  const moves = useMoves()
  const after = plan(task('a', 400), task('b', 1200, 1))
  POST.mockResolvedValueOnce({ data: { plan: after, pins: ['a'], moved: ['a', 'b'] } })
  expect(await moves.move(BODY, FIRST, { task: 'a', to_s: 400, hob: null })).toBe(true)
  expect(POST.mock.calls[0]![1].body).toMatchObject({
    serve_s: 9,
    pins: [],
    task: 'a',
    to_s: 400,
    tasks: [{ key: 'a', start_s: 100 }, { key: 'b' }],
  })
  expect([...moves.last.value!.was]).toEqual([
    ['a', 100],
    ['b', 900],
  ])
  POST.mockResolvedValueOnce({ data: { plan: FIRST, pins: ['a', 'b'], moved: [] } })
  await moves.move(BODY, after, { task: 'b', to_s: 900, hob: 1 })
  expect(POST.mock.calls[1]![1].body).toMatchObject({ pins: ['a'], hob: 1 })
  moves.undo()
  expect(moves.last.value!.plan).toBe(after)
  moves.undo()
  expect(moves.last.value).toBeUndefined()
  expect(moves.before.value).toBe(FIRST)
  moves.forget()
  expect(moves.before.value).toBeUndefined()
})

test('what cannot be moved says why, and changes nothing', async () => {
  const moves = useMoves()
  POST.mockResolvedValueOnce({ error: new Error('Nobody has hands for it then.') })
  expect(await moves.move(BODY, FIRST, { task: 'a', to_s: 0, hob: null })).toBe(false)
  expect(moves.problem.value).toBe('Nobody has hands for it then.')
  expect(moves.last.value).toBeUndefined()
  expect(moves.moving.value).toBe(false)
})

test('a sweet that is let go may move again, the others stay held', async () => {
  const moves = useMoves()
  POST.mockResolvedValueOnce({ data: { plan: FIRST, pins: ['a', 'b'], moved: [] } })
  await moves.move(BODY, FIRST, { task: 'a', to_s: 100, hob: null })
  moves.letGo(FIRST, 1)
  expect(moves.last.value!.pins).toEqual(['a'])
  moves.undo()
  expect(moves.last.value!.pins).toEqual(['a', 'b'])
})
