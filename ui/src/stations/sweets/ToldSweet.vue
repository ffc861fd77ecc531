<script setup lang="ts">
import { keepPreviousData, useMutation, useQuery } from '@tanstack/vue-query'
import { refDebounced, useMediaQuery } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { newKey } from '@/api/keys'
import LevelTube from '@/charts/LevelTube.vue'
import { grams } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { useWords } from '@/sentence/words'
import ToldLines from './ToldLines.vue'
import ToldRiver from './ToldRiver.vue'
import { useSweetChoices, useSweetsChanged } from './sweet'
import {
  answersOf,
  answersSaid,
  calendarDay,
  linesOf,
  madeAt,
  owedTo,
  TOLD_FIRST,
  useHeights,
} from './told'

/** A sweet of one's own, written as one makes it: the lines of a batch that came out well, and what they come to. */
const route = useRoute()
const router = useRouter()
const changed = useSweetsChanged()
const choices = useSweetChoices()
const { words, keep } = useWords('/sweets/own', TOLD_FIRST, [])

// what is half written is kept too: a page that is reloaded goes on in the middle of a line
let rests: ReturnType<typeof setTimeout>
watch(
  () => words.lines,
  () => {
    clearTimeout(rests)
    rests = setTimeout(() => words.lines !== (route.query.lines ?? '') && keep({}, true), 500)
  },
)
onBeforeUnmount(() => clearTimeout(rests)) // whoever opens it next has words of their own

const body = computed(() => ({
  name: words.name.trim().slice(0, 60),
  lines: linesOf(words.lines),
  answers: answersOf(words.answers),
}))
const asked = refDebounced(
  computed(() => JSON.stringify(body.value)),
  60,
)
const answer = useQuery({
  queryKey: ['told', asked],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/sweets/told', { body: JSON.parse(asked.value), signal })),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 60_000,
})
const told = computed(() => (words.lines.trim() ? answer.data.value : undefined))
const { ys, measure } = useHeights()
/** The river stands under the lines, not beside them. */
const narrow = useMediaQuery('(max-width: 760px)')
const tall = ref(0)
function laid(list: HTMLElement) {
  measure(list)
  tall.value = list.offsetHeight
}

// one that was told before is told again; one in letters is changed in letters
const edited = computed(() => String(route.query.edit ?? ''))
const form = useQuery({
  queryKey: ['sweet-form', edited],
  queryFn: () =>
    unwrap(api.GET('/api/sweets/form', { params: { query: { sweet: edited.value } } })),
  enabled: computed(() => Boolean(edited.value)),
  retry: false,
})
watch(
  () => form.data.value,
  (data) => {
    if (!data || words.lines.trim()) return
    const before = data.form.told as
      { lines?: string[]; answers?: Record<string, string> } | undefined
    if (!before?.lines?.length) {
      void router.replace({ path: '/sweets/own/letters', query: { edit: edited.value } })
      return
    }
    keep(
      {
        name: String(data.form.name),
        lines: before.lines.join('\n'),
        answers: answersSaid(before.answers ?? {}),
        edit: edited.value,
      },
      true,
    )
  },
  { immediate: true },
)
const mine = computed(() => choices.data.value?.sweets.find((s) => s.key === edited.value))
const nameless = ref(false)
const save = useMutation({
  mutationFn: async () => {
    const sent = { told: body.value, name: words.name.trim(), version: mine.value?.version ?? null }
    return mine.value?.id
      ? unwrap(
          api.PUT('/api/sweets/told/keep/{id}', {
            params: { path: { id: mine.value.id } },
            body: sent,
          }),
        )
      : unwrap(api.POST('/api/sweets/told/keep', { body: sent }))
  },
  onSuccess: async (made) => {
    await changed()
    await router.replace({ query: {} }) // it is kept: the next one begins with an empty sheet
    await router.push({
      path: '/sweets',
      query: { sweet: made.key, want: String(made.form.usual_want || '6') },
    })
  },
})
function named(then: () => void) {
  nameless.value = !words.name.trim()
  if (!nameless.value) then()
}
/** Of a batch that is not to be a plan: the day it was made, today where nothing is said; null while it is not asked. */
const made = ref<string | null>(null)
const today = () => calendarDay(Date.now())
const write = useMutation({
  mutationFn: (key: string) =>
    unwrap(
      api.POST('/api/sweets/told/book', {
        body: { told: body.value, name: words.name.trim(), made_at_s: madeAt(made.value), key },
      }),
    ),
  onSuccess: async ({ batch_id }) => {
    await router.replace({ query: {} })
    await router.push(`/stove/sweet/${batch_id}`)
  },
})
const key = newKey()
const whole = computed(() => Boolean(told.value?.form))
const reduced = computed(() => told.value?.bases.find((b) => b.made_by === 'reduce'))
/** As Sweets says it of the sweet that is kept; what the words alone would have given, roughly. */
const times = (kg: number, digits = 2) =>
  reduced.value ? String(+(reduced.value.start_kg / kg).toFixed(digits)) : ''
