<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap, type StockLine } from '@/api/client'
import { LONGEST_WORDS } from '@/api/shared'
import { may } from '@/door/me'
import { day, weight } from '@/say'

/** What there is of plain things: counted in the cook's own words; what goes into batches goes out by itself. */
const stock = useQuery({
  queryKey: ['stock'],
  queryFn: async () => (await unwrap(api.GET('/api/stock'))).things,
  staleTime: 15_000,
})
const client = useQueryClient()
const line = ref('')
function told(things: StockLine[]) {
  client.setQueryData(['stock'], things)
  void client.invalidateQueries({ queryKey: ['shopping'] })
}
const count = useMutation({
  mutationFn: () => unwrap(api.PUT('/api/stock', { body: { line: line.value } })),
  onSuccess: ({ things }) => {
    line.value = ''
    told(things)
  },
})
const forget = useMutation({
  mutationFn: (key: string) =>
    unwrap(api.DELETE('/api/stock/{key}', { params: { path: { key } } })),
  onSuccess: ({ things }) => told(things),
})
/** How full its jar is drawn, of 22. */
const level = (t: StockLine) => (t.left_kg == null ? 0 : (22 * t.left_kg) / t.counted_kg)
const since = (t: StockLine) =>
  t.left_kg == null
    ? `counted ${day(t.counted_s)}, too long ago to go by`
    : t.left_kg < t.counted_kg
      ? `${weight(t.counted_kg)} on ${day(t.counted_s)}, the rest went in`
      : `counted ${day(t.counted_s)}`
</script>

<template>
  <section class="tray" aria-label="In the cupboard">
    <p class="legend">
      <b>In the cupboard</b>
      <span class="soft">what goes into a batch is taken off by itself</span>
    </p>
    <ul v-if="stock.data.value?.length">
      <li v-for="t in stock.data.value" :key="t.key" :class="{ old: t.left_kg == null }">
        <svg width="26" height="32" viewBox="0 0 26 32" aria-hidden="true">
          <rect class="inside" x="4" :y="29 - level(t)" width="18" :height="level(t)" rx="2" />
          <path d="M6 3h14v3q3 1 3 4v17q0 3-3 3H6q-3 0-3-3V10q0-3 3-4z" />
        </svg>
        <span
          >{{ t.name }} <small class="soft">{{ since(t) }}</small></span
        >
        <b>{{ t.left_kg == null ? '?' : t.left_kg ? t.said : 'none' }}</b>
        <button
          v-if="may('keep')"
          type="button"
          class="touch"
          :aria-label="`Stop counting ${t.name}`"
          @click="forget.mutate(t.key)"
        >
          stop counting
        </button>
      </li>
    </ul>
    <form v-if="may('keep')" @submit.prevent="count.mutate()">
      <label for="there">There is</label>
      <input
        id="there"
        v-model="line"
        :maxlength="LONGEST_WORDS"
        placeholder="2 kg sugar, 3 packets of milk…"
        autocomplete="off"
        aria-describedby="there-problem"
      />
      <button type="submit" class="plate line" :disabled="!line.trim() || count.isPending.value">
        Put it down
      </button>
      <p id="there-problem" class="problem" role="alert">
        {{ count.error.value?.message ?? forget.error.value?.message ?? '' }}
      </p>
    </form>
  </section>
</template>

<style scoped src="./listed.css"></style>
<style scoped>
li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  min-height: 52px;
}
small {
  display: block;
}
svg path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.inside {
  fill: var(--cobalt-wash);
}
.old svg path {
  stroke-dasharray: 3 3;
}
@media (max-width: 599px) {
  li {
    grid-template-columns: 26px minmax(0, 1fr) auto 74px;
  }
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-top: 12px;
}
form label {
  font-weight: 550;
}
form input {
  flex: 1 1 220px;
  max-width: 420px;
  min-height: 44px;
  padding: 0 12px;
  border: 1.5px solid var(--cobalt);
  border-radius: 7px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.problem {
  flex-basis: 100%;
}
.problem:empty {
  display: none;
}
</style>
