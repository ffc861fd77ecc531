<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useShopping } from '@/api/standing'
import { money, weight } from '@/say'
import { keepWords, lastWords } from '@/shell/lastWords'

/** What is still wanted for what is being made, in packs; a tick is seen by all of the house until the list changes. */
const props = defineProps<{ currency: string }>()
const shopping = useShopping()
const lines = computed(() => shopping.data.value?.lines ?? [])
const enough = computed(() => shopping.data.value?.enough ?? [])
const got = ref<string[]>([])
const kept = useQuery({ queryKey: ['basket'], queryFn: lastWords, refetchInterval: 10_000 })
const client = useQueryClient()
const keep = useMutation({
  onMutate: () => client.cancelQueries({ queryKey: ['basket'] }), // its answer may be of before
  mutationFn: () =>
    keepWords('shopping', String(new URLSearchParams(got.value.map((k) => ['got', k])))),
})
watch(kept.data, (words) => {
  if (words && !keep.isPending.value)
    got.value = new URLSearchParams(words.shopping ?? '').getAll('got')
})
const mark = (l: (typeof lines.value)[number]) => `${l.key} ${l.said}`
const ticked = (l: (typeof lines.value)[number]) => got.value.includes(mark(l))
function tick(l: (typeof lines.value)[number]) {
  const listed = got.value.filter((k) => lines.value.some((each) => mark(each) === k))
  got.value = ticked(l) ? listed.filter((k) => k !== mark(l)) : [...listed, mark(l)]
  keep.mutate()
}
const left = computed(() =>
  lines.value.filter((l) => !ticked(l)).reduce((sum, l) => sum + (l.price ?? 0), 0),
)
</script>

<template>
  <section v-if="lines.length || enough.length" class="tray" aria-label="To buy">
    <p class="legend">
      <b>To buy</b>
      <span class="soft"
        >for what is being made; what stands on the shelf and in the cupboard is taken off</span
      >
    </p>
    <ul v-if="lines.length">
      <li v-for="l in lines" :key="l.key" :class="{ got: ticked(l) }">
        <button type="button" role="checkbox" :aria-checked="ticked(l)" @click="tick(l)">
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path v-if="ticked(l)" d="M3 10.500l5 5L17.500 5" />
            <rect v-else x="2" y="2" width="16" height="16" rx="4" />
          </svg>
          <span
            >{{ l.name }}
            <small class="soft"
              >{{ l.sweets.join(', ')
              }}{{ l.there_kg ? `; ${weight(l.there_kg)} there already` : '' }}</small
            ></span
          >
          <b>{{ l.said }}</b>
          <small>{{ l.packs === null ? '' : l.packs === 1 ? '1 pack' : `${l.packs} packs` }}</small>
        </button>
      </li>
    </ul>
    <p v-if="enough.length" class="soft enough">There is enough of: {{ enough.join('; ') }}.</p>
    <p v-if="left" class="soft">
      About {{ money(left, props.currency) }} for what has a price in the Larder.
    </p>
  </section>
</template>

<style scoped src="./listed.css"></style>
<style scoped>
button {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto 70px;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 46px;
  text-align: left;
  font-size: inherit;
}
.enough {
  margin-top: 8px;
}
svg {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.got svg {
  stroke: var(--leaf);
}
.got span,
.got b {
  color: var(--ink-soft);
}
</style>
