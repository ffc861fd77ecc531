import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { ApiProblem, type DayOut, type KeptDayOut } from '@/api/client'
import agreed from '../../../../tests/agreed/shift.json'
import { useSlips } from './useSlips'

const { POST, GET } = vi.hoisted(() => ({ POST: vi.fn(), GET: vi.fn() }))
vi.mock('@/api/client', async (real) => ({
  ...(await real<object>()),
  api: { POST, GET },
  unwrap: (answer: unknown) => answer,
}))
const { plan, cases } = agreed[0] as unknown as {
  plan: DayOut
  cases: { task: string; end_s: number; now_s: number }[]
}
const { task, end_s, now_s } = cases.find((c) => c.end_s > c.now_s)!
const kept = (version = 1, of: DayOut = plan) => ({ id: 7, version, plan: of }) as KeptDayOut
const problem = (status: number) => new ApiProblem(status, 'No', 'The server says no.', [])
const away = () => POST.mockRejectedValue(problem(0))

function setup() {
  const day = ref<KeptDayOut | undefined>(kept())
  const scope = effectScope()
  const heard = vi.fn((now: KeptDayOut) => (day.value = now))
  const slips = scope.run(() => useSlips(day, heard))!
  return { slips, heard, day, scope }
}
const rest = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve()
  await nextTick()
}

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  POST.mockReset()
  GET.mockReset()
})
afterEach(() => vi.useRealTimers())

test('without network the day is followed as pushed, and told when the network is back', async () => {
  away()
  const { slips, heard, scope } = setup()
  slips.push({ task, end_s, now_s })
  await rest()
  expect(slips.plan.value!.tasks).not.toEqual(plan.tasks)
  expect(slips.waiting.value).toHaveLength(1)
  expect(JSON.parse(localStorage.getItem('mulvek-day-slips')!)).toHaveLength(1)
  POST.mockReset().mockResolvedValue({ day: kept(2, slips.plan.value) })
  vi.advanceTimersByTime(3100)
  await rest()
  expect(POST.mock.calls[0]![1]).toMatchObject({
    params: { path: { id: 7 } },
    body: { task, end_s, version: 1, take: 'push' },
  })
  expect(heard).toHaveBeenCalledTimes(1)
  expect(slips.waiting.value).toEqual([])
  vi.advanceTimersByTime(10_000)
  await rest()
  expect(POST).toHaveBeenCalledTimes(1)
  scope.stop()
})

test('one that another screen was quicker than is sent once more, on the day as it is', async () => {
  const { slips, scope } = setup()
  POST.mockRejectedValueOnce(problem(409)).mockResolvedValueOnce({ day: kept(5) })
  GET.mockResolvedValue(kept(4))
  slips.push({ task, end_s, now_s })
  await rest()
  await rest()
  expect(POST.mock.calls.map(([, sent]) => sent.body.version)).toEqual([1, 4])
  expect(slips.waiting.value).toEqual([])
  scope.stop()
})

test('one that is refused is said, and the day stands as the server has it', async () => {
  const { slips, scope } = setup()
  POST.mockRejectedValueOnce(problem(422))
  slips.push({ task, end_s, now_s })
  await rest()
  expect(slips.refused.value).toBe('The server says no.')
  expect(slips.plan.value).toEqual(plan)
  scope.stop()
})

test('several go in order, each on the version the one before it made', async () => {
  away()
  const { slips, scope } = setup()
  slips.push({ task, end_s, now_s })
  slips.push({ task, end_s: end_s + 600, now_s })
  await rest()
  POST.mockReset()
  POST.mockImplementation((_: string, { body }: { body: { version: number } }) =>
    Promise.resolve({ day: kept(body.version + 1) }),
  )
  await slips.send()
  expect(POST.mock.calls.map(([, sent]) => [sent.body.end_s, sent.body.version])).toEqual([
    [end_s, 1],
    [end_s + 600, 2],
  ])
  scope.stop()
})
