<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { useLog } from '@/api/kitchen'
import { day } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import MendCauses from './MendCauses.vue'
import MendRecord from './MendRecord.vue'
import MendTray from './MendTray.vue'
import {
  nextTime,
  pageOf,
  readAsked,
  threads,
  useMending,
  verdict,
  within,
  worthALine,
  writeAsked,
  type Asked,
  type Cause,
} from './mend'

const route = useRoute()
const router = useRouter()
const log = useLog()
const asked = computed(() => readAsked(route.query))
const asking = useMending(asked)
const mending = computed(() => (asking.error.value ? undefined : asking.data.value))
const choices = useQuery({
  queryKey: ['mend', 'choices'],
  queryFn: () => unwrap(api.GET('/api/mend/choices')),
  staleTime: Infinity,
})

/** Most who come without a batch have one in mind: the newest of the Book. */
const NEWEST = 6
const recent = useQuery({
  queryKey: ['book', 'newest'],
  queryFn: async () => {
    const query = { limit: NEWEST, offset: 0, find: '' }
    return (await unwrap(api.GET('/api/book', { params: { query } }))).lines
  },
  enabled: () => !asked.value.of && !asked.value.product,
})

function ask(change: Partial<Asked>, aside = false) {
  const query = writeAsked({ ...asked.value, ...change })
  void router[aside ? 'replace' : 'push']({ query })
}
/** Another fault is another question: what was answered of the one tells nothing of the other. */
const product = computed({
  get: () => asked.value.product,
  set: (key) => ask({ product: key, fault: '', answers: {}, skip: [] }, true),
})
const fault = computed({
  get: () => asked.value.fault,
  set: (key) => ask({ fault: key, answers: {}, skip: [] }, true),
})
const products = computed(() =>
  (choices.data.value?.products ?? []).map((p) => ({ value: p.key, text: p.name })),
)
const faults = computed(() =>
  (mending.value?.faults ?? []).map((f) => ({ value: f.key, text: f.title, does: f.signs })),
)

const moments = computed(() => worthALine(mending.value?.record ?? []))
const tied = computed(() => threads(mending.value?.causes ?? [], moments.value))
const said = computed(() => verdict(mending.value?.causes ?? []))
const lit = ref('')
const litMoments = computed(() =>
  tied.value.filter((t) => t.cause === lit.value).map((t) => t.moment),
)
const pointed = ref<Record<string, number> | null>(null)
watch(asked, () => (pointed.value = null))

/** What was found of this fault before, and whether the next plan is told of it. */
const found = computed(() =>
  mending.value?.found.find((f) => f.fault === mending.value?.fault?.key),
)

function write(cause: string, next: boolean) {
  const { batch, fault: of } = mending.value!
  if (!batch || !of) return
  log.mutate({
    id: batch.id,
    event: {
      kind: 'fault_found',
      fault: of.key,
      cause,
      answers: asked.value.answers,
      next_time: next,
    },
  })
}
const hold = (cause: Cause) =>
  write(cause.confirmed ? '' : cause.key, !cause.confirmed && (found.value?.next_time ?? false))
const use = () => write(found.value?.cause || nextTime(mending.value!.causes)[0]!.key, true)

/** What was done to save it stands in its log. */
const RESCUE = 'Rescue: '
const note = computed(() => RESCUE + (mending.value?.rescue ?? ''))
const rescued = computed(() => mending.value?.record.some((m) => m.text === note.value) ?? false)
const writeDown = () =>
  log.mutate({ id: mending.value!.batch!.id, event: { kind: 'note', text: note.value } })

