<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { SweetBatch } from '@/api/client'
import { isPan, useLarder, useRunning, useSweetBatch } from '@/api/kitchen'
import FormField from '@/form/FormField.vue'
import OnPaper from '@/form/OnPaper.vue'
import { grams } from '@/say'
import { useKeys } from '@/shell/keys'
import { asked, liveOf, type Live } from '@/shell/live'
import { steadyNow } from '@/shell/now'
import ReadingsTray from '@/stations/book/ReadingsTray.vue'
import { again } from '@/stations/sweets/sweet'
import { toldAgain } from '@/stations/sweets/told'
import { withoutTaken } from '@/stations/bench/free'
import { useAnswers } from './answering'
import { VERBS } from './answers'
import BaseInHand from './BaseInHand.vue'
import { useHob } from './hob'
import { stepInHand, stepLeft } from './glance'
import LogList from './LogList.vue'
import OnHob from './OnHob.vue'
import PutOff from './PutOff.vue'
import SweetFigures from './SweetFigures.vue'
import { clockOf, cooks } from './steps'
import { useLogging } from './logging'
import SweetRows from './SweetRows.vue'
import TakeBase from './TakeBase.vue'
import { reachesOf } from '@/making/reaches'
import RiverDrawing from '@/making/RiverDrawing.vue'

/** A sweet as it is made: what runs now with its clock, what is ready to begin, the weighing list, and what it gave. */
const route = useRoute()
const router = useRouter()
const batch = useSweetBatch(() => Number(route.params.id))
const b = computed(() => batch.data.value)
const { log, typed, problem, tell, send, note, due, undo, later, hush, pause, keys } = useLogging(
  () => b.value,
  ['weight', 'count', 'sauce', 'dough'],
  300,
)
const DOES: Record<string, string> = { '': 'reduce', '/curdle': 'curdle', '/strain': 'hang' }
type Step = SweetBatch['steps'][number]

const running = computed(() => b.value?.steps.filter((s) => s.phase === 'running') ?? [])
const left = (s: Step) => stepLeft(b.value!, s)
/** The step in hand stands large. */
const first = computed(() => b.value && stepInHand(b.value))
const over = computed(() => first.value?.phase === 'running' && left(first.value) < 0)
/** The pan or the curd that runs as this base, with where it stands. */
const kitchen = useRunning()
const lives = computed(() => (kitchen.data.value ?? []).map(liveOf))
const ofThis = (x: Live) => x.making?.parent === b.value?.id
const made = (s: Step) => lives.value.find((x) => ofThis(x) && x.making?.slot === s.lit_slot)
/** Its bases that are on their way. */
const bases = computed(() =>
  (kitchen.data.value ?? []).filter((x) => x.kind !== 'sweet' && ofThis(liveOf(x))),
)
const river = computed(() =>
  reachesOf(
    b.value!,
    first.value,
    (s) => clockOf(s, left(s)),
    (s) => s.phase === 'running' && left(s) < 0,
  ),
)
const byKey = computed(() => new Map(b.value?.steps.map((s) => [s.key, s])))
/** What else runs, beside the step in hand and what is drawn with its own pan. */
const also = computed(() => running.value.filter((x) => x !== first.value && !made(x)))
/** What one of them asks for now comes before the sweet's own step. */
const asks = computed(() => {
  const [soonest] = (steadyNow.value, asked(lives.value.filter(ofThis)))
  return soonest && soonest.left <= 0 && !b.value?.given_up ? soonest : undefined
})
const { answer, later: baseLater } = useAnswers(
  () => bases.value.filter(isPan),
  log,
  (of) => void router.push(of.live.path),
  true,
)
/** Its plan on the Bench, in a pan and on a burner that are free. */
const onBench = (s: Step) => ({
  path: `/bench${s.bench}`,
  query: {
    ...withoutTaken(s.bench_words, kitchen.isSuccess.value ? lives.value : null),
    making: b.value!.id,
    slot: s.lit_slot,
  },
})
const larder = useLarder()
const hob = useHob(b, first, lives, larder.data)
const { next } = hob
function begin(s: Step) {
  tell({ kind: 'step_begun', step: s.key, ...hob.takes(s) })
  hob.forget()
}
const done = (s: Step) => tell({ kind: 'step_done', step: s.key })
const inPan = computed(() => {
  const [s, at] = [first.value, hob.on.value.pan]
  const id = s?.phase === 'running' ? (b.value!.pans[s.key] ?? b.value!.usual_pan) : at
  return larder.data.value?.pans.find((x) => x.id === id)
})
const asksHob = computed(
  () =>
    !asks.value &&
    cooks(next.value ?? first.value) &&
    Boolean(next.value || first.value?.phase === 'ready'),
)
/** The step in hand where it is lit or hung from its own plan: its weight then goes on into this by itself. */
const planned = computed(() =>
  first.value?.lit_slot && first.value.phase === 'ready' && !made(first.value)
    ? first.value
    : undefined,
)
const act = () => {
  if (!first.value || made(first.value)) return
  if (planned.value) return void router.push(onBench(planned.value))
  if (next.value) begin(next.value)
  else if (first.value.phase === 'running') done(first.value)
  else begin(first.value)
}
/** A step on the fire stands still meanwhile; what sets or freezes goes on. */
const mayPause = computed(() => running.value.some((s) => s.fire && !s.base) && !b.value?.finished)
const midway = (s: Step, mass_kg: number, late_in: boolean) =>
  tell({ kind: 'step_weighed', step: s.key, mass_kg, late_in })
