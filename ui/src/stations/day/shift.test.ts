import { expect, test } from 'vitest'
import type { DayOut } from '@/api/client'
import { pushed } from './shift'
import agreed from '../../../../tests/agreed/shift.json'

interface Case {
  task: string
  now_s: number
  end_s: number
  starts: Record<string, number>
}
const CASES = (agreed as unknown as { plan: DayOut; cases: Case[] }[]).flatMap(({ plan, cases }) =>
  cases.map((of, i) => ({ plan, ...of, name: `${i}: ${of.task}` })),
)

test.each(CASES)(
  'pushed as the server pushes it, $name',
  ({ plan, task, now_s, end_s, starts }) => {
    const after = pushed(plan, now_s, task, end_s)
    const before = new Map(plan.tasks.map((t) => [t.key, t]))
    const changed = after.tasks.filter((t) => {
      const was = before.get(t.key)!
      return was.start_s !== t.start_s || was.end_s !== t.end_s
    })
    expect(Object.fromEntries(changed.map((t) => [t.key, t.start_s]))).toEqual(starts)
  },
)

test('a sweet is ready as much later as its last step, and standing is told anew', () => {
  const { plan, task, now_s, end_s } = CASES.find((c) => Object.keys(c.starts).length > 4)!
  const after = pushed(plan, now_s, task, end_s)
  const sweet = plan.tasks.find((t) => t.key === task)!.sweet
  const last = (of: DayOut) =>
    Math.max(...of.tasks.filter((t) => t.sweet === sweet).map((t) => t.end_s))
  expect(after.sweets[sweet]!.ready_s - plan.sweets[sweet]!.ready_s).toBe(last(after) - last(plan))
  const standing = after.tasks.filter((t) => t.load > 10)
  for (const t of standing)
    expect(after.sittings.some((s) => s.start_s <= t.start_s && s.end_s >= t.end_s)).toBe(true)
  expect(
    pushed(plan, plan.start_s - 60, task, plan.tasks.find((t) => t.key === task)!.end_s).tasks,
  ).toEqual(plan.tasks)
})
