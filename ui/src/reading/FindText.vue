<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { NInput } from 'naive-ui'
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { LONGEST_WORDS } from '@/api/shared'

/** Where how to use it has these words; asked of the kitchen's own server. */
const emit = defineEmits<{ leave: [] }>()
const words = ref('')
const settled = refDebounced(words, 150)
const found = useQuery({
  queryKey: ['find', settled],
  queryFn: async () => {
    const asked = settled.value.trim()
    if (!asked) return null
    return (await unwrap(api.POST('/api/using/find', { body: { words: asked } }))).sections
  },
  placeholderData: (before) => before,
  staleTime: Infinity,
})
</script>

<template>
  <search class="find">
    <NInput
      v-model:value="words"
      placeholder="Find in how to use it"
      :maxlength="LONGEST_WORDS"
      :input-props="{ 'aria-label': 'Find in how to use it', autocomplete: 'off', type: 'search' }"
    />
    <ul v-if="words.trim() && found.data.value" aria-label="Found" aria-live="polite">
      <li v-for="s in found.data.value" :key="`${s.page}${s.anchor}`">
        <RouterLink :to="`/using/${s.page}${s.anchor && `#${s.anchor}`}`" @click="emit('leave')">{{
          s.title
        }}</RouterLink>
        <span class="soft">{{ s.says }}</span>
      </li>
      <li v-if="!found.data.value.length" class="soft">Nothing has these words. Try one word.</li>
    </ul>
  </search>
</template>

<style scoped>
.find {
  display: block;
  max-width: 560px;
  margin: 0 4px 10px;
}
li {
  display: grid;
  padding: 8px 0 4px;
  border-bottom: 1px solid var(--ridge);
  line-height: 21px;
}
a {
  font-weight: 650;
}
.soft {
  font-size: 15px;
}
</style>
