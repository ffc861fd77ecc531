<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { LONGEST_WORDS } from '@/api/shared'
import AsideNote from '@/form/AsideNote.vue'
import { day, minutes, month, weight } from '@/say'
import BookNarrow from './BookNarrow.vue'
import { useNarrow } from './narrow'
import { usePages } from './pages'
import { onStove } from './told'

const route = useRoute()
const router = useRouter()
const typed = ref(typeof route.query.find === 'string' ? route.query.find : '')
const find = refDebounced(
  computed(() => typed.value.trim().slice(0, LONGEST_WORDS)),
  250,
)
/** Which of them: all, of one kind, or those with a fault. It stands in the address, as what is looked for does. */
const ONLY = {
  '': 'everything',
  reduce: 'reduced',
  curdle: 'chhena',
  strain: 'hung curd',
  caramel: 'caramel',
  sweet: 'sweets',
  wrong: 'went wrong',
} as const
type Only = keyof typeof ONLY
const only = computed<Only>(() =>
  typeof route.query.only === 'string' && route.query.only in ONLY
    ? (route.query.only as Only)
    : '',
)
const { narrowed, narrow } = useNarrow()
const query = (words: string, which: Only, more: Record<string, string> = narrowed.value) => ({
  ...more,
  ...(which && { only: which }),
  ...(words && { find: words }),
})
const narrowTo = (more: Record<string, string>) =>
  void router.replace({ query: query(find.value, only.value, more) })
watch(find, (words) => void router.replace({ query: query(words, only.value) }))
/** A base stands with its sweet; alone where one looks for it. */
const whole = computed(() => !only.value && !find.value && !Object.keys(narrowed.value).length)

const asking = computed(() => JSON.stringify([only.value, narrowed.value]))
const book = usePages(['book', 'list', asking], find, async (asked) => {
  const { lines, ...page } = await unwrap(
    api.GET('/api/book', {
      params: {
        query: {
          ...asked,
          kind: only.value === 'wrong' ? '' : only.value,
          wrong: only.value === 'wrong',
          ...narrow.value,
          bases: !whole.value,
        },
      },
    }),
  )
  return { ...page, items: lines }
})
const { total } = book
const asked = computed(() => book.asked.isSuccess.value)
type Line = (typeof book.items.value)[number]

const KINDS = {
  reduce: '',
  curdle: 'chhena',
  strain: 'hung curd',
  caramel: 'caramel',
  sweet: 'sweet',
}
/** What goes on is on the Stove; what is over has its page here. */
const address = (l: Line) => (l.phase === 'running' ? onStove(l) : `/book/${l.id}`)
/** When, what kind, what went in; of a sweet that is made how it came out, a sentence of its own. */
const about = (l: Line) =>
  [[day(l.created_at_s), KINDS[l.kind]].filter(Boolean).join(', '), l.of]
    .filter(Boolean)
    .join(l.kind === 'sweet' ? '. ' : ', ')
const RUNS = {
  reduce: 'on the fire',
  curdle: 'not weighed',
  strain: 'not weighed',
  caramel: 'on the fire',
  sweet: 'being made',
}
function gave(l: Line): string {
  if (l.phase === 'given-up') return 'given up'
  if (l.phase === 'poured') return 'poured into another'
  if (l.weighed_kg !== null) return weight(l.weighed_kg)
  return l.phase === 'to-weigh' ? 'to weigh' : RUNS[l.kind]
}
/** Beside the weight: the minutes of a reduction, the whey of a curd, the pieces of a sweet. */
function beside(l: Line): [string, string] {
  if (l.told_s)
    return [
      l.took_s === null ? '' : `${minutes(l.took_s)} min`,
      `told ${minutes(l.told_s.low)}–${minutes(l.told_s.high)} min`,
    ]
  if (l.told_pieces)
    return [
      l.counted === null ? '' : `${l.counted} ${l.counted === 1 ? l.one : l.many}`,
      `told ${l.told_pieces.low}–${l.told_pieces.high}`,
    ]
  return l.whey_kg === null ? ['', ''] : [weight(l.whey_kg), 'whey kept']
}
/** By month, as a book is kept. */
const months = computed(() => {
  const found: { month: string; lines: Line[] }[] = []
  for (const line of book.items.value) {
    const name = month(line.created_at_s)
    if (found.at(-1)?.month !== name) found.push({ month: name, lines: [] })
    found.at(-1)!.lines.push(line)
  }
  return found
})
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
      <RouterLink class="mend touch" to="/book/season">The season</RouterLink>
      <RouterLink class="touch" to="/book/learned">What was learned</RouterLink>
      <RouterLink class="touch" to="/book/mend">What went wrong?</RouterLink>
    </p>
    <nav class="only" aria-label="Which of them">
      <RouterLink
        v-for="(text, which) in ONLY"
        :key="which"
        class="touch"
        :to="{ query: query(find, which) }"
        :aria-current="which === only ? 'true' : undefined"
        >{{ text }}</RouterLink
      >
      <BookNarrow :narrowed="narrowed" @narrow="narrowTo" />
    </nav>
    <AsideNote :names="book.aside.value" />
    <section class="tray" aria-label="Batches">
      <p v-if="asked && !total && find" class="sentence">
        Nothing {{ only ? 'of these' : 'in the Book' }} has “{{ find }}” in its name or notes.
      </p>
      <p v-else-if="asked && !total && only === 'wrong'" class="sentence">
        Nothing was found wrong yet. When something is, press <em>What went wrong?</em>
      </p>
      <p v-else-if="asked && !total && !whole" class="sentence">None of these was made yet.</p>
      <p v-else-if="asked && !total" class="sentence">
        Nothing is written yet. <RouterLink to="/bench">Plan a reduction</RouterLink>, light it,
        weigh it.
      </p>
      <template v-for="m in months" :key="m.month">
        <h2 class="month">{{ m.month }}</h2>
        <ul>
          <li v-for="l in m.lines" :key="l.id">
            <RouterLink :to="address(l)">
              <span class="name words">{{ l.name }}</span>
              <span class="soft">{{ about(l) }}</span>
              <span v-if="l.parts.length" class="soft">from {{ l.parts.join(' and ') }}</span>
              <span v-for="fault in l.wrong" :key="fault" class="wrong">{{ fault }}</span>
            </RouterLink>
            <span class="gave">
              <b>{{ gave(l) }}</b>
              <span class="soft"
                >told {{ weight(l.told_kg.low) }}–{{ weight(l.told_kg.high) }}</span
              >
            </span>
            <span class="gave">
              <b>{{ beside(l)[0] }}</b>
              <span class="soft">{{ beside(l)[1] }}</span>
            </span>
          </li>
        </ul>
      </template>
      <button v-if="book.older.value" type="button" class="touch" @click="book.more">
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
.mend {
  margin-left: auto;
}
.only {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: -12px 32px 18px;
}
.only [aria-current] {
  color: var(--ink);
  font-weight: 700;
}
.month {
  margin-top: 14px;
  font: 650 17px/24px var(--words);
  color: var(--ink-soft);
}
.month:first-child {
  margin-top: 0;
}
.wrong {
  display: block;
  color: var(--madder);
  font-size: 15px;
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
  min-height: 26px;
  line-height: 26px;
  font-weight: 680;
}
.gave .soft {
  font-size: 13.5px;
}
@media (max-width: 900px) {
  .find,
  .only {
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
