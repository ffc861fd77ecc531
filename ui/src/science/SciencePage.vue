<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import type { paths } from '@/api/schema'

/** The science behind the figures: one page of our own text, opened at the rule a why named. */
type Key = paths['/api/science/{page}']['get']['parameters']['path']['page']
const route = useRoute()
const router = useRouter()
const key = computed(() => String(route.params.page ?? 'about') as Key)
const page = useQuery({
  queryKey: ['science', key],
  queryFn: () => unwrap(api.GET('/api/science/{page}', { params: { path: { page: key.value } } })),
  staleTime: Infinity,
  retry: false,
})
const text = ref<HTMLElement>()
watch(
  [() => page.data.value, () => route.hash, text],
  async () => {
    await nextTick()
    text.value?.querySelectorAll('.named').forEach((e) => e.classList.remove('named'))
    const rule = route.hash && document.getElementById(decodeURIComponent(route.hash.slice(1)))
    if (!rule) return
    rule.classList.add('named')
    rule.scrollIntoView({ block: 'start' })
  },
  { immediate: true },
)
/** The tables of reference values are led to from the first page; they stand in the row only among themselves. */
const shelf = computed(() => {
  const tables = (k: string) => k.startsWith('reference-')
  return page.data.value?.pages.filter((p) => !tables(p.key) || tables(key.value)) ?? []
})
/** Links between pages stay in the application. */
function follow(event: MouseEvent) {
  const link = (event.target as HTMLElement).closest('a')
  if (!link || link.origin !== location.origin || event.metaKey || event.ctrlKey) return
  event.preventDefault()
  void router.push(link.pathname + link.hash)
}
</script>

<template>
  <div class="page">
    <h1>{{ page.data.value?.title ?? 'Science' }}</h1>
    <p v-if="page.error.value" class="answer problem" role="alert">
      {{ page.error.value.message }}
      <RouterLink to="/science/about">All pages</RouterLink>
    </p>
    <template v-else-if="page.data.value">
      <nav aria-label="Pages of the science">
        <RouterLink v-for="p in shelf" :key="p.key" :to="`/science/${p.key}`">{{
          p.title
        }}</RouterLink>
      </nav>
      <!-- eslint-disable-next-line vue/no-v-html -- our own text, shipped with the application -->
      <div ref="text" class="text" @click="follow" v-html="page.data.value.html" />
    </template>
  </div>
</template>

<style scoped>
h1 {
  margin: 18px 4px 10px;
  font: 700 32px/38px var(--words);
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  margin: 0 4px 20px;
  line-height: 30px;
}
nav a {
  color: var(--cobalt);
  font-weight: 550;
}
nav .router-link-exact-active {
  color: var(--ink);
}
.text {
  max-width: 1020px;
  margin: 0 4px 40px;
  font-size: 17px;
  line-height: 26px;
}
.text :deep(h2) {
  margin: 26px 0 4px;
  padding-top: 4px;
  font: 650 22px/28px var(--words);
  scroll-margin-top: 90px;
}
.text :deep(h2.named) {
  border-left: 5px solid var(--cobalt);
  padding-left: 12px;
}
.text :deep(p) {
  max-width: 74ch;
  margin: 6px 0;
}
.text :deep(a) {
  color: var(--cobalt);
}
.text :deep(.wide) {
  overflow-x: auto;
  margin: 10px 0;
}
.text :deep(table) {
  border-collapse: collapse;
  font-size: 15px;
  line-height: 21px;
}
.text :deep(th) {
  color: var(--ink-soft);
  font-weight: 450;
  text-align: left;
}
.text :deep(th),
.text :deep(td) {
  padding: 6px 16px 5px 0;
  vertical-align: top;
}
.text :deep(td) {
  border-top: 1px solid var(--ridge);
  min-width: 7ch;
}
.text :deep(code) {
  font-size: 13px;
  overflow-wrap: anywhere;
}
</style>
