<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { clock } from '@/say'
import AsideNote from '@/form/AsideNote.vue'
import BeginTray from '@/form/BeginTray.vue'
import { written } from '@/shell/lastWords'
import { kitchenMinute } from '@/shell/minute'
import { useWords } from '@/sentence/words'
import { moment } from '@/stations/sweets/serving'
import { useSweetChoices } from '@/stations/sweets/sweet'
import {
  DAY_FIRST,
  numberWord,
  ofTwenty,
  placesOf,
  readDay,
  spanOf,
  sweetsOf,
  sweetsSaid,
  type DaySweet,
} from './day'
import ActMove from './ActMove.vue'
import DayActs from './DayActs.vue'
import DayAhead from './DayAhead.vue'
import DayCures from './DayCures.vue'
import DayPaces from './DayPaces.vue'
import DaySentence from './DaySentence.vue'
import { usePicture } from './usePicture'
import DaySweets from './DaySweets.vue'
import { useLook } from './look'
import { useMoves, type Move } from './useMoves'

/** The Day: several sweets on few burners with one pair of hands, worked back from when they are eaten. */
const { larder, words, keep } = useWords('/day', DAY_FIRST, [])
const route = useRoute()
const choices = useSweetChoices()
const sweets = computed(() => sweetsOf(words.sweets))
const picture = usePicture()
const chosen = ref<number>()

const asked = computed(() =>
  larder.data.value && choices.data.value
    ? readDay(words, kitchenMinute.value, larder.data.value, choices.data.value)
    : {},
)
const wrong = (word: string) =>
  asked.value.wrong?.word === word ? asked.value.wrong.text : undefined
/** What is asked stays what it was from minute to minute: only other words are another day. */
const said = refDebounced(
  computed(() => (asked.value.body ? JSON.stringify(asked.value.body) : '')),
  150,
)
const answer = useQuery({
  queryKey: ['day', said],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/day/plan', { body: JSON.parse(said.value), signal })),
  enabled: computed(() => Boolean(said.value)),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: Infinity,
})
const problem = computed(() => answer.error.value?.message ?? '')
const {
  better,
  cures,
  looking,
  said: lookSaid,
  problem: lookProblem,
  look,
  stop,
  forget,
} = useLook()
const byHand = useMoves()
const { last: hand, before: unmoved, moving, problem: moveProblem } = byHand
const first = computed(() => (problem.value || asked.value.wrong ? undefined : answer.data.value))
/** The plan that is shown is still that of other words. */
const stale = computed(
  () => answer.isPlaceholderData.value || said.value !== JSON.stringify(asked.value.body ?? ''),
)
const plan = computed(() =>
  first.value ? (better.value ?? hand.value?.plan ?? unmoved.value ?? first.value) : undefined,
)

// a plan rests a moment, then a calmer one is looked for; of one that is late what would help
let rests: ReturnType<typeof setTimeout>
const SHORT_S = 4
const LONG_S = 40
watch(
  () => answer.data.value,
  (found) => {
    forget()
    byHand.forget()
    clearTimeout(rests)
    if (found) rests = setTimeout(() => again(SHORT_S), 900)
  },
)
watch(said, forget)
onBeforeUnmount(() => clearTimeout(rests))
function again(seconds: number) {
  if (plan.value && asked.value.body)
    void look(asked.value.body, plan.value, seconds, hand.value?.pins)
}

/** The act whose move is open. */
const open = ref('')
async function move(to: Move) {
  if (!plan.value || !asked.value.body || stale.value) return
  stop()
  const from = plan.value
  if (await byHand.move(asked.value.body, from, to)) forget()
}
function undo() {
  forget()
  byHand.undo()
}
/** Sweets of which something is held where it was put. */
const held = computed(() => {
  const pins = new Set(hand.value?.pins ?? [])
  const of = new Set((plan.value?.tasks ?? []).filter((t) => pins.has(t.key)).map((t) => t.sweet))
  return [...of].sort((a, b) => a - b)
})

/** A word of a sweet is read while it is typed: no step of its own on the way back. */
const set = (change: DaySweet[]) => keep({ sweets: sweetsSaid(change) }, true)
/** Days that are on, or were lately. */
const days = useQuery({
  queryKey: ['days'],
  queryFn: () => unwrap(api.GET('/api/days')),
})
const begun = computed(() => (days.data.value?.days ?? []).slice(0, 3))

