<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { day, minutes, weight } from '@/say'
import { wordFor } from './beside'

/** Two batches of one thing side by side: how each came out, and what differed, first what explains it. */
const route = useRoute()
const number = (key: string) => Number(route.query[key]) || 0
const pair = useQuery({
  queryKey: ['book', 'beside', computed(() => [number('a'), number('b')])],
  queryFn: () =>
    unwrap(api.GET('/api/book/beside', { params: { query: { a: number('a'), b: number('b') } } })),
  retry: false,
})
const told = computed(() => pair.data.value)
const both = computed(() => (told.value ? [told.value.first, told.value.second] : []))
/** The first that explains anything stands in the sentence. */
const first = computed(() => told.value?.differs.find((d) => d.why))
type Line = NonNullable<typeof told.value>['first']
const how = (l: Line) => {
  if (l.weighed_kg === null) return 'not weighed'
  const off = l.weighed_kg / l.told_kg.likely - 1
  return `${Math.abs(off * 100).toFixed(0)} % ${off < 0 ? 'under' : 'over'} what was told`
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: two batches side by side</h1>
    <section v-if="pair.error.value" class="tray">
      <p class="legend"><RouterLink to="/book">all batches</RouterLink></p>
      <p class="sentence problem">{{ pair.error.value.message }}</p>
    </section>
    <template v-else-if="told">
      <section class="tray" aria-label="In words">
        <p class="legend"><RouterLink to="/book">all batches</RouterLink><b>Side by side</b></p>
        <p class="sentence">
          <template v-if="first"
            >What most sets them apart: <b>{{ first.first }}</b> the first time,
            <b>{{ first.second }}</b> the second.</template
          >
          <template v-else-if="told.differs.length || told.words.length"
            >They differ, but in nothing that is known to matter.</template
          >
          <template v-else>Their records say the same.</template>
        </p>
      </section>
      <table class="pair">
        <thead>
          <tr>
            <td />
            <th v-for="l in both" :key="l.id" scope="col">
              <RouterLink :to="`/book/${l.id}`">{{ l.name }}</RouterLink>
              <small>{{ day(l.created_at_s) }}</small>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr class="big">
            <th scope="row">it gave</th>
            <td v-for="l in both" :key="l.id">
              <b>{{ l.weighed_kg === null ? '–' : weight(l.weighed_kg) }}</b>
              <small>{{ how(l) }}</small>
            </td>
          </tr>
          <tr v-if="both.some((l) => l.counted !== null)" class="big">
            <th scope="row">{{ told.first.many }}</th>
            <td v-for="l in both" :key="l.id">
              <b>{{ l.counted ?? '–' }}</b>
            </td>
          </tr>
          <tr v-if="both.some((l) => l.took_s !== null)" class="big">
            <th scope="row">minutes</th>
            <td v-for="l in both" :key="l.id">
              <b>{{ l.took_s === null ? '–' : minutes(l.took_s) }}</b>
            </td>
          </tr>
          <tr v-if="both.some((l) => l.wrong.length)">
            <th scope="row">went wrong</th>
            <td v-for="l in both" :key="l.id" class="wrong">{{ l.wrong.join('; ') || '–' }}</td>
          </tr>
          <tr class="part">
            <th colspan="3" scope="rowgroup">What differed, and what it would speak for</th>
          </tr>
          <tr v-if="!told.differs.length">
            <td colspan="3" class="soft">Nothing that both records tell.</td>
          </tr>
          <tr v-for="d in told.differs" :key="d.reading" :class="{ tells: d.explains >= 1 }">
            <th scope="row">
              <template v-if="d.why"
                >{{ d.why }}<small>{{ d.fault }}</small></template
              ><span v-else class="soft">no fault</span>
            </th>
            <td>{{ d.first }}</td>
            <td>{{ d.second }}</td>
          </tr>
          <template v-if="told.words.length">
            <tr class="part">
              <th colspan="3" scope="rowgroup">What was planned otherwise</th>
            </tr>
            <tr v-for="w in told.words" :key="w.word">
              <th scope="row">{{ wordFor(w.word) }}</th>
              <td>{{ w.first || 'none' }}</td>
              <td>{{ w.second || 'none' }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <details v-if="told.same.length" class="rest">
        <summary>What was alike ({{ told.same.length }})</summary>
        <p>{{ told.same.join('; ') }}.</p>
      </details>
      <details v-if="told.unknown.length" class="rest">
        <summary>What only one of them tells ({{ told.unknown.length }})</summary>
        <ul>
          <li v-for="u in told.unknown" :key="u">{{ u }}</li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.pair {
  border-collapse: collapse;
  margin: 16px 32px 0;
  width: calc(100% - 64px);
  table-layout: fixed;
}
th,
td {
  padding: 5px 18px 4px 0;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
  font-size: 16px;
  line-height: 21px;
}
thead th {
  font: 650 19px/25px var(--words);
}
small {
  display: block;
  font: 450 13.5px/18px var(--figures);
  color: var(--ink-soft);
}
.big b {
  font-size: 25px;
  line-height: 30px;
  font-weight: 700;
}
.part th {
  padding-top: 16px;
  font: 650 19px/26px var(--words);
  border-bottom: 2px solid var(--iron);
}
.tells td {
  font-weight: 680;
}
.tells th:first-child {
  border-left: 5px solid var(--saffron-fill);
  padding-left: 10px;
}
.wrong {
  color: var(--madder);
}
.rest {
  margin: 14px 32px 0;
  font-size: 16px;
  line-height: 23px;
}
.rest summary {
  min-height: 40px;
  padding-top: 8px;
}
@media (max-width: 900px) {
  .pair {
    margin-inline: 16px;
    width: calc(100% - 32px);
  }
  .rest {
    margin-inline: 16px;
  }
  th,
  td {
    padding-right: 8px;
    font-size: 15px;
    overflow-wrap: anywhere;
  }
  .big b {
    font-size: 21px;
  }
}
</style>
