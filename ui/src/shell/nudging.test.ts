import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import { live, nudge } from './lives.fixture'
import type { Live } from './live'

const lives = ref<Live[]>([])
const tick = ref(0)
const { play, post, wake } = vi.hoisted(() => ({
  play: vi.fn(),
  post: vi.fn<(what: unknown) => Promise<null>>(() => Promise.resolve(null)),
  wake: { request: vi.fn(() => Promise.resolve()), release: vi.fn(() => Promise.resolve()) },
}))

vi.mock('./live', async (real) => ({ ...(await real<object>()), useLives: () => lives }))
vi.mock('./now', async () => ({
  get steadyNow() {
    return tick
  },
  ran: () => 0,
}))
vi.mock('./sound', () => ({ play, armSound: () => undefined }))
vi.mock('@/api/outbox', () => ({ post }))
vi.mock('@vueuse/core', async (real) => ({ ...(await real<object>()), useWakeLock: () => wake }))
vi.mock('vue-router', () => ({ useRoute: () => ({ meta: { title: 'Stove' } }) }))

let now = 1000
const after = async (seconds: number) => {
  now += seconds
  vi.advanceTimersByTime(seconds * 1000)
  tick.value++
  await nextTick()
}
const put = (...nudges: ReturnType<typeof nudge>[]) =>
  (lives.value = [live('basundi', nudges, { nowS: () => now })])
let screen: ReturnType<typeof mount>

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['performance'] })
  now = 1000
  lives.value = []
  const { useNudging } = await import('./nudging')
  screen = mount(defineComponent({ setup: () => (useNudging(), () => h('i')) }))
})
afterEach(() => {
  screen.unmount()
  vi.useRealTimers()
  for (const mock of [play, post, wake.request, wake.release]) mock.mockClear()
})

test('it chimes once when due, speaks when nobody came, and is then kept as missed, once', async () => {
  put(nudge('stir', 1030))
  await after(1)
  expect(play).not.toHaveBeenCalled()
  expect(document.title).toBe('0:29 stir · Mulvek')
  await after(30)
  expect(play.mock.calls).toEqual([['chime']])
  expect(document.title).toBe('● stir · basundi')
  await after(5)
  expect(play).toHaveBeenCalledTimes(1)
  await after(40)
  expect(play.mock.calls.at(-1)).toEqual(['speak'])
  await after(200)
  await after(1)
  expect(post).toHaveBeenCalledOnce()
  expect(post.mock.calls[0]![0]).toMatchObject({
    of: 'pan',
    id: 1,
    event: { kind: 'missed', nudge: 'stir', episode: '1', key: 'missed-pan-1-stir-1' },
  })
})

test('a hazard is never missed: it alarms, and again every minute', async () => {
  put(nudge('stop', 1000, { kind: 'hazard' }))
  await after(1)
  expect(play.mock.calls).toEqual([['speak']])
  await after(120)
  await after(30)
  await after(31)
  expect(play.mock.calls.map(([how]) => how)).toEqual(['speak', 'alarm', 'alarm'])
  await after(400)
  expect(post).not.toHaveBeenCalled()
})

test('hushed, it is only shown', async () => {
  put(nudge('stir', 1000, { hushed: true }))
  await after(20)
  expect(play).not.toHaveBeenCalled()
})

test('two chimes at once are one, and the next waits a little', async () => {
  put(nudge('stir', 1001), nudge('reading', 1005))
  await after(2)
  await after(5)
  expect(play).toHaveBeenCalledTimes(1)
})

test('the screen stays awake while milk is on the fire', async () => {
  put(nudge('stir', 1500))
  await nextTick()
  expect(wake.request).toHaveBeenCalled()
  lives.value = []
  await nextTick()
  expect(wake.release).toHaveBeenCalled()
})
