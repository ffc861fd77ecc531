<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { LONGEST_WORDS } from '@/api/shared'
import AsideNote from '@/form/AsideNote.vue'
import { day, minutes, weight } from '@/say'
import { usePages } from './pages'

const route = useRoute()
const router = useRouter()
const typed = ref(typeof route.query.find === 'string' ? route.query.find : '')
const find = refDebounced(
  computed(() => typed.value.trim().slice(0, LONGEST_WORDS)),
  250,
)
watch(find, (words) => void router.replace({ query: words ? { find: words } : {} }))

const pans = usePages(['book', 'list'], find, async (query) => {
  const { lines, ...page } = await unwrap(api.GET('/api/book', { params: { query } }))
  return { ...page, items: lines }
})
const curds = usePages(['curds', 'book'], find, async (query) => {
  const { batches, ...page } = await unwrap(api.GET('/api/book/curds', { params: { query } }))
  return { ...page, items: batches }
})
const sweets = usePages(['sweets-running', 'book'], find, async (query) => {
  const { batches, ...page } = await unwrap(api.GET('/api/book/sweets', { params: { query } }))
  return { ...page, items: batches }
})
const aside = computed(() => [...pans.aside.value, ...sweets.aside.value, ...curds.aside.value])
const total = computed(() => pans.total.value + curds.total.value + sweets.total.value)
const all = [pans, curds, sweets]
const asked = computed(() => all.every((x) => x.asked.isSuccess.value))
const batches = (n: number) => (n === 1 ? '1 batch' : `${n} batches`)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book</h1>
    <p class="find">
      <label for="find">Find</label>
      <input
        id="find"
        v-model="typed"
        type="search"
        placeholder="a name, or a word of a note"
        :maxlength="LONGEST_WORDS"
      />
      <span class="soft" role="status">
        {{ asked ? (find ? `${batches(total)} with it` : batches(total)) : '' }}
      </span>
    </p>
    <AsideNote :names="aside" />
    <section v-if="pans.total.value || !total" class="tray" aria-label="Batches">
      <p class="legend"><b>Reduced milk</b></p>
      <p v-if="asked && !total && find" class="sentence">
        Nothing in the Book has “{{ find }}” in its name or notes.
      </p>
      <p v-else-if="asked && !total" class="sentence">
        Nothing is written yet. <RouterLink to="/bench">Plan a reduction</RouterLink>, light it,
        weigh it.
      </p>
      <ul>
        <li v-for="l in pans.items.value" :key="l.id">
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
      <button v-if="pans.older.value" type="button" class="touch" @click="pans.more">
        Older ones
      </button>
    </section>
    <section v-if="sweets.items.value.length" class="tray curds" aria-label="Sweets">
      <p class="legend"><b>Sweets</b></p>
      <ul>
        <li v-for="s in sweets.items.value" :key="s.id">
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
      <button v-if="sweets.older.value" type="button" class="touch" @click="sweets.more">
        Older ones
      </button>
    </section>
    <section v-if="curds.items.value.length" class="tray curds" aria-label="Chhena and hung curd">
      <p class="legend"><b>Chhena and hung curd</b></p>
      <ul>
        <li v-for="c in curds.items.value" :key="c.id">
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
      <button v-if="curds.older.value" type="button" class="touch" @click="curds.more">
        Older ones
      </button>
    </section>
  </div>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  margin: 0 32px 22px;
}
.find label {
  font: 600 20px var(--words);
}
.find input {
  width: min(360px, 60vw);
  height: 40px;
  padding: 0 12px;
  border: 1.5px solid var(--cobalt);
  border-radius: 9px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
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
  .find {
    margin-inline: 16px;
  }
  li {
    grid-template-columns: 1fr 1fr;
    gap: 6px 12px;
  }
  li a {
    grid-column: 1 / -1;
  }
}
</style>
