import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import type { LiveBatch } from '@/api/kitchen'
import LogDialog from './LogDialog.vue'

/** The client takes fetch as it is when it is read. */
const wire = vi.hoisted(() => {
  const found = { asked: [] as string[], answer: () => ({}) as object }
  globalThis.fetch = (request) => {
    found.asked.push(new URL((request as Request).url).pathname)
    return Promise.resolve(Response.json(found.answer()))
  }
  return found
})

const line = (event_id: number, text: string) => ({
  event_id,
  at_s: 1_800_000_000 + event_id,
  kind: 'note',
  text,
  undone: false,
})
const batch = (earlier: number, newest = 3) =>
  ({
    id: 7,
    kind: 'reduce',
    now_s: 1_800_000_100,
    received: 0,
    earlier,
    log: [line(newest, `note ${newest}`), line(newest - 1, `note ${newest - 1}`)],
  }) as unknown as LiveBatch

function opened(props: { batch: LiveBatch }) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const dialog = mount(LogDialog, {
    props,
    global: { plugins: [[VueQueryPlugin, { queryClient: client }]] },
  })
  const lines = () => dialog.findAll('ol li span').map((l) => l.text())
  return { dialog, lines }
}
beforeEach(() => {
  wire.asked = []
  wire.answer = () => ({ id: 7, log: [3, 2, 1].map((n) => line(n, `note ${n}`)) })
})

test('a short log is shown as it was told, and nothing is asked for', async () => {
  const { lines } = opened({ batch: batch(0) })
  await flushPromises()
  expect(lines()).toEqual(['note 3', 'note 2'])
  expect(wire.asked).toEqual([])
})

test('of a long one what was told stands at once, and all of it when it has come', async () => {
  const { lines } = opened({ batch: batch(1) })
  expect(lines()).toEqual(['note 3', 'note 2'])
  await flushPromises()
  expect(wire.asked).toEqual(['/api/batches/7'])
  expect(lines()).toEqual(['note 3', 'note 2', 'note 1'])
})

test('it is asked for again when the log has grown, and only then', async () => {
  const { dialog } = opened({ batch: batch(1) })
  await flushPromises()
  await dialog.setProps({ batch: { ...batch(1), now_s: 1_800_000_130 } })
  await flushPromises()
  expect(wire.asked).toHaveLength(1)
  await dialog.setProps({ batch: batch(2, 4) })
  await flushPromises()
  expect(wire.asked).toHaveLength(2)
})
