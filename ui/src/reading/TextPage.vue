<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import FindText from './FindText.vue'
import { useText, type Volume } from './text'
import TextBody from './TextBody.vue'

/** A page of the science, opened at the rule a why named; or of how to use it, which is searched. */
const route = useRoute()
const volume = computed<Volume>(() => (route.path.startsWith('/using') ? 'using' : 'science'))
const key = computed(() => String(route.params.page ?? 'about'))
const page = useText(volume, key)
const NAMES = { science: 'Pages of the science', using: 'How to use it' }
/** The tables of reference values are led to from the first page; they stand in the row only among themselves. */
const shelf = computed(() => {
  const tables = (k: string) => k.startsWith('reference-')
  return page.data.value?.pages.filter((p) => !tables(p.key) || tables(key.value)) ?? []
})
</script>

<template>
  <div class="page" :class="volume">
    <h1>{{ page.data.value?.title ?? NAMES[volume] }}</h1>
    <p v-if="page.error.value" class="answer problem" role="alert">
      {{ page.error.value.message }}
      <RouterLink :to="`/${volume}/about`">All pages</RouterLink>
    </p>
    <template v-else-if="page.data.value">
      <nav :aria-label="NAMES[volume]">
        <RouterLink v-for="p in shelf" :key="p.key" :to="`/${volume}/${p.key}`">{{
          p.title
        }}</RouterLink>
      </nav>
      <FindText v-if="volume === 'using'" />
      <TextBody
        class="body"
        :html="page.data.value.html"
        :anchor="decodeURIComponent(route.hash.slice(1))"
      />
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
.body {
  max-width: 1020px;
  margin: 0 4px 40px;
}
@media (max-width: 900px) {
  nav {
    line-height: 40px;
  }
  /* its first page lists them all */
  .using nav a:not(:first-child) {
    display: none;
  }
}
</style>
