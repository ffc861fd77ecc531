import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'

type Outbox = typeof import('./outbox')
type Sent = { path: string; event: Record<string, unknown> }

/** A kitchen's server: keeps what it is sent, answers as told. */
class Server {
  sent: Sent[] = []
  down = false
  former: Record<string, number> = {}
  answers: (() => Response | Promise<Response>)[] = []
  ok = () =>
    new Response(JSON.stringify({ id: 5, phase: 'boiling', now_s: 1_800_000_000 }), {
      status: 201,
      headers: { 'content-type': 'application/json' },
    })
  fetch = async (request: Request) => {
    if (this.down) throw new TypeError('no network')
    const before = /\/api\/batches\/former\/(.+)$/.exec(request.url)
    if (before) return Response.json({ id: this.former[before[1]!], now_s: 1_800_000_000 })
    const { event } = (await request.clone().json()) as { event: Sent['event'] }
    const answer = await (this.answers.shift() ?? this.ok)()
    if (answer.ok) this.sent.push({ path: new URL(request.url).pathname, event })
    return answer
  }
}
const off = () => Promise.reject(new TypeError('no network'))
const problem = (status: number, detail: string) => () =>
  new Response(JSON.stringify({ status, title: 'Not now', detail, fields: [] }), {
    status,
    headers: { 'content-type': 'application/json' },
  })

let server: Server
/** A tab of the browser: each has the modules anew, all share one database. */
async function open(): Promise<Outbox> {
  vi.resetModules()
  return import('./outbox')
}
const settled = (tab: Outbox) => vi.waitFor(() => expect(tab.outbox.waiting).toEqual([]))
const stir = (id = 5) => ({ id, event: { kind: 'stirred' as const } })
const kinds = () => server.sent.map((s) => s.event.kind)

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'Date', 'performance'] })
  localStorage.clear()
  vi.stubGlobal('indexedDB', new IDBFactory())
  server = new Server()
  vi.stubGlobal('fetch', server.fetch)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('what happened', () => {
  test('is sent at once to its own batch, under a key, and answered', async () => {
    const { post, outbox } = await open()
    const answer = await post(stir())
    expect(answer).toMatchObject({ id: 5 })
    expect(server.sent[0]!.path).toBe('/api/batches/5/events')
    expect(server.sent[0]!.event.key).toMatch(/^[0-9a-f]{32}$/)
    expect(server.sent[0]!.event.at_s).toBeUndefined()
    expect(outbox.waiting).toEqual([])
  })

  test('and was kept while curds and sweets had numbers of their own finds its batch', async () => {
    const { post } = await open()
    server.former = { 'curd-3': 57, 'sweet-3': 61 }
    await post({ of: 'curd', id: 3, event: { kind: 'step_done' } })
    await post({ of: 'sweet', id: 3, event: { kind: 'note', text: 'set' } })
    await post({ of: 'pan', id: 3, event: { kind: 'stirred' } })
    expect(server.sent.map((s) => s.path)).toEqual(
      [57, 61, 3].map((n) => `/api/batches/${n}/events`),
    )
  })

  test('waits without network, and goes in order, once, at the time it happened', async () => {
    const { post, outbox, heardClock, keepSending } = await open()
    heardClock(1_000_000)
    server.down = true
    const stop = keepSending()
    expect(await post(stir())).toBeNull()
    await vi.advanceTimersByTimeAsync(60_000)
    expect(await post({ id: 5, event: { kind: 'scraped' } })).toBeNull()
    expect(outbox.waiting.map((w) => w.event.kind)).toEqual(['stirred', 'scraped'])
    server.down = false
    await vi.advanceTimersByTimeAsync(5_000)
    await vi.waitFor(() => expect(kinds()).toHaveLength(2))
    expect(kinds()).toEqual(['stirred', 'scraped'])
    const [first, second] = server.sent.map((s) => Number(s.event.at_s))
    expect(first).toBeCloseTo(1_000_000, 0)
    expect(second! - first!).toBeCloseTo(60, 0)
    stop()
  })

  test('outlives the page that noted it', async () => {
    server.answers = [off]
    expect(await (await open()).post(stir())).toBeNull()
    const again = await open()
    const stop = again.keepSending()
    await vi.waitFor(() => expect(kinds()).toEqual(['stirred']))
    expect(server.sent[0]!.event.key).toMatch(/^[0-9a-f]{32}$/)
    await settled(again)
    stop()
  })

  test.each([500, 503])('waits when the server says %i', async (status) => {
    const { post, outbox } = await open()
    server.answers = [problem(status, 'The disk is full.')]
    expect(await post(stir())).toBeNull()
    expect(outbox.waiting).toHaveLength(1)
    expect(outbox.refused).toEqual([])
  })

  test('that is refused is told to whoever asked, and does not stop the next', async () => {
    const { post, outbox } = await open()
    server.answers = [problem(409, 'It is off the fire.')]
    await expect(post(stir())).rejects.toThrow('It is off the fire.')
    await post(stir())
    expect(kinds()).toEqual(['stirred'])
    expect(outbox.waiting).toEqual([])
  })

  test('that is refused when nobody waits for it any more stays, to be seen', async () => {
    server.answers = [off]
    await (await open()).post({ id: 5, event: { kind: 'first_boil' } })
    const again = await open()
    server.answers = [problem(409, 'It boils already.')]
    const stop = again.keepSending()
    await vi.waitFor(() => expect(again.outbox.refused).toHaveLength(1))
    stop()
    const later = await open()
    const stopLater = later.keepSending()
    await vi.waitFor(() => expect(later.outbox.refused).toHaveLength(1))
    expect(later.outbox.refused[0]).toMatchObject({ refused: 'It boils already.', id: 5 })
    const { key } = later.outbox.refused[0]!
    server.answers = [problem(409, 'It boils still.')]
    await later.tryAgain(key)
    expect(later.outbox.refused[0]!.refused).toBe('It boils still.')
    await later.tryAgain(key)
    expect(kinds()).toEqual(['first_boil'])
    expect(later.outbox.refused).toEqual([])
    stopLater()
  })

  test('that is refused can be let go', async () => {
    server.answers = [off]
    await (await open()).post(stir())
    const again = await open()
    server.answers = [problem(404, 'There is no batch number 5.')]
    const stop = again.keepSending()
    await vi.waitFor(() => expect(again.outbox.refused).toHaveLength(1))
    await again.letGo(again.outbox.refused[0]!.key)
    expect(again.outbox.refused).toEqual([])
    stop()
  })

  test('the server’s own words say why it waits', async () => {
    const { post, outbox } = await open()
    server.answers = [problem(503, 'The disk is full.')]
    await post(stir())
    expect(outbox.held).toBe('The disk is full.')
    await post(stir())
    expect(outbox.held).toBe('')
    expect(kinds()).toEqual(['stirred', 'stirred'])
  })

  test('keeps its own key and its own time', async () => {
    const { post } = await open()
    const event = { kind: 'stirred' as const, key: 'mine-1', at_s: 77 }
    await post({ id: 5, event })
    expect(server.sent[0]!.event).toMatchObject(event)
  })
})

