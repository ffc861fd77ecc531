import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { createMemoryHistory, parseQuery, type LocationQuery, type Router } from 'vue-router'
import { api } from '@/api/client'
import { makeRouter } from '@/router'
import { keepLastWords, written } from './lastWords'

const words: Record<string, string> = {}
const puts: [string, string][] = []
let router: Router

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  for (const key of Object.keys(words)) delete words[key]
  puts.length = 0
  vi.spyOn(api, 'GET').mockImplementation((async () => ({
    data: { words: { ...words } },
  })) as never)
  vi.spyOn(api, 'PUT').mockImplementation((async (
    _path: string,
    sent: { params: { path: { station: string } }; body: { query: string } },
  ) => {
    const { station } = sent.params.path
    puts.push([station, sent.body.query])
    words[station] = sent.body.query
    return {}
  }) as never)
  router = makeRouter(createMemoryHistory())
  keepLastWords(router)
  await router.push('/larder')
})
afterEach(() => vi.useRealTimers())

const rest = () => vi.advanceTimersByTimeAsync(700)

test.each<LocationQuery>([
  { amount: '2.4 L', add: ['cream~50 g~end', 'khoya~1 tbsp~start'] },
  { change: 'mix.khoya-pindi=0;A=1.2', eat: 'tomorrow 18:00' },
  { empty: '' },
  {},
])('%o is read back as it was written', (query) => {
  expect(parseQuery(written(query))).toEqual(query)
})

test('a station that is opened goes on with its last words', async () => {
  words.sweets = written({ sweet: 'kalakand', want: '24' })
  await router.push('/sweets')
  expect(router.currentRoute.value.query).toEqual({ sweet: 'kalakand', want: '24' })
  await rest()
  expect(puts).toEqual([]) // nothing new was said
})

test('a page that is closed before it rests still sends the last of it, once', async () => {
  await router.push('/bench?amount=1+L')
  await router.push('/bench?amount=2+L')
  window.dispatchEvent(new Event('pagehide'))
  expect(puts).toEqual([['reduce', 'amount=2+L']])
  await rest()
  expect(puts).toHaveLength(1)
})

test('who comes back before it rests finds what was said, not what the server knew', async () => {
  words.reduce = 'amount=9+L'
  await router.push('/bench?amount=2+L')
  await router.push('/larder')
  await router.push('/bench')
  expect(router.currentRoute.value.query).toEqual({ amount: '2 L' })
  await rest()
  expect(puts).toEqual([['reduce', 'amount=2+L']])
  // an emptied one stays empty
  await router.push('/bench')
  await router.push('/larder')
  await router.push('/bench')
  expect(router.currentRoute.value.query).toEqual({})
})

test('what a sentence says is kept once it rests, the last of it only', async () => {
  await router.push('/bench?amount=1+L')
  await router.push('/bench?amount=2+L')
  await router.push('/bench?amount=3+L')
  expect(puts).toEqual([])
  await rest()
  expect(puts).toEqual([['reduce', 'amount=3+L']])
})

test('words that an address brings along stand before those that were kept', async () => {
  words.curdle = 'amount=5+L'
  await router.push('/bench/curdle?amount=1+L')
  expect(router.currentRoute.value.query).toEqual({ amount: '1 L' })
  await rest()
  expect(words.curdle).toBe('amount=1+L')
})

test('the station said once more begins afresh, and that is kept too', async () => {
  words.reduce = 'amount=5+L'
  await router.push('/bench')
  expect(router.currentRoute.value.query).toEqual({ amount: '5 L' })
  await router.push('/bench')
  expect(router.currentRoute.value.query).toEqual({})
  await rest()
  expect(words.reduce).toBe('')
  await router.push('/larder')
  await router.push('/bench')
  expect(router.currentRoute.value.query).toEqual({})
})

test('without an answer the usual plan is shown', async () => {
  vi.spyOn(api, 'GET').mockRejectedValue(new TypeError('no network'))
  await router.push('/sweets')
  expect(router.currentRoute.value.fullPath).toBe('/sweets')
})

test('what could not be kept is kept with the next words, though they are the same', async () => {
  vi.spyOn(api, 'PUT').mockRejectedValueOnce(new TypeError('no network'))
  await router.push('/bench?amount=3+L')
  await rest()
  expect(words.reduce).toBeUndefined()
  await router.push('/larder')
  await router.push('/bench?amount=3+L')
  await rest()
  expect(words.reduce).toBe('amount=3+L')
})

test('other pages keep nothing', async () => {
  await router.push('/book?find=kulfi')
  await rest()
  expect(puts).toEqual([])
})