const cautions = [
  {
    title: 'Two hours.',
    text: 'What was hot is below 21 °C within two hours, below 5 °C within four more; what waits, waits cold.',
    severity: 'care',
  },
]
async function begin(name: string, key: string): Promise<string> {
  const now = plan.value!
  stop()
  const kept = await unwrap(
    api.POST('/api/days', {
      body: {
        name,
        key,
        query: written(route.query),
        day: asked.value.body!,
        planned_at_s: now.planned_at_s,
        tasks: placesOf(now),
      },
    }),
  )
  return `/day/${kept.id}`
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Day</h1>
    <AsideNote :names="days.data.value?.aside ?? []" />
    <section class="tray plan" aria-label="The day">
      <p class="legend">
        <b>A day, worked back from serving</b>
        <RouterLink v-for="d in begun" :key="d.id" :to="`/day/${d.id}`">{{ d.name }}</RouterLink>
      </p>
      <DaySentence
        v-model:words="words"
        :sweets="sweets.length"
        :burners="larder.data.value?.burners.length ?? 0"
        :serve-s="asked.body?.serve_s"
        :wrong="wrong"
        @keep="keep()"
      />
      <p v-if="plan" class="told" role="status">
        <template v-if="plan.late_min">
          <b class="late">It does not fit.</b> {{ plan.said.join(' ') }}
        </template>
        <template v-else>
          <b>On time</b>, with <b>{{ spanOf(plan.spare_min) }}</b> to spare; begin
          <b>{{ moment(plan.start_s * 1000, kitchenMinute) }}</b>. On your feet
          <b>{{ spanOf(plan.standing_min) }}</b> in {{ numberWord(plan.sittings.length) }}
          {{ plan.sittings.length === 1 ? 'go' : 'goes' }}; all of it on time
          <b>{{ ofTwenty(plan.chance) }}</b> times.
          <span class="soft alone"
            >Sweets, which tells one alone and keeps no minutes in hand, says later hours.</span
          >
        </template>
      </p>
      <p v-else-if="problem || asked.wrong" class="problem" role="alert">
        {{ problem || asked.wrong?.text }}
      </p>
    </section>

    <div v-if="plan" class="act">
      <p class="soft" role="status">
        <template v-if="looking">Looking for a calmer way…</template>
        <template v-else-if="lookSaid === 'proved'"
          >There is no calmer plan that is as sure.</template
        >
        <template v-else-if="better">The calmest found so far.</template>
        <template v-if="lookSaid === 'alone' && !looking">
          Its solver is not installed here; it was looked for without.</template
        >
        <template v-if="lookProblem">{{ lookProblem }}</template>
      </p>
      <button v-if="looking" type="button" class="touch" @click="stop">That will do</button>
      <button v-else type="button" class="touch" @click="again(LONG_S)">Keep looking</button>
      <BeginTray
        :start="begin"
        suggested="The day"
        verb="Begin the day"
        :cautions="cautions"
        :blocked="stale"
      />
    </div>

    <DayCures
      v-if="plan?.late_min && cures.length"
      :cures="cures"
      :plan="plan"
      :body="asked.body"
      :words="words"
      :looking="looking"
      @change="(change) => keep(change, 'sweets' in change)"
    />

    <component
      :is="picture"
      v-if="plan"
      :plan="plan"
      :now="kitchenMinute / 1000"
      :chosen="chosen"
      :was="hand?.was"
      :pins="hand?.pins"
      movable
      @choose="(at: number) => (chosen = chosen === at ? undefined : at)"
      @move="move"
    />
    <div v-if="hand || moveProblem" class="byhand" role="status" aria-label="Moved by hand">
      <p v-if="moveProblem" class="problem" role="alert">{{ moveProblem }}</p>
      <template v-if="hand && plan">
        <p>
          <b>{{ hand.was.size ? numberWord(hand.was.size) : 'nothing' }}</b>
          {{ hand.was.size === 1 ? 'step' : hand.was.size ? 'steps' : '' }} moved.
        </p>
        <button type="button" class="touch" @click="undo">Take it back</button>
        <button
          v-for="at in held"
          :key="at"
          type="button"
          class="touch"
          @click="byHand.letGo(plan!, at)"
        >
          Let the {{ plan.sweets[at]!.name }} go
        </button>
      </template>
    </div>
    <DayPaces
      v-if="plan && asked.body"
      :body="asked.body"
      :plan="plan"
      @take="(pace) => keep({ pace: pace === 'roomy' ? 'roomy' : '' })"
    />
    <section class="tray" aria-label="The sweets">
      <p class="legend"><b>what is served</b></p>
      <DaySweets
        :sweets="sweets"
        :people="words.people"
        :choices="choices.data.value"
        :plan="plan"
        :wrong="
          asked.wrong?.word === 'due' ? { at: asked.wrong.at!, text: asked.wrong.text } : undefined
        "
        :chosen="chosen"
        @change="set"
        @choose="(at) => (chosen = at)"
      />
    </section>
    <DayAhead v-if="plan" :plan="plan" />
    <section v-if="plan" class="tray" aria-label="What is done when">
      <p class="legend">
        <b>what is done when</b><span class="soft">touch an hour to move it</span>
      </p>
      <DayActs :plan="plan" :chosen="chosen" :was="hand?.was" :pins="hand?.pins">
        <template #time="{ task }">
          <button
            type="button"
            class="hour"
            :aria-expanded="open === task.key"
            @click="open = open === task.key ? '' : task.key"
          >
            {{ clock(task.start_s) }}<span class="visually-hidden">, move {{ task.act }}</span>
          </button>
        </template>
        <template #act="{ task }">
          <ActMove
            v-if="open === task.key"
            :task="task"
            :plan="plan"
            :busy="moving"
            @move="(to_s, hob) => move({ task: task.key, to_s, hob })"
          />
        </template>
      </DayActs>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 20px;
}
.page > * {
  min-width: 0;
}
.told {
  margin-top: 8px;
  font: 400 22px/31px var(--words);
}
.told b {
  font-weight: 700;
}
.alone {
  display: block;
  font: 400 17px/24px var(--figures);
}
.late {
  color: var(--madder);
}
.byhand {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
  padding-inline: 4px;
  font: 400 19px/27px var(--words);
}
.byhand b {
  font-weight: 700;
}
.byhand p:first-child::first-letter {
  text-transform: capitalize;
}
.hour {
  min-height: 40px;
  margin: -8px 0;
  padding: 0;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--cobalt);
  font: inherit;
  text-decoration: underline;
  text-underline-offset: 4px;
  text-decoration-thickness: 1.5px;
  cursor: pointer;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  align-items: center;
  justify-content: flex-end;
}
@media (max-width: 640px) {
  .told {
    font-size: 19px;
    line-height: 27px;
  }
  .act {
    justify-content: flex-start;
  }
}
</style>
