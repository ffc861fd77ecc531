<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import { spoken } from '@/say'
import { COLD } from './narrow'

/** Of one milk, in one pan, of one year, judged so when cold: folded until it is wanted. */
const props = defineProps<{ narrowed: Record<string, string> }>()
const emit = defineEmits<{ narrow: [to: Record<string, string>] }>()
const open = ref(Object.keys(props.narrowed).length > 0)

const larder = useLarder()
const years = useQuery({
  queryKey: ['book', 'years'],
  queryFn: async () => (await unwrap(api.GET('/api/season', { params: { query: {} } }))).years,
  enabled: open,
})
const named = (things: { id?: number | null; name: string }[] | undefined) =>
  (things ?? []).map((x) => ({ value: String(x.id), label: x.name }))
const choices = computed(() => [
  { key: 'milk', any: 'any milk', options: named(larder.data.value?.milks) },
  { key: 'pan', any: 'any pan', options: named(larder.data.value?.pans) },
  {
    key: 'cold',
    any: 'however it was cold',
    options: COLD.map((v) => ({ value: v as string, label: spoken(v) })),
  },
  {
    key: 'year',
    any: 'any year',
    options: (years.data.value ?? []).map((y) => ({ value: String(y), label: String(y) })),
  },
])
function choose(key: string, event: Event) {
  const value = (event.target as HTMLSelectElement).value
  const others = Object.fromEntries(Object.entries(props.narrowed).filter(([k]) => k !== key))
  emit('narrow', value ? { ...others, [key]: value } : others)
}
</script>

<template>
  <button type="button" class="touch" :aria-expanded="open" @click="open = !open">
    one milk, pan or year
  </button>
  <template v-for="c in choices" :key="c.key">
    <select
      v-if="open && c.options.length"
      :aria-label="c.any"
      :class="{ set: narrowed[c.key] }"
      :value="narrowed[c.key] ?? ''"
      @change="choose(c.key, $event)"
    >
      <option value="">{{ c.any }}</option>
      <option v-for="o in c.options" :key="o.value" :value="o.value">{{ o.label }}</option>
    </select>
  </template>
</template>

<style scoped>
select {
  height: 40px;
  max-width: 190px;
  padding: 0 6px;
  border: 1.5px solid var(--ridge);
  border-radius: 9px;
  background: var(--enamel);
  color: var(--ink-soft);
  font: inherit;
}
.set {
  border-color: var(--cobalt);
  color: var(--ink);
  font-weight: 700;
}
</style>
