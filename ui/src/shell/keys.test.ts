import { mount } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { keys, pressed, useKeys } from './keys'

const stirred = vi.fn()
const list = [{ key: 's', does: 'stirred', run: stirred }]
const press = (target: Element, key: string, more: KeyboardEventInit = {}) =>
  target.dispatchEvent(
    new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }),
  )

afterEach(() => stirred.mockClear())

test('a key acts while its screen is open, in either case, and is listed', () => {
  const screen = mount(
    defineComponent({ setup: () => (useKeys(list), () => h('p', h('input'))) }),
    { attachTo: document.body },
  )
  expect(keys.list).toHaveLength(1)
  press(document.body, 's')
  press(document.body, 'S')
  expect(stirred).toHaveBeenCalledTimes(2)
  screen.unmount()
  press(document.body, 's')
  expect(stirred).toHaveBeenCalledTimes(2)
  expect(keys.list).toEqual([])
})

test('typing, dialogs and the browser’s own keys are left alone', () => {
  document.body.innerHTML = '<input><div role="dialog"><button>x</button></div><p>y</p>'
  const on = (e: KeyboardEvent) => pressed(e, list)
  window.addEventListener('keydown', on)
  press(document.querySelector('input')!, 's')
  press(document.querySelector('button')!, 's')
  press(document.querySelector('p')!, 's', { ctrlKey: true })
  press(document.querySelector('p')!, 'q')
  expect(stirred).not.toHaveBeenCalled()
  press(document.querySelector('p')!, 's')
  expect(stirred).toHaveBeenCalledOnce()
  window.removeEventListener('keydown', on)
})
