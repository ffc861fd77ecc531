import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { defineComponent, h, reactive } from 'vue'
import type { LiveAny } from '@/api/kitchen'
import { nudge } from '@/shell/lives.fixture'
import { useLogging } from './logging'

const told = vi.hoisted(() => ({
  events: [] as { id: number; event: { kind: string } & Record<string, unknown> }[],
  refuse: false,
}))
vi.mock('vue-router', () => ({ useRoute: () => ({ params: { id: '7' } }) }))
vi.mock('@/api/kitchen', () => ({
  useLog: () => ({
    error: { value: null },
    reset: () => undefined,
    mutate: (what: (typeof told.events)[number], options?: { onSuccess?: () => void }) => {
      told.events.push(what)
      if (!told.refuse) void Promise.resolve().then(() => options?.onSuccess?.())
    },
  }),
}))

const batch = reactive({
  id: 7,
  now_s: 1000,
  received: performance.now(),
  undo_id: 4 as number | null,
  hushed: false,
  paused_at_s: null as number | null,
  nudges: [nudge('stir', 900), nudge('stop', 5000, { kind: 'hazard', answer: 'off' })],
})
let page: ReturnType<typeof useLogging<'weight'>>
beforeEach(() => {
  told.events = []
  told.refuse = false
  Object.assign(batch, { undo_id: 4, hushed: false, paused_at_s: null })
  mount(
    defineComponent(() => {
      page = useLogging(() => batch as unknown as LiveAny, ['weight'], 300)
      return () => h('p')
    }),
  )
})
const said = () => told.events.map((t) => t.event)

test('a figure is sent as it means, and cleared when it was taken', async () => {
  page.typed.weight = '250'
  page.send('weight', (v) => ({ kind: 'weighed', mass_kg: v / 1000 }) as never)
  await flushPromises()
  expect(told.events).toEqual([{ id: 7, event: { kind: 'weighed', mass_kg: 0.25 } }])
  expect(page.typed.weight).toBe('')
  expect(page.problem.value).toBeUndefined()
})

test('what is no figure is named, kept and not sent', () => {
  page.typed.weight = 'plenty'
  page.send('weight', (v) => ({ kind: 'weighed', mass_kg: v }) as never)
  expect(said()).toEqual([])
  expect(page.typed.weight).toBe('plenty')
  expect(page.problem.value).toContain('“plenty”')
})

test('what was typed meanwhile, or was refused, stays', async () => {
  page.typed.weight = '250'
  page.send('weight', (v) => ({ kind: 'weighed', mass_kg: v }) as never)
  page.typed.weight = '26'
  await flushPromises()
  expect(page.typed.weight).toBe('26')
  told.refuse = true
  page.send('weight', (v) => ({ kind: 'weighed', mass_kg: v }) as never)
  await flushPromises()
  expect(page.typed.weight).toBe('26')
})

test('a note of nothing is none', async () => {
  page.typed.note = '   '
  page.note()
  expect(said()).toEqual([])
  page.typed.note = ' it sets well '
  page.note()
  await flushPromises()
  expect(said()).toEqual([{ kind: 'note', text: 'it sets well' }])
  expect(page.typed.note).toBe('')
})

test('what is due is put off: what can wait as long as the page says, a hazard for a minute and a half', () => {
  expect(page.due.value?.key).toBe('stir')
  page.later()
  batch.nudges[1]!.due_at_s = 800
  batch.nudges.reverse()
  page.later()
  expect(said()).toMatchObject([
    { kind: 'snoozed', nudge: 'stir', seconds: 300 },
    { kind: 'snoozed', nudge: 'stop', seconds: 90 },
  ])
})

test('undo, quiet and off the fire say the other way round each time', () => {
  page.undo()
  batch.undo_id = null
  page.undo()
  page.hush()
  batch.hushed = true
  page.hush()
  page.pause()
  batch.paused_at_s = 990
  page.pause()
  expect(said()).toEqual([
    { kind: 'undo', event_id: 4 },
    { kind: 'hushed', on: true },
    { kind: 'hushed', on: false },
    { kind: 'paused' },
    { kind: 'resumed' },
  ])
})

test('the keys of every page; off the fire only where something is on it', () => {
  let fire = false
  const keys = page.keys(() => fire)
  expect(keys.map((k) => k.key)).toEqual(['p', 'u', 'l', 'q'])
  keys[0]!.run()
  fire = true
  keys[0]!.run()
  expect(said()).toEqual([{ kind: 'paused' }])
})
