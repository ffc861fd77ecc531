import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import SentenceWord from './SentenceWord.vue'

const CHOICES = ['1 L', '2 L', '3 L'].map((x) => ({ value: x, text: x }))
let mounted: VueWrapper[] = []

function word(more: Record<string, unknown> = {}) {
  const w = mount(SentenceWord, {
    attachTo: document.querySelector('.sentence')!,
    props: {
      label: 'how much milk',
      shown: '2 L',
      choices: CHOICES,
      modelValue: '2 L',
      'onUpdate:modelValue': (modelValue: string) => w.setProps({ modelValue, shown: modelValue }),
      ...more,
    },
  })
  mounted.push(w)
  return w
}
const button = (w: VueWrapper) => w.get<HTMLButtonElement>('button.word')
const editor = () => document.querySelector<HTMLElement>('.editor')
const kept = (w: VueWrapper) => (w.emitted('kept') ?? []).length
async function open(w: VueWrapper) {
  await button(w).trigger('click')
  await nextTick()
  await vi.waitFor(() => expect(document.activeElement!.closest('.editor')).not.toBeNull())
}
async function press(key: string, more: KeyboardEventInit = {}) {
  const on = document.activeElement ?? editor()!
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }))
  await nextTick()
  await nextTick()
}

beforeEach(() => (document.body.innerHTML = '<p class="sentence"></p>'))
afterEach(() => {
  mounted.forEach((w) => w.unmount())
  mounted = []
})

test('a word that was emptied is seen and can still be touched', async () => {
  const w = word({ shown: ' ', modelValue: '', free: true })
  expect(button(w).text()).toBe('nothing')
  expect(button(w).attributes('aria-label')).toBe('how much milk: nothing')
  await open(w)
  expect(editor()).not.toBeNull()
})

describe('a word that is chosen', () => {
  test('says what it is, opens on the choice that stands, and takes another', async () => {
    const w = word()
    expect(button(w).attributes('aria-label')).toBe('how much milk: 2 L')
    await open(w)
    expect(button(w).attributes('aria-expanded')).toBe('true')
    expect(document.activeElement!.textContent).toContain('2 L')
    const third = [...editor()!.querySelectorAll<HTMLElement>('.choice')][2]!
    third.click()
    await nextTick()
    await nextTick()
    expect(w.props('modelValue')).toBe('3 L')
    expect(kept(w)).toBe(1)
    expect(document.activeElement).toBe(button(w).element)
  })

  test('Up and Down step round; Esc restores and nothing is kept', async () => {
    const w = word()
    await open(w)
    await press('ArrowDown')
    expect(w.props('modelValue')).toBe('3 L')
    await press('ArrowDown')
    expect(w.props('modelValue')).toBe('1 L')
    await press('ArrowUp')
    expect(w.props('modelValue')).toBe('3 L')
    await press('Escape')
    expect(w.props('modelValue')).toBe('2 L')
    expect(kept(w)).toBe(0)
    expect(document.activeElement).toBe(button(w).element)
  })

  test('the key that closes it reaches nothing else', async () => {
    const heard = vi.fn()
    window.addEventListener('keydown', heard)
    await open(word())
    await press('Escape')
    expect(heard).not.toHaveBeenCalled()
    window.removeEventListener('keydown', heard)
  })
})

describe('a word that is typed', () => {
  test('recalculates with each letter, keeps with Enter, and only once', async () => {
    const w = word({ free: true })
    await open(w)
    const field = document.activeElement as HTMLInputElement
    expect(field.tagName).toBe('INPUT')
    field.value = '9 glasses'
    field.dispatchEvent(new Event('input', { bubbles: true }))
    await nextTick()
    expect(w.props('modelValue')).toBe('9 glasses')
    expect(kept(w)).toBe(0)
    await press('Enter')
    expect(kept(w)).toBe(1)
    await open(w)
    await press('Enter')
    expect(kept(w)).toBe(1)
  })

  test('a problem is told beside it, and what was typed stays', async () => {
    const w = word({ free: true, modelValue: 'two buckets', problem: 'What is “buckets”?' })
    expect(button(w).classes()).toContain('wrong')
    await open(w)
    expect(editor()!.querySelector('[role=alert]')!.textContent).toBe('What is “buckets”?')
    expect((document.activeElement as HTMLInputElement).value).toBe('two buckets')
  })

  test('Tab keeps and goes on to the next word, Shift Tab to the one before', async () => {
    const [first, second] = [word({ free: true }), word({ free: true })]
    await open(first)
    await press('Tab')
    expect(document.activeElement).toBe(button(second).element)
    await open(second)
    await press('Tab', { shiftKey: true })
    expect(document.activeElement).toBe(button(first).element)
  })
})
