import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { useEditing } from './editing'

const ok = () => Promise.resolve({ data: {}, response: new Response() })
const conflict = () =>
  Promise.resolve({
    error: { title: 'Not now', detail: 'It was changed elsewhere.', fields: [] },
    response: new Response(null, { status: 409 }),
  })

function edit(keep: (version: number) => ReturnType<typeof ok>) {
  const pan = ref<{ id: number; version: number } | undefined>({ id: 2, version: 3 })
  const done = vi.fn()
  let editing!: ReturnType<typeof useEditing<{ id: number; version: number }>>
  const screen = defineComponent({
    setup() {
      editing = useEditing(() => pan.value, { keep, remove: keep }, done)
      return () => h('i')
    },
  })
  mount(screen, { global: { plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]] } })
  return { pan, done, editing }
}

test('the version that was seen goes with the change, and the dialog closes', async () => {
  const keep = vi.fn(ok)
  const { editing, done } = edit(keep)
  editing.keep.mutate()
  await flushPromises()
  expect(keep).toHaveBeenCalledWith(3)
  expect(done).toHaveBeenCalledOnce()
})

test('when another was quicker, both stand side by side until the cook decides', async () => {
  const keep = vi.fn(conflict as never as typeof ok)
  const { pan, editing, done } = edit(keep)
  editing.keep.mutate()
  await flushPromises()
  expect(editing.problem.value).toBe('It was changed elsewhere.')
  expect(editing.theirs.value).toBeUndefined()
  pan.value = { id: 2, version: 4 }
  expect(editing.theirs.value).toEqual({ id: 2, version: 4 })
  editing.accept()
  await flushPromises()
  expect(editing.problem.value).toBeUndefined()
  expect(editing.theirs.value).toBeUndefined()
  keep.mockImplementation(ok)
  editing.keep.mutate()
  await flushPromises()
  expect(keep).toHaveBeenLastCalledWith(4)
  expect(done).toHaveBeenCalledOnce()
})
