<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { day, minutes, weight } from '@/say'

const limit = ref(30)
const book = useQuery({
  queryKey: ['book', 'list', limit],
  queryFn: () =>
    unwrap(api.GET('/api/book', { params: { query: { limit: limit.value, offset: 0 } } })),
})
const curdBook = useQuery({
  queryKey: ['curds', 'book'],
  queryFn: () => unwrap(api.GET('/api/book/curds', { params: { query: { limit: 30 } } })),
})
const sweetBook = useQuery({
  queryKey: ['sweets-running', 'book'],
  queryFn: () => unwrap(api.GET('/api/book/sweets', { params: { query: { limit: 30 } } })),
})
const sweets = computed(() => sweetBook.data.value?.batches ?? [])
const curds = computed(() => curdBook.data.value?.batches ?? [])
const lines = computed(() => book.data.value?.lines ?? [])
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book</h1>
    <section class="tray" aria-label="Batches">
      <p class="legend">
        <span class="soft">The Book:</span> <b>{{ book.data.value?.total ?? 0 }} batches</b>
      </p>
      <p v-if="book.isSuccess.value && !lines.length" class="sentence">
        Nothing is written yet. <RouterLink to="/bench">Plan a reduction</RouterLink>, light it,
        weigh it.
      </p>
      <ul>
        <li v-for="l in lines" :key="l.id">
          <RouterLink :to="`/book/${l.id}`">
            <span class="name words">{{ l.name }}</span>
            <span class="soft"
              >{{ day(l.created_at_s) }} · {{ l.amount }} of {{ l.milk_name }} in
              {{ l.pan_name }} to {{ l.stop }}</span
            >
          </RouterLink>
          <span class="gave">
            <b>{{
              l.weighed_kg === null
                ? l.phase === 'off'
                  ? 'to weigh'
                  : 'on the fire'
                : weight(l.weighed_kg)
            }}</b>
            <span class="soft"
              >told {{ weight(l.served_kg.low) }}–{{ weight(l.served_kg.high) }}</span
            >
          </span>
          <span class="gave">
            <b>{{ l.took_s === null ? '' : `${minutes(l.took_s)} min` }}</b>
            <span class="soft"
              >told {{ minutes(l.after_boil_s.low) }}–{{ minutes(l.after_boil_s.high) }} min</span
            >
          </span>
        </li>
      </ul>
      <button
        v-if="lines.length < (book.data.value?.total ?? 0) && limit < 100"
        type="button"
        class="touch"
        @click="limit += 35"
      >
        Older ones
      </button>
    </section>
    <section v-if="sweets.length" class="tray curds" aria-label="Sweets">
      <p class="legend"><b>Sweets</b></p>
      <ul>
        <li v-for="s in sweets" :key="s.id">
          <RouterLink :to="`/stove/sweet/${s.id}`">
            <span class="name words">{{ s.name }}</span>
            <span class="soft">{{ day(s.created_at_s) }}{{ s.said ? ` · ${s.said}` : '' }}</span>
          </RouterLink>
          <span class="gave">
            <b>{{
              s.given_up
                ? 'given up'
                : s.weighed_kg !== null
                  ? weight(s.weighed_kg)
                  : s.done
                    ? 'to weigh'
                    : 'being made'
            }}</b>
            <span class="soft">told {{ weight(s.told_kg.low) }}–{{ weight(s.told_kg.high) }}</span>
          </span>
          <span class="gave">
            <b>{{ s.counted === null ? '' : `${s.counted} ${s.many}` }}</b>
            <span class="soft">told {{ s.told_pieces.low }}–{{ s.told_pieces.high }}</span>
          </span>
        </li>
      </ul>
    </section>
    <section v-if="curds.length" class="tray curds" aria-label="Chhena and hung curd">
      <p class="legend"><b>Chhena and hung curd</b></p>
      <ul>
        <li v-for="c in curds" :key="c.id">
          <RouterLink :to="`/stove/curd/${c.id}`">
            <span class="name words">{{ c.name }}</span>
            <span class="soft"
              >{{ day(c.created_at_s) }} ·
              {{
                c.curdle
                  ? `${c.curdle.amount} of ${c.curdle.milk_name} for ${c.curdle.use.name}`
                  : `${c.strain?.amount} of ${c.strain?.yoghurt_name}`
              }}</span
            >
          </RouterLink>
          <span class="gave">
            <b>{{ c.weighed_kg === null ? 'not weighed' : weight(c.weighed_kg) }}</b>
            <span class="soft">told {{ weight(c.told_kg.low) }}–{{ weight(c.told_kg.high) }}</span>
          </span>
          <span class="gave">
            <b>{{ c.whey_kg === null ? '' : weight(c.whey_kg) }}</b>
            <span class="soft">{{ c.whey_kg === null ? '' : 'whey kept' }}</span>
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.curds {
  margin-top: 26px;
}
.tray {
  padding-block: 18px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px 150px;
  gap: 20px;
  align-items: center;
  padding: 12px 0 10px;
}
li + li {
  border-top: 1px solid var(--ridge);
}
.name {
  display: block;
  font-size: 22px;
  line-height: 28px;
  font-weight: 600;
}
li .soft {
  font-weight: 400;
}
.gave b {
  display: block;
  font-size: 22px;
  line-height: 26px;
  font-weight: 680;
}
.gave .soft {
  font-size: 13.5px;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 1fr 1fr;
    gap: 6px 12px;
  }
  li a {
    grid-column: 1 / -1;
  }
}
</style>
