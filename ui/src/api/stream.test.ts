import { QueryClient, QueryObserver } from '@tanstack/vue-query'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'

/** A stream that the test opens, ends and speaks through. */
class Source {
  static all: Source[] = []
  static readonly CLOSED = 2
  readyState = 1
  onmessage: (message: { data: string }) => void = () => undefined
  onerror: () => void = () => undefined
  constructor(readonly url: string) {
    Source.all.push(this)
  }
  close() {
    this.readyState = 2
  }
  /** Ended for good, as when the server answers 401 or 503. */
  refused() {
    this.readyState = 2
    this.onerror()
  }
}

beforeEach(() => {
  Source.all = []
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', Source)
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network in this test')))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

async function listening() {
  const { listen } = await import('./kitchen')
  const client = new QueryClient()
  const asked = vi.spyOn(client, 'invalidateQueries').mockResolvedValue()
  return { stop: listen(client), asked }
}

test('one that was turned away asks again after a while, until it is let go', async () => {
  const { stop, asked } = await listening()
  expect(Source.all).toHaveLength(1)
  Source.all[0]!.refused()
  expect(asked).toHaveBeenCalledWith({ queryKey: ['me'] }) // sent away, perhaps
  await vi.advanceTimersByTimeAsync(4_000)
  expect(Source.all).toHaveLength(1)
  await vi.advanceTimersByTimeAsync(2_000)
  expect(Source.all).toHaveLength(2)
  Source.all[1]!.refused()
  stop()
  await vi.advanceTimersByTimeAsync(60_000)
  expect(Source.all).toHaveLength(2)
})

test('a hiccup that the browser mends itself opens no second one', async () => {
  const { stop } = await listening()
  Source.all[0]!.readyState = 0
  Source.all[0]!.onerror()
  await vi.advanceTimersByTimeAsync(60_000)
  expect(Source.all).toHaveLength(1)
  stop()
})

test('a message that tells nothing asks for all that runs', async () => {
  const { stop, asked } = await listening()
  Source.all[0]!.onmessage({ data: '{}' })
  const keys = asked.mock.calls.map(([filters]) => (filters as { queryKey: string[] }).queryKey[0])
  expect(keys).toEqual(expect.arrayContaining(['stove', 'batch', 'sweet-bases', 'book']))
  stop()
})

/** Asks for something as a screen does; each answer is given when the test says so. */
function screen(client: QueryClient, key: string) {
  const answers: ((value: string) => void)[] = []
  const seen = new QueryObserver(client, {
    queryKey: [key],
    queryFn: () => new Promise<string>((answer) => answers.push(answer)),
  })
  seen.subscribe(() => undefined)
  return { answers, shown: () => seen.getCurrentResult().data }
}

test('a first answer read before the change is not the last word', async () => {
  const { listen } = await import('./kitchen')
  const client = new QueryClient()
  const stop = listen(client)
  const { answers, shown } = screen(client, 'batch')
  expect(answers).toHaveLength(1)
  Source.all[0]!.onmessage({ data: '{}' })
  answers[0]!('before')
  await vi.advanceTimersByTimeAsync(100)
  expect(shown()).toBe('before')
  expect(answers).toHaveLength(2)
  answers[1]!('after')
  await vi.advanceTimersByTimeAsync(100)
  expect(shown()).toBe('after')
  await vi.advanceTimersByTimeAsync(1_000)
  expect(answers).toHaveLength(2)
  stop()
})

test('an answer on its way does not overwrite a batch that was told meanwhile', async () => {
  const { listen } = await import('./kitchen')
  const client = new QueryClient()
  const stop = listen(client)
  client.setQueryData(['stove'], [{ id: 7, name: 'before' }])
  const { answers } = screen(client, 'stove')
  await vi.advanceTimersByTimeAsync(10)
  expect(answers).toHaveLength(1)
  Source.all[0]!.onmessage({ data: '{"batch":{"id":7,"name":"after","now_s":1}}' })
  await vi.advanceTimersByTimeAsync(100)
  expect(client.getQueryData(['stove'])).toMatchObject([{ name: 'after' }])
  expect(answers).toHaveLength(2) // the one on its way was let go
  answers[0]!('[old]')
  await vi.advanceTimersByTimeAsync(100)
  expect(client.getQueryData(['stove'])).toMatchObject([{ name: 'after' }])
  stop()
})
