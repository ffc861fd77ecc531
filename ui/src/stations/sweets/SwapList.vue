<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type SweetIn } from '@/api/client'
import LevelTube from '@/charts/LevelTube.vue'

/** "No khoya today": what can stand in for it from the Larder, what it does, and the list is written anew. */
const props = defineProps<{ plan: SweetIn; ingredient: string; name: string }>()
const emit = defineEmits<{ take: [changes: Record<string, number>]; close: [] }>()
const all = ref(false)
watch(
  () => props.ingredient,
  () => (all.value = false),
)
const settled = refDebounced(
  computed(() =>
    JSON.stringify({
      plan: props.plan,
      ingredient: props.ingredient,
      all_things: all.value,
      most: {},
    }),
  ),
  80,
)
const asked = useQuery({
  queryKey: ['swap', settled],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/sweets/swap', { body: JSON.parse(settled.value), signal })),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 30_000,
})
const ways = computed(() => asked.data.value?.ways ?? [])
const tellsMost = (levels: (typeof ways.value)[number]['levels']) =>
  levels.find((l) => l.word !== 'in') ?? levels.find((l) => l.key === 'total_solids') ?? levels[0]
const missed = (g: Record<string, number>) =>
  Object.entries(g)
    .filter(([, v]) => Math.abs(v) >= 0.5)
    .map(([k, v]) => `${k} ${v > 0 ? '+' : '−'}${Math.abs(v).toFixed(0)} g`)
    .join(', ')
const longer = (m: number) => (m >= 1 ? ` ${Math.round(m)} min longer.` : '')
</script>

<template>
  <section :aria-label="`No ${name} today?`">
    <h2 class="heading">No {{ name }} today? <span>Use one of these.</span></h2>
    <p v-if="asked.error.value" class="problem" role="alert">{{ asked.error.value.message }}</p>
    <ul>
      <li v-for="(w, i) in ways" :key="i">
        <button
          type="button"
          class="way"
          :class="{ first: i === 0 && w.good, poor: !w.good }"
          @click="emit('take', w.changes)"
        >
          <i aria-hidden="true" />
          <span>
            <b>{{ w.words }}</b>
            <small v-if="w.parts.some((p) => p.cups)"
              >{{
                w.parts
                  .filter((p) => p.cups)
                  .map((p) => `${p.cups} ${p.name}`)
                  .join(', ')
              }}.
            </small>
            <small>
              <template v-if="i === 0 && w.good">The closest. </template>{{ w.note
              }}{{ w.kind === 'milk' ? '' : longer(w.minutes) }}
              <template v-if="missed(w.missed_g)"> Off by {{ missed(w.missed_g) }}.</template>
            </small>
          </span>
          <LevelTube v-if="tellsMost(w.levels)" :level="tellsMost(w.levels)!" small />
        </button>
      </li>
    </ul>
    <p class="foot">
      <button v-if="!all" type="button" class="touch" @click="all = true">
        Look beyond my Larder
      </button>
      <button type="button" class="touch" @click="emit('close')">There is some after all</button>
    </p>
  </section>
</template>

<style scoped>
.heading span {
  font-weight: 400;
}
.way {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) 92px;
  gap: 11px;
  align-items: center;
  width: 100%;
  padding: 7px 10px 5px;
  border-radius: 8px;
  text-align: left;
}
.way:hover,
.way.first {
  background: var(--cobalt-wash);
}
.way i {
  width: 17px;
  height: 17px;
  border-radius: 50%;
  border: 2px solid var(--cobalt);
}
.way b {
  display: block;
  color: var(--cobalt);
  font-weight: 620;
  font-size: 15.5px;
}
.way small {
  font-size: 14px;
}
.poor b {
  color: var(--ink);
}
.foot {
  display: flex;
  gap: 20px;
  margin-top: 4px;
}
</style>