// threads from what was logged to what it speaks for
const body = ref<HTMLElement>()
const rows = ref<HTMLElement[]>([])
const paths = ref<{ d: string; cause: string; first: boolean }[]>([])
const FROM_X = 330
function draw() {
  const box = body.value?.getBoundingClientRect()
  if (!box) return
  const dots = [...body.value!.querySelectorAll<HTMLElement>('.record li')]
  paths.value = tied.value.flatMap(({ cause, row, moment }) => {
    const from = dots[moment]?.getBoundingClientRect()
    const to = rows.value[row]?.getBoundingClientRect()
    if (!from || !to) return []
    const span = dots[moment]!.querySelector('span')!.getBoundingClientRect()
    const x0 = Math.min(span.right, box.left + FROM_X) - box.left + 8
    const [y0, y1] = [from.top + from.height / 2 - box.top, to.top + 22 - box.top]
    const x1 = to.left - box.left - 4
    const mid = x1 - 46
    return [
      {
        d: `M${x0} ${y0}H${mid}C${mid + 30} ${y0} ${mid + 10} ${y1} ${x1} ${y1}`,
        cause,
        first: row === 0,
      },
    ]
  })
}
useResizeObserver(body, draw)
watch([tied, moments], () => void nextTick(draw), { flush: 'post' })
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: what went wrong</h1>
    <section class="tray" aria-label="What went wrong">
      <p class="legend">
        <RouterLink to="/book">all batches</RouterLink>
        <RouterLink v-if="mending?.batch" class="its-page" :to="pageOf(mending.batch)">{{
          mending.batch.name
        }}</RouterLink>
        <b>what went wrong?</b>
      </p>
      <p v-if="mending?.throw_away" class="away" role="alert">{{ mending.rescue }}</p>
      <p v-if="asking.error.value" class="sentence problem" role="alert">
        {{ asking.error.value.message }}
      </p>
      <p v-else-if="mending" class="sentence">
        <template v-if="mending.batch"
          >On <b>{{ day(mending.batch.created_at_s) }}</b> you made <b>{{ mending.batch.name }}</b>:
        </template>
        <template v-else
          >It was to be
          <SentenceWord
            v-model="product"
            label="what was made"
            :shown="mending.product_name || 'what?'"
            :choices="products"
            :after="mending.product ? ':' : ''"
        /></template>
        {{ ' ' }}
        <SentenceWord
          v-if="mending.product"
          v-model="fault"
          label="what went wrong"
          :shown="mending.fault ? within(mending.fault.title) : 'what went wrong?'"
          :choices="faults"
        />
        <span v-if="mending.fault" class="verdict">
          {{ said.lead }}
          <template v-for="(why, at) in said.whys" :key="why"
            >{{ at ? ', or ' : '' }}<b>{{ why }}</b></template
          >.
        </span>
      </p>
    </section>

    <template v-if="mending && !mending.product">
      <template v-if="recent.data.value?.length">
        <h2 class="heading">Of the Book</h2>
        <ul class="choose" aria-label="Batches of the Book">
          <li v-for="l in recent.data.value" :key="l.id">
            <button type="button" class="card" @click="ask({ of: l.id })">
              <b>{{ l.name }}</b>
              <span>{{ day(l.created_at_s) }}</span>
            </button>
          </li>
        </ul>
      </template>
      <h2 class="heading">Or without a batch</h2>
      <ul class="choose small" aria-label="What was made">
        <li v-for="p in products" :key="p.value">
          <button type="button" class="card" @click="product = p.value">
            <b>{{ p.text }}</b>
          </button>
        </li>
      </ul>
    </template>
    <ul v-else-if="mending && !mending.fault" class="choose" aria-label="What went wrong with it">
      <li v-for="f in mending.faults" :key="f.key">
        <button type="button" class="card" @click="fault = f.key">
          <b>{{ f.title }}</b>
          <span>{{ f.signs }}</span>
        </button>
      </li>
    </ul>
    <div
      v-else-if="mending?.fault"
      ref="body"
      class="body"
      :class="{ bare: !mending.batch, unanswered: asking.isPlaceholderData.value }"
    >
      <svg class="threads" aria-hidden="true">
        <path
          v-for="(p, at) in paths"
          :key="at"
          :d="p.d"
          :class="{ first: p.first, lit: lit === p.cause, dim: lit && lit !== p.cause }"
        />
      </svg>
      <MendRecord v-if="mending.batch" :moments="moments" :lit="litMoments" />
      <div>
        <MendCauses
          v-model:rows="rows"
          :causes="mending.causes"
          :cleared="mending.cleared"
          :lit="lit"
          :preview="pointed"
          :kept="Boolean(mending.batch)"
          @light="lit = $event"
          @held="hold"
        />
        <p v-if="mending.answered.length" class="answered">
          You said: {{ mending.answered.map((l) => l.text).join('; ') }}.
          <button type="button" class="touch" @click="ask({ answers: {}, skip: [] })">
            Ask anew
          </button>
        </p>
      </div>
      <MendTray
        :mending="mending"
        :next-kept="found?.next_time ?? false"
        :refused="log.error.value?.message ?? ''"
        :rescued="rescued"
        @answer="(reading, value) => ask({ answers: { ...asked.answers, [reading]: value } })"
        @skip="(reading) => ask({ skip: [...asked.skip, reading] })"
        @point="pointed = $event"
        @use="use"
        @rescued="writeDown"
      />
    </div>
  </div>
</template>

<style scoped>
.away {
  margin-bottom: 4px;
  font: 650 24px/32px var(--words);
  color: var(--madder);
}
.choose {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 10px;
  margin: 20px 4px;
}
.choose.small {
  grid-template-columns: repeat(auto-fill, minmax(165px, 1fr));
}
.heading {
  margin: 20px 8px 0;
}
.heading + .choose {
  margin-top: 8px;
}
.verdict {
  display: block;
}
.card {
  width: 100%;
  height: 100%;
  min-height: 64px;
  padding: 12px 16px 10px;
  border: 1.5px solid var(--ridge);
  border-radius: 10px;
  background: var(--enamel);
  text-align: left;
}
.card:hover,
.card:focus-visible {
  border-color: var(--cobalt);
}
.card b {
  display: block;
  color: var(--cobalt);
  font-size: 17px;
  font-weight: 620;
  line-height: 22px;
}
.card span {
  color: var(--ink-soft);
  font-size: 13.5px;
}
.body {
  position: relative;
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr) minmax(330px, 384px);
  gap: 32px;
  margin: 22px 4px 0;
}
.body.bare {
  grid-template-columns: minmax(0, 1fr) minmax(330px, 384px);
}
.threads {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.threads path {
  fill: none;
  stroke: var(--iron);
  stroke-width: 1.4;
}
.threads .first {
  stroke-width: 3;
}
.threads .lit {
  stroke: var(--cobalt);
}
.threads .dim {
  opacity: 0.25;
}
.answered {
  margin: 12px 4px 0;
  font-size: 15px;
}
.answered .touch {
  margin-left: 8px;
}
@media (max-width: 599px) {
  .its-page {
    display: none;
  }
}
@media (max-width: 1100px) {
  .body,
  .body.bare {
    grid-template-columns: minmax(0, 1fr);
    gap: 24px;
  }
  .body > :deep(.record) {
    order: 3;
  }
  .body > :deep(.tray) {
    order: -1;
  }
  .threads {
    display: none;
  }
}
</style>
