<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useCurd } from '@/api/kitchen'
import FormField from '@/form/FormField.vue'
import HangingCloth from '@/pan/HangingCloth.vue'
import { clock, cm, countdown, grams, minutes, percent, spoken } from '@/say'
import { useKeys } from '@/shell/keys'
import { ran } from '@/shell/now'
import { curdAgain } from '@/stations/bench/again'
import ReadingsTray from '@/stations/book/ReadingsTray.vue'
import { curdStep } from './curd'
import { curdLeft } from './glance'
import InstrumentsTray from './InstrumentsTray.vue'
import LogList from './LogList.vue'
import PutOff from './PutOff.vue'
import { useLogging } from './logging'

/** A curdling or a straining as it runs: the step now with its clock, what to log, and what it gave. */
const route = useRoute()
const curd = useCurd(() => Number(route.params.id))
const pairing = ref(false)
const b = computed(() => curd.data.value)
const { typed, problem, tell, send, note, due, undo, later, hush, pause, keys } = useLogging(
  () => b.value,
  ['acid', 'whey', 'curd'],
)

const step = computed(() => b.value?.steps[b.value.step])
const left = computed(() => b.value && curdLeft(b.value))
const over = computed(() => (left.value ?? 0) < 0)
const told = computed(() => countdown(left.value ?? 0))
const done = () => step.value && step.value.name !== 'weigh' && tell({ kind: 'step_done' })
/** Only milk that comes to the boil can be taken off and put back. */
const mayPause = computed(
  () => b.value?.kind === 'curdle' && b.value.step === 0 && !b.value.given_up,
)
/** Whey that has come by now, as told, kg. */
const wheyNow = computed(() => {
  const s = b.value?.strain
  if (!s || !step.value?.began_at_s) return null
  const at = b.value!.now_s + ran(b.value!) - step.value.began_at_s
  const i = Math.max(
    0,
    s.at_s.findIndex((x) => x >= at),
  )
  return s.curve_whey_kg[i]!
})
useKeys([
  { key: 'd', does: 'this step is done', run: () => void done() },
  ...keys(() => mayPause.value),
])
</script>