describe('several tabs', () => {
  test('send each happening once, in the order they were said, whoever said it', async () => {
    const [one, two, three] = [await open(), await open(), await open()]
    server.down = true
    for (let i = 0; i < 12; i++) {
      const tab = [one, two, three][i % 3]!
      await tab.post({ id: 5, event: { kind: 'note', text: `${i}` } })
    }
    server.down = false
    const stops = [one, two, three].map((tab) => tab.keepSending())
    await vi.waitFor(() => expect(server.sent).toHaveLength(12))
    expect(server.sent.map((s) => s.event.text)).toEqual(
      Array.from({ length: 12 }, (_, i) => `${i}`),
    )
    stops.forEach((stop) => stop())
    await new Promise((done) => setTimeout(done, 300))
    expect(server.sent).toHaveLength(12)
  })

  test('a tab that was closed leaves what it said to the others', async () => {
    server.down = true
    await (await open()).post(stir())
    const left = await open()
    server.down = false
    const stop = left.keepSending()
    await vi.waitFor(() => expect(kinds()).toEqual(['stirred']))
    stop()
  })

  test('one that dies while it sends is waited for no longer than its lease', async () => {
    vi.useRealTimers()
    const keepers: ReturnType<typeof setInterval>[] = []
    const start = setInterval
    vi.stubGlobal('setInterval', (...args: Parameters<typeof setInterval>) => {
      const timer = start(...args)
      keepers.push(timer)
      return timer
    })
    const dead = await open()
    server.answers = [() => new Promise<Response>(() => undefined)] // it never comes back
    void dead.post(stir())
    await vi.waitFor(() => expect(server.answers).toHaveLength(0))
    keepers.forEach((timer) => clearInterval(timer))
    const left = await open()
    const stop = left.keepSending()
    await vi.waitFor(() => expect(kinds()).toEqual(['stirred']), { timeout: 9000 })
    stop()
  }, 12_000)
})

test('what a former release left in the browser is taken in, first and in order', async () => {
  const old = ['stirred', 'scraped'].map((kind, i) => ({
    ...{ id: 5, at_s: 50 + i },
    event: { kind, key: `old-${i}` },
  }))
  localStorage.setItem('mulvek-outbox', JSON.stringify(old))
  const { post } = await open()
  await post({ id: 5, event: { kind: 'off' } })
  expect(kinds()).toEqual(['stirred', 'scraped', 'off'])
  expect(server.sent[0]!.event).toMatchObject({ key: 'old-0', at_s: 50 })
  expect(localStorage.getItem('mulvek-outbox')).toBeNull()
})

test('a browser that keeps nothing still sends, and sends later', async () => {
  vi.stubGlobal('indexedDB', {
    open: () => {
      throw new DOMException('no', 'SecurityError')
    },
  })
  const { post, outbox, keepSending } = await open()
  server.down = true
  expect(await post(stir())).toBeNull()
  expect(outbox.waiting).toHaveLength(1)
  server.down = false
  const stop = keepSending()
  await vi.waitFor(() => expect(kinds()).toEqual(['stirred']))
  stop()
})

describe('the kitchen’s clock', () => {
  test('is the server’s, whatever the clock here says or does', async () => {
    const { heardClock, serverNow } = await open()
    vi.setSystemTime(new Date('2031-01-01'))
    heardClock(1_800_000_000)
    vi.setSystemTime(new Date('2020-01-01'))
    expect(serverNow()).toBeCloseTo(1_800_000_000, 0)
    vi.advanceTimersByTime(30_000)
    expect(serverNow()).toBeCloseTo(1_800_000_030, 0)
  })

  test('is remembered for a page that opens without network', async () => {
    vi.setSystemTime(new Date('2031-01-01'))
    ;(await open()).heardClock(1_800_000_000)
    vi.advanceTimersByTime(10_000)
    expect((await open()).serverNow()).toBeCloseTo(1_800_000_010, 0)
  })
})
