import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed, type MaybeRef, type Ref } from 'vue'

const EACH = 30

/** One list of the Book, a page at a time as the server has it, of what holds the words that are looked for. */
export function usePages<T>(
  key: MaybeRef<string>[],
  find: Ref<string>,
  ask: (query: {
    limit: number
    offset: number
    find: string
  }) => Promise<{ total: number; aside: string[]; items: T[] }>,
) {
  const asked = useInfiniteQuery({
    queryKey: [...key, find],
    queryFn: ({ pageParam }) => ask({ limit: EACH, offset: pageParam, find: find.value }),
    initialPageParam: 0,
    getNextPageParam: (last, all) => {
      const next = all.length * EACH
      return next < last.total ? next : undefined
    },
  })
  const pages = computed(() => asked.data.value?.pages ?? [])
  return {
    asked,
    items: computed(() => pages.value.flatMap((page) => page.items) as T[]),
    total: computed(() => pages.value[0]?.total ?? 0),
    aside: computed(() => pages.value.flatMap((page) => page.aside)),
    older: computed(() => asked.hasNextPage.value),
    more: () => void asked.fetchNextPage(),
  }
}