const unusual = computed(() => told.value?.beside?.unusual.slice(0, 3) ?? [])
const ways = computed(() => told.value?.beside)
/** A level that was touched: the lines that make it so are washed. */
const asking = ref('')
const owing = computed(() =>
  owedTo(ways.value?.owed[asking.value] ?? [], told.value?.lines.map((line) => line.text) ?? []),
)
const missing = computed(() => {
  const t = told.value
  if (!t) return ''
  if (t.asks.includes('in')) return 'Write what went in, a line for each: 2 L buffalo milk to half.'
  if (t.asks.includes('gave')) return 'What came of it? Write a last line: gave 14 sticks, 1 020 g.'
  const wrong = t.lines.find((line) => line.problem)
  if (wrong) return `“${wrong.text}” is not understood yet: see under it.`
  return t.problem
})
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Sweets: a batch of mine</h1>
    <section class="tray" aria-label="The sweet">
      <p class="legend">
        <span class="soft">Build a sweet from:</span>
        <RouterLink to="/sweets">what I want</RouterLink><b>a batch of mine</b>
      </p>
      <p class="sentence">
        Call it
        <SentenceWord
          v-model="words.name"
          label="what it is called"
          :shown="words.name || 'a name of your own'"
          free
          hint="As you call it: regatta stick."
          :problem="nameless && !words.name.trim() ? 'Give it a name first.' : undefined"
          after="."
          @kept="((nameless = false), keep())"
        />
        <template v-if="told && !told.asks.length">
          {{ ' ' }}One batch:
          <template v-if="told.count && told.each_kg"
            ><b>{{ told.count }} {{ told.count === 1 ? told.one : told.many }}</b> of
            <b>{{ grams(told.each_kg) }}</b></template
          ><b v-else>{{ grams(told.finished_kg) }}</b
          ><template v-if="reduced"
            >, milk taken <b>{{ times(reduced.made_kg) }} times</b> down<template
              v-if="reduced.settled && times(reduced.told_kg, 1) !== times(reduced.made_kg, 1)"
              >, not {{ times(reduced.told_kg, 1) }}</template
            ></template
          >.
        </template>
        <template v-else>{{ ' ' }}Write a batch that came out well, as you would tell it.</template>
      </p>
    </section>

    <div class="batch">
      <section class="tray lines" aria-label="As you would tell it">
        <p class="legend">
          <b>as you would tell it</b> <span class="soft">a line for each thing you did</span>
        </p>
        <ToldLines
          v-model:lines="words.lines"
          v-model:answers="words.answers"
          :told="told"
          :washed="owing.lines"
          @kept="keep({}, true)"
          @laid="laid"
        />
      </section>
      <section v-if="told?.cooked_kg" class="river" aria-label="Where the grams went">
        <ToldRiver
          :told="told"
          :ys="narrow ? [] : ys"
          :height="narrow ? 0 : Math.max(tall + 40, 400)"
          :labels="narrow"
        />
      </section>
      <div class="beside">
        <section v-if="ways" class="levels" aria-label="Beside the library">
          <p class="soft">
            Beside the library’s {{ ways.name
            }}{{ ways.ways > 1 ? `, ${ways.ways} ways of making it` : '' }}
          </p>
          <div v-for="l in ways.levels" :key="l.key" class="tap">
            <LevelTube :level="l" still />
            <button
              type="button"
              :aria-pressed="asking === l.key"
              :aria-label="`What makes it ${l.name.toLowerCase()}`"
              @click="asking = asking === l.key ? '' : l.key"
            ></button>
            <p v-if="asking === l.key" class="owed" role="status">{{ owing.words }}</p>
          </div>
          <p v-if="!asking" class="soft">Touch a level: what in your lines makes it so.</p>
        </section>
        <p v-else class="soft levels">
          How sweet, rich and dense it is beside the library’s, and where to stop the next time,
          stand here once it is told what went in and what came of it.
        </p>
        <div class="act">
          <p v-if="missing" class="soft">{{ missing }}</p>
          <p v-if="save.error.value" class="problem" role="alert">{{ save.error.value.message }}</p>
          <p v-if="nameless && !words.name.trim()" class="problem" role="alert">
            Give it a name first, in the sentence above.
          </p>
          <button
            type="button"
            class="plate"
            :disabled="!whole || save.isPending.value"
            @click="named(() => save.mutate())"
          >
            Keep it as mine
          </button>
          <button
            v-if="made === null"
            type="button"
            class="touch"
            :disabled="!whole"
            @click="named(() => (made = today()))"
          >
            Only in the Book
          </button>
          <form v-else class="paper" @submit.prevent="write.mutate(key)">
            <label for="made">It was made on</label>
            <input id="made" v-model="made" type="date" required min="1970-01-01" :max="today()" />
            <button type="submit" class="plate line" :disabled="!whole || write.isPending.value">
              Write it in the Book
            </button>
            <p class="soft">It stands among your makings as you told it. No plan is made of it.</p>
          </form>
          <p v-if="write.error.value" class="problem" role="alert">
            {{ write.error.value.message }}
          </p>
          <RouterLink class="touch" to="/sweets/own/letters">in letters and percentages</RouterLink>
        </div>
      </div>
    </div>

    <section v-if="told?.beside" class="tray doing" aria-label="What is unusual about it">
      <p class="legend"><b>what is unusual about it</b></p>
      <div v-for="u in unusual" :key="u.title" class="part">
        <p>
          <b :class="{ grave: u.grave }">{{ u.title }}</b> {{ u.text }}
        </p>
      </div>
      <div v-if="!unusual.length" class="part">
        <p><b>Nothing.</b> All of it lies where the library’s {{ told.beside.name }} lies.</p>
      </div>
      <div v-if="told.next_time" class="part">
        <p>
          <b
            >Next time stop {{ told.next_time.of === 'all of it' ? '' : 'the milk ' }}at
            {{ grams(told.next_time.kg.likely) }}</b
          ><template v-if="told.next_time.on_scale_kg"
            >, <span class="whole">{{ grams(told.next_time.on_scale_kg) }}</span> on the scale with
            {{ told.next_time.pan }}</template
          >: <span class="whole">{{ grams(told.next_time.kg.low) }}</span> to
          <span class="whole">{{ grams(told.next_time.kg.high) }}</span>, from one batch.
        </p>
      </div>
    </section>
    <p v-if="answer.error.value" class="problem" role="alert">{{ answer.error.value.message }}</p>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 22px;
}
.batch {
  display: grid;
  grid-template-columns: minmax(0, 560px) 284px minmax(220px, 1fr);
  gap: 0 26px;
  align-items: start;
}
.batch > .river {
  margin-left: -26px;
  padding-top: 16px;
}
.beside {
  display: grid;
  gap: 18px;
  padding-top: 8px;
}
.levels {
  display: grid;
  gap: 14px;
}
.tap {
  position: relative;
}
.tap button {
  position: absolute;
  inset: -5px -8px auto;
  height: 84px;
  border-radius: 14px;
}
.tap button:hover,
.tap button[aria-pressed='true'] {
  box-shadow: inset 0 0 0 2px var(--cobalt);
}
.owed {
  margin-top: 10px;
  font: 400 16px/22px var(--words);
}
.doing {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 32px;
}
.part {
  flex: 1 1 220px;
}
.act {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.touch:disabled {
  color: var(--ink-soft);
}
.paper {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.paper input {
  min-height: 44px;
  padding: 0 10px;
  border: 2px solid var(--cobalt);
  border-radius: 8px;
  background: var(--enamel);
  color: var(--ink);
  font: 600 18px var(--figures);
}
.paper .soft {
  flex-basis: 100%;
}
.whole {
  white-space: nowrap;
}
.grave {
  color: var(--madder);
}
.grave::before {
  content: '⚠ ';
}
.sentence b {
  font-weight: 700;
}
@media (max-width: 1100px) {
  .batch {
    grid-template-columns: minmax(0, 1fr) 284px;
  }
  .beside {
    grid-column: 1 / -1;
  }
  .levels {
    grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  }
}
@media (max-width: 760px) {
  .batch {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  .batch > .river {
    margin-left: 0;
  }
}
</style>