<template>
  <div class="page stove">
    <h1 class="visually-hidden">Stove: curd</h1>
    <section v-if="curd.error.value" class="tray">
      <p class="sentence problem">{{ curd.error.value.message }}</p>
    </section>
    <template v-else-if="b">
      <section class="tray now" :class="{ over }" aria-label="What to do now" aria-live="polite">
        <p class="legend">
          <RouterLink to="/stove">the Stove</RouterLink><b>{{ b.name }}</b>
        </p>
        <p v-if="b.given_up" class="words"><b>It was given up.</b></p>
        <p v-else-if="b.weighed_kg !== null && !step" class="words">
          <b>It gave {{ grams(b.weighed_kg) }}.</b> {{ b.said }}
          <RouterLink v-if="curdAgain(b)" :to="curdAgain(b)!">Again, like this time.</RouterLink>
        </p>
        <p v-else-if="b.paused_at_s !== null" class="words">
          <b>It is off the fire for a while.</b> Put it back before it cools, or chill it.
        </p>
        <p v-else-if="step" class="words">
          <b>{{ curdStep(step.name).asks }}</b> Until {{ step.sign }}.
        </p>
        <p v-else class="words"><b>All its steps are done.</b></p>
        <div v-if="!b.given_up" class="verb">
          <button v-if="step && step.name !== 'weigh'" type="button" class="plate" @click="done">
            {{ curdStep(step.name).done }} <kbd>D</kbd>
          </button>
          <PutOff
            :paused="b.paused_at_s !== null"
            :may-pause="mayPause"
            :due="Boolean(due)"
            :later="due?.kind === 'hazard' ? 'I see it: 90 seconds' : 'In two minutes'"
            @pause="pause"
            @later="later"
          />
        </div>
      </section>
      <div class="things">
        <div>
          <template v-if="step && left != null && step.name !== 'weigh'">
            <p class="huge">{{ told.figure }}</p>
            <p class="under">
              {{ told.unit }}
              {{ over ? 'over its time' : `left to ${spoken(step.name)}` }}
            </p>
          </template>
          <template v-if="b.pieces">
            <p class="second">{{ b.pieces.count.likely }} pieces</p>
            <p>
              of {{ (b.pieces.each_kg * 1e3).toFixed(1) }} g, {{ cm(b.pieces.width_m) }} cm across,
              {{
                b.weighed_kg === null
                  ? `as planned (${b.pieces.count.low}–${b.pieces.count.high})`
                  : 'from the weighed chhena'
              }}
            </p>
            <p>
              Syrup: {{ grams(b.pieces.syrup.sugar_kg) }} of sugar in
              {{ grams(b.pieces.syrup.water_kg) }} of water, {{ b.pieces.syrup.at_once }} balls at
              once<template v-if="b.pieces.binder_kg"
                >; bind it with {{ grams(b.pieces.binder_kg) }}</template
              >.
            </p>
          </template>
          <p v-if="b.weighed_kg !== null && step" class="said">{{ b.said }}</p>
          <p v-if="b.kind === 'strain' && b.step === 0 && b.weighed_kg === null">
            <button type="button" class="touch" @click="pairing = true">
              Hang it from a scale
            </button>
          </p>
        </div>
        <ol class="steps" aria-label="The steps">
          <li
            v-for="(s, i) in b.steps"
            :key="i"
            :class="{ here: i === b.step, past: i < b.step }"
            :aria-current="i === b.step ? 'step' : undefined"
          >
            <b>{{ spoken(s.name) }}</b>
            <span class="soft">{{
              s.done_at_s
                ? `done at ${clock(s.done_at_s)}`
                : s.seconds >= 5400
                  ? `${Math.round(s.seconds / 360) / 10} h`
                  : `${minutes(s.seconds)} min`
            }}</span>
          </li>
        </ol>
        <HangingCloth
          :big="grams(b.weighed_kg ?? b.told_kg.likely)"
          :range="
            b.weighed_kg !== null
              ? 'weighed'
              : b.strain
                ? `then ${percent(b.strain.total_solids)} solids`
                : `${Math.round(b.told_kg.low * 1e3)}–${Math.round(b.told_kg.high * 1e3)} g`
          "
          :whey="
            b.whey_kg !== null
              ? `${grams(b.whey_kg)} of whey`
              : wheyNow !== null
                ? `${grams(wheyNow)} of whey?`
                : 'whey'
          "
          :note="b.whey_kg !== null ? 'weighed: keep it' : 'keep it'"
        />
      </div>
      <section class="tray log-it" aria-label="Log it">
        <p class="legend"><b>Log it</b></p>
        <div class="fields">
          <form
            v-if="b.curdle && (step?.name === 'acid' || b.poured > 0) && b.weighed_kg === null"
            @submit.prevent="
              send('acid', (v) => ({ kind: 'poured', amount: v / 1000, clear: false }))
            "
          >
            <FormField v-model="typed.acid" :label="`Poured now, ${b.curdle.acid.unit}`" />
            <button type="submit" class="plate line">Poured</button>
            <p class="soft">
              {{ Math.round(b.poured * 1e3) }} {{ b.curdle.acid.unit }} in so far; usually
              {{ Math.round(b.curdle.acid.likely.likely * 1e3) }} does it. Is it clear yet? Stop
              when it is.
              <b v-if="b.poured > b.curdle.acid.likely.high" class="danger"
                >That is more than it should need: if the whey is still milky, warm it to 85 °C;
                once it is clear, rinse it two or three times at once.</b
              >
            </p>
          </form>
          <form @submit.prevent="send('whey', (v) => ({ kind: 'whey', mass_kg: v / 1000 }))">
            <FormField v-model="typed.whey" label="All the whey so far, g" />
            <button type="submit" class="plate line">Log it</button>
          </form>
          <form @submit.prevent="send('curd', (v) => ({ kind: 'weighed', mass_kg: v / 1000 }))">
            <FormField v-model="typed.curd" label="The curd weighs, g" />
            <button type="submit" class="plate line">Weigh it</button>
          </form>
          <form @submit.prevent="note">
            <FormField v-model="typed.note" label="A note" words />
            <button type="submit" class="plate line">Write it</button>
          </form>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        </div>
        <LogList
          :batch="b"
          :running="Boolean(step && !b.given_up)"
          @undo="undo"
          @hush="hush"
          @give-up="tell({ kind: 'abandoned' })"
        />
      </section>
      <InstrumentsTray v-model:pairing="pairing" :batch="b" @tell="tell" />
      <ReadingsTray :batch-id="b.id" />
    </template>
  </div>
</template>

<style scoped src="./running.css"></style>
<style scoped>
.things {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) 230px 240px;
  gap: 34px;
  align-items: start;
  margin: 12px 6px 20px;
}
.huge {
  font-size: 150px;
  line-height: 150px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -5px;
}
.under {
  font-size: 21px;
}
.second {
  margin-top: 14px;
  font-size: 42px;
  line-height: 50px;
  font-weight: 680;
  color: var(--cobalt);
}
.said {
  margin-top: 8px;
  font-size: 18px;
}
.danger {
  color: var(--madder);
}
.steps li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 6px 10px 4px;
  border-left: 4px solid var(--ridge);
  font-size: 16px;
}
.steps b {
  font-weight: 450;
}
.steps .here {
  border-color: var(--cobalt);
  background: var(--cobalt-wash);
}
.steps .here b {
  font-weight: 700;
}
.steps .past {
  border-color: var(--leaf);
}
.log-it {
  grid-template-columns: minmax(0, 1fr) 300px;
}
.fields {
  display: grid;
  gap: 10px;
}
.fields .soft {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .things,
  .log-it {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  .now .plate {
    flex: 1 1 100%;
  }
  .huge {
    font-size: 110px;
    line-height: 112px;
  }
  .things > svg {
    justify-self: center;
  }
}
</style>
