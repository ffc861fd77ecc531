import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { plain, shown, useWords } from './words'

const data = ref<unknown>()
vi.mock('@/api/kitchen', () => ({ useLarder: () => ({ data }) }))

const FIRST = { amount: '3 L', milk: '', pan: '', wait: '3 minutes' }
let words: ReturnType<typeof useWords<typeof FIRST>>
const router = createRouter({
  history: createMemoryHistory(),
  routes: ['/bench/curdle', '/elsewhere'].map((path) => ({
    path,
    component: { render: () => null },
  })),
})

async function at(address: string, kinds: ('milk' | 'pan')[] = ['milk', 'pan']) {
  await router.push(address)
  const screen = defineComponent({
    setup() {
      words = useWords('/bench/curdle', FIRST, kinds)
      return () => h('i')
    },
  })
  mount(screen, { global: { plugins: [router] } })
  await flushPromises()
}

beforeEach(() => {
  data.value = {
    milks: [
      { id: 3, name: 'coconut', species: 'coconut' },
      { id: 1, name: 'farm', species: 'buffalo' },
      { id: 2, name: 'cow', species: 'cow' },
    ],
    pans: [{ id: 5, name: 'pot' }],
  }
})

test('words stand in the address; the rest is as usual, and coconut is no milk to curdle', async () => {
  await at('/bench/curdle?wait=82+°C')
  expect({ ...words.words }).toEqual({ amount: '3 L', milk: '1', pan: '5', wait: '82 °C' })
  expect(words.milks().map((m) => m.text)).toEqual(['farm', 'cow'])
})

test('a milk of the tables that a sweet asks for is the nearest that the Larder has', async () => {
  data.value = {
    milks: [
      { id: 1, name: 'farm', species: 'buffalo', fat_pct: 6.9, snf_pct: 9.7 },
      { id: 2, name: 'packet', species: 'cow', fat_pct: 5.8, snf_pct: 9 },
      { id: 4, name: 'lean', species: 'cow', fat_pct: 1.5, snf_pct: 9 },
    ],
    milk_kinds: [
      { key: 'full-cream', species: 'cow', fat_pct: 6, snf_pct: 9 },
      { key: 'skim', species: 'cow', fat_pct: 0.3, snf_pct: 8.7 },
    ],
    pans: [{ id: 5, name: 'pot' }],
  }
  for (const [milk, id] of [
    ['full-cream', '2'],
    ['skim', '4'],
    ['1', '1'],
    ['moon', '1'],
  ]) {
    await at(`/bench/curdle?milk=${milk}`)
    expect(words.words.milk).toBe(id)
  }
})

test('a number the Larder does not know becomes its first', async () => {
  await at('/bench/curdle?milk=77&pan=5')
  expect(words.words.milk).toBe('1')
})

test('what is kept goes to the address, and going back restores it', async () => {
  await at('/bench/curdle')
  words.keep({ amount: '2 L', milk: '2' })
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ amount: '2 L', milk: '2', pan: '5' })
  words.keep({ amount: '3 L' })
  await flushPromises()
  expect(router.currentRoute.value.query).not.toHaveProperty('amount')
  router.back()
  await vi.waitFor(() => expect(words.words.amount).toBe('2 L'))
})

test('another station’s address changes nothing here', async () => {
  await at('/bench/curdle?amount=1+L')
  await router.push('/elsewhere?amount=9+L')
  expect(words.words.amount).toBe('1 L')
})

test('before the Larder is there, nothing is guessed', async () => {
  data.value = undefined
  await at('/bench/curdle?amount=1+L')
  expect(words.words.milk).toBe('')
})

test('a value is shown by its text, or as it is', () => {
  expect(shown([{ value: 'hang', text: 'hang it' }], 'hang')).toBe('hang it')
  expect(shown([], '45 min')).toBe('45 min')
  expect(plain('1 L')).toEqual([{ value: '1 L', text: '1 L' }])
})

test('what is typed stays when the Larder is heard of only then, and when it changes', async () => {
  const kitchen = data.value
  data.value = undefined
  await at('/bench/curdle?wait=4+minutes', [])
  words.words.amount = '2 L'
  data.value = kitchen
  await flushPromises()
  expect({ ...words.words }).toEqual({ ...FIRST, wait: '4 minutes', amount: '2 L' })
  await at('/bench/curdle')
  words.words.amount = '1 L'
  data.value = { ...(kitchen as object), pans: [{ id: 7, name: 'new pot' }] }
  await flushPromises()
  expect({ ...words.words }).toEqual({ ...FIRST, milk: '1', pan: '7', amount: '1 L' })
})