const weighRow = (row: number, kg: number) => tell({ kind: 'row_weighed', row, mass_kg: kg })
useKeys([
  {
    key: 'd',
    does: 'plan it, begin it, or done and the next: the large step',
    run: () => void act(),
  },
  ...keys(() => mayPause.value),
])
</script>

<template>
  <div class="page stove">
    <h1 class="visually-hidden">Stove: a sweet</h1>
    <section v-if="batch.error.value" class="tray">
      <p class="sentence problem">{{ batch.error.value.message }}</p>
    </section>
    <template v-else-if="b">
      <section class="tray now" :class="{ over }" aria-label="What to do now" aria-live="polite">
        <p class="legend">
          <RouterLink to="/stove">the Stove</RouterLink><b>{{ b.name }}</b>
        </p>
        <p v-if="b.given_up" class="words"><b>It was given up.</b></p>
        <p v-else-if="asks" class="words">
          <b>{{ asks.live.name }}: {{ asks.nudge.act }}</b>
        </p>
        <p v-else-if="b.finished" class="words">
          <b>It is made.</b> {{ b.said }} {{ b.keeping }}
          <RouterLink
            :to="
              b.on_paper ? toldAgain(b.name, b.on_paper) : { path: '/sweets', query: again(b.plan) }
            "
            >Again, like this time.</RouterLink
          >
        </p>
        <p v-else-if="b.paused_at_s !== null" class="words">
          <b>It is off the fire for a while.</b> Its clock stands still; put it back before it
          cools.
        </p>
        <p v-else-if="first" class="words">
          <b>{{ first.say }}</b> {{ made(first) ? '' : first.check }}
          <template v-if="made(first)">
            <RouterLink :to="made(first)!.path">{{ made(first)!.name }}</RouterLink> is under way;
            once it is weighed this goes on by itself.
          </template>
          <TakeBase
            v-if="first.base && !made(first)"
            :making="b.id"
            :letter="first.base"
            :does="DOES[first.bench]!"
            :needs="first.out_kg - (first.base_kg ?? 0)"
          />
        </p>
        <p v-else class="words"><b>All its steps are done.</b> Weigh it and count it.</p>
        <div v-if="asks" class="verb">
          <button type="button" class="plate" @click="answer(asks)">
            {{ VERBS[asks.nudge.answer]?.text ?? 'Go to it' }}
          </button>
          <button type="button" class="touch" @click="baseLater(asks)">
            {{ asks.nudge.kind === 'hazard' ? 'I see it: 90 seconds' : 'In two minutes' }}
          </button>
        </div>
        <div v-else-if="first && made(first) && !b.given_up" class="verb">
          <button type="button" class="touch" @click="done(first)">Done, unweighed</button>
        </div>
        <div v-else-if="first && !b.given_up && !b.finished" class="verb">
          <template v-if="planned">
            <RouterLink class="plate" :to="onBench(planned)">
              Plan it on the Bench <kbd>D</kbd>
            </RouterLink>
            <button type="button" class="touch" @click="begin(planned)">Begin it here</button>
          </template>
          <button v-else type="button" class="plate" @click="act">
            {{ next ? 'Done: the next' : first.phase === 'running' ? 'Done' : 'Begin it' }}
            <kbd>D</kbd>
          </button>
          <button v-if="next" type="button" class="touch" @click="done(first)">
            Done, the next later
          </button>
          <PutOff
            :paused="b.paused_at_s !== null"
            :may-pause="mayPause"
            :due="Boolean(due)"
            later="In five minutes"
            @pause="pause"
            @later="later"
          />
        </div>
        <OnHob v-if="asksHob" :places="hob.places.value" :on="hob.on.value" @choose="hob.choose" />
        <p v-if="first?.facts.length && !b.finished && !b.given_up" class="facts">
          <span v-for="fact in first.facts" :key="fact">{{ fact }}</span>
        </p>
        <p v-if="first?.caution && !b.finished" class="caution" :class="first.caution.severity">
          <b>{{ first.caution.title }}</b> {{ first.caution.text }}
        </p>
      </section>
      <div v-if="bases.length" class="bases" :class="{ several: bases.length > 1 }">
        <BaseInHand v-for="x in bases" :key="x.id" :batch="x" />
      </div>
      <OnPaper v-if="b.on_paper" :lines="b.on_paper.lines" />
      <SweetFigures
        :batch="b"
        :first="first"
        :drawn="Boolean(first && made(first))"
        :also="also"
        :pan="inPan"
        @done="done"
        @midway="midway"
      />
      <RiverDrawing :reaches="river" name="The steps">
        <template #act="{ reach }">
          <template v-for="s in [byKey.get(reach.key)!]" :key="s.key">
            <RouterLink
              v-if="s.base_kg !== null && s.base_batch !== null"
              :to="`${s.bench ? '/stove/curd' : '/book'}/${s.base_batch}`"
              >gave {{ grams(s.base_kg) }}</RouterLink
            >
            <RouterLink v-else-if="s.phase !== 'done' && made(s)" :to="made(s)!.path">{{
              made(s)!.name
            }}</RouterLink>
            <template v-else-if="!b.given_up && s !== first">
              <button v-if="s.phase === 'ready'" type="button" class="touch" @click="begin(s)">
                begin too<span class="visually-hidden">: {{ s.say }}</span>
              </button>
              <RouterLink
                v-if="s.lit_slot && (s.phase === 'ready' || (s.phase === 'waits' && !s.base))"
                :to="onBench(s)"
                >plan it</RouterLink
              >
              <TakeBase
                v-if="s.base && s.phase === 'ready'"
                :making="b.id"
                :letter="s.base"
                :does="DOES[s.bench]!"
                :needs="s.out_kg - (s.base_kg ?? 0)"
              />
            </template>
          </template>
        </template>
      </RiverDrawing>
      <section class="tray log-it" aria-label="Log it">
        <p class="legend"><b>Weigh and log</b></p>
        <div>
          <SweetRows :rows="b.rows" @weigh="weighRow" />
          <form @submit.prevent="send('weight', (v) => ({ kind: 'weighed', mass_kg: v / 1000 }))">
            <FormField v-model="typed.weight" label="The sweet weighs, g" />
            <button type="submit" class="plate line">Weigh it</button>
          </form>
          <form @submit.prevent="send('count', (v) => ({ kind: 'counted', count: Math.round(v) }))">
            <FormField v-model="typed.count" :label="`How many ${b.many}`" />
            <button type="submit" class="plate line">Count them</button>
          </form>
          <template v-if="b.done">
            <form
              v-for="l in b.leaves"
              :key="l.of"
              @submit.prevent="
                send(l.of, (v) => ({ kind: 'left_weighed', of: l.of, mass_kg: v / 1000 }))
              "
            >
              <FormField v-model="typed[l.of]" :label="`The ${l.name} left over, g`" />
              <button type="submit" class="plate line">
                {{ l.mass_kg === null ? 'To the shelf' : `${grams(l.mass_kg)}: again`
                }}<span class="visually-hidden">: {{ l.name }}</span>
              </button>
            </form>
          </template>
          <form @submit.prevent="note">
            <FormField v-model="typed.note" label="A note" words />
            <button type="submit" class="plate line">Write it</button>
          </form>
          <p v-if="b.said" class="said">{{ b.said }}</p>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        </div>
        <LogList
          :batch="b"
          :running="!b.given_up && !b.finished"
          @undo="undo"
          @hush="hush"
          @give-up="tell({ kind: 'abandoned' })"
        />
      </section>
      <ReadingsTray :batch-id="b.id" />
    </template>
  </div>
</template>

<style scoped src="./running.css"></style>
<style scoped>
.now {
  gap: 8px 26px;
}
.words {
  flex-basis: 420px;
}
.facts {
  flex: 1 1 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 26px;
  font-size: 19px;
  line-height: 26px;
  font-weight: 550;
}
.caution {
  flex: 1 1 100%;
  font-size: 16px;
}
.danger b {
  color: var(--madder);
}
.bases {
  margin: 12px 6px 4px;
}
.bases.several {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 34px;
  align-items: start;
}
.log-it {
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
}
.log-it form {
  margin: 8px 0;
}
.said {
  font-size: 18px;
}
@media (max-width: 900px) {
  .bases.several,
  .log-it {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  .verb,
  .verb .plate {
    width: 100%;
  }
}
</style>
