<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useLastAnswer } from '@/api/lastAnswer'
import { api, unwrap } from '@/api/client'
import DrainCurve from '@/charts/DrainCurve.vue'
import { between } from '@/charts/slide'
import OnToIt from '@/form/OnToIt.vue'
import NextTime from '@/form/NextTime.vue'
import RefusedPlan from '@/form/RefusedPlan.vue'
import HangingCloth from '@/pan/HangingCloth.vue'
import { grams, percent, spoken } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import WhyWord from '@/sentence/WhyWord.vue'
import BeginTray from '@/form/BeginTray.vue'
import BenchRoutes from './BenchRoutes.vue'
import { useMaking } from './making'
import { useCurdChoices, startCurd } from './curd'
import FruitTray from './FruitTray.vue'
import { plain, shown, useWords } from '@/sentence/words'

/** Strain: yoghurt in a cloth, its whey with time, how thick and how sour, corrected by the whey weighed. */
const FIRST = {
  yoghurt: 'yoghurt',
  amount: '1 kg',
  cloth: 'muslin',
  hung: 'hung',
  bags: '1',
  place: 'fridge',
  end: 'shrikhand',
  time: '',
  sour: '0.8',
}
const { larder, words, keep } = useWords('/bench/strain', FIRST, [])
const choices = useCurdChoices()
const making = useMaking()
const ENDS = [
  { value: 'soft', text: 'soft', does: '18 to 20 % solids' },
  { value: 'spoonable', text: 'spoonable', does: '20 to 22 % solids' },
  { value: 'shrikhand', text: 'ready for shrikhand', does: '24 to 28 % solids' },
  { value: 'firm', text: 'firm', does: '30 % solids and more' },
]
const HUNG = [
  { value: 'hung', text: 'hang it' },
  { value: 'sieve', text: 'lay it in a sieve' },
  { value: 'weighted', text: 'weigh it down' },
]
const BAGS = [
  { value: '1', text: 'in one bag' },
  { value: '2', text: 'in two bags', does: 'lower in the cloth: sooner thick' },
  { value: '3', text: 'in three bags' },
  { value: '4', text: 'in four bags' },
]
const PLACES = computed(() => [
  {
    value: 'fridge',
    text: 'in the fridge',
    does: `${larder.data.value?.kitchen.fridge_c ?? 4} °C: slow and safe`,
  },
  {
    value: 'counter',
    text: 'on the counter',
    does: `${larder.data.value?.kitchen.room_c ?? 27} °C: quicker, sours; two hours at most`,
  },
])
const SOUR = [
  { value: '0.7', text: 'fresh and mild' },
  { value: '0.8', text: 'fresh' },
  { value: '1', text: 'a day old' },
  { value: '1.1', text: 'sour' },
]
const yoghurts = computed(() => [
  ...(larder.data.value?.ingredients ?? [])
    .filter((i) => i.material.group === 'yoghurt')
    .map((i) => ({ value: String(i.id), text: i.material.name })),
  ...(choices.data.value?.yoghurts ?? []).map((y) => ({ value: y.key, text: y.name })),
])

const plan = computed(() => ({
  yoghurt: /^\d+$/.test(words.yoghurt) ? Number(words.yoghurt) : words.yoghurt,
  amount: words.amount,
  cloth: words.cloth,
  hung: words.hung as 'hung',
  bags: words.hung === 'hung' ? Number(words.bags) : 1,
  place: words.place as 'fridge',
  end: words.end,
  time: words.time,
  start_c: 8,
  acidity: Number(words.sour),
  readings: [],
}))
const said = computed(() => JSON.stringify(plan.value))
const settled = refDebounced(said, 60)
const asked = useQuery({
  queryKey: ['strain', settled, computed(() => larder.dataUpdatedAt.value)],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/bench/strain', { body: JSON.parse(settled.value), signal })),
  enabled: computed(() => Boolean(larder.data.value && settled.value === said.value)),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 30_000,
})
const f = useLastAnswer(asked.data)
const problem = computed(() => asked.error.value)
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined

const dragged = ref<number | null>(null)
watch(f, () => (dragged.value = null))
const at = computed(() => dragged.value ?? f.value?.seconds.likely ?? 0)
const look = (column: number[]) => between(f.value!.at_s, column, at.value)
const hours = (s: number) => (Math.round(s / 360) / 10).toString()
function drop(seconds: number) {
  dragged.value = seconds
  keep({ time: `${hours(seconds)} h` })
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Bench: strain yoghurt</h1>
    <section v-if="larder.data.value && choices.data.value" class="tray" aria-label="The plan">
      <BenchRoutes />
      <p class="sentence">
        Put
        <SentenceWord
          v-model="words.amount"
          label="how much yoghurt"
          :shown="words.amount || 'how much'"
          free
          :choices="plain('500 g', '1 kg', '1.5 kg', '2 kg')"
          :problem="wrong('amount')"
          @kept="keep"
        />
        of
        <SentenceWord
          v-model="words.yoghurt"
          label="which yoghurt"
          :shown="shown(yoghurts, words.yoghurt)"
          :choices="yoghurts"
          :problem="wrong('yoghurt')"
          after=","
          @kept="keep"
        />{{ ' ' }}
        <SentenceWord
          v-model="words.sour"
          label="how sour it is now"
          :shown="shown(SOUR, words.sour)"
          :choices="SOUR"
          :problem="wrong('acidity')"
          after=","
          @kept="keep"
        />
        into
        <SentenceWord
          v-model="words.cloth"
          label="which cloth"
          :shown="spoken(words.cloth)"
          :choices="choices.data.value.cloths.map((value) => ({ value, text: spoken(value) }))"
          :problem="wrong('cloth')"
          after=","
          @kept="keep"
        />{{ ' ' }}
        <SentenceWord
          v-model="words.hung"
          label="how it drains"
          :shown="shown(HUNG, words.hung)"
          :choices="HUNG"
          @kept="keep"
        />{{ ' ' }}
        <template v-if="words.hung === 'hung'">
          <SentenceWord
            v-model="words.bags"
            label="how many bags"
            :shown="shown(BAGS, words.bags)"
            :choices="BAGS"
            :problem="wrong('bags')"
            @kept="keep"
          />{{ ' ' }}
        </template>
        <SentenceWord
          v-model="words.place"
          label="where it hangs"
          :shown="shown(PLACES, words.place)"
          :choices="PLACES"
          @kept="keep"
        />
        <template v-if="words.time">
          for
          <SentenceWord
            v-model="words.time"
            label="how long"
            :shown="words.time"
            free
            hint="10 h; empty to say how thick instead."
            :choices="plain('4 h', '8 h', '10 h', '12 h')"
            :problem="wrong('time') ?? wrong('seconds')"
            after="."
            @kept="keep"
          />
        </template>
        <template v-else>
          until it is
          <SentenceWord
            v-model="words.end"
            label="how thick"
            :shown="shown(ENDS, words.end)"
            :choices="ENDS"
            :problem="wrong('end')"
            after="."
            @kept="keep"
        /></template>
      </p>
      <OnToIt verb="Hang it" />
    </section>
    <NextTime of="strain" :words="words" @set="keep" />
    <RefusedPlan :problem="problem" :answer="asked.data.value" />
    <div v-if="f" :class="{ unanswered: problem }">
      <div class="things">
        <div>
          <p class="answer" aria-live="polite">
            It takes about <b>{{ hours(at) }} hours</b
            ><template v-if="dragged === null && f.seconds.high > f.seconds.low">
              ({{ hours(f.seconds.low) }}–{{ hours(f.seconds.high) }})</template
            >. You will have <b>{{ grams(f.mass_kg - look(f.curve_whey_kg)) }}</b> at
            {{ percent(look(f.curve_solids)) }} solids, and {{ grams(look(f.curve_whey_kg)) }} of
            whey. By then it tastes <b>{{ f.taste }}</b> ({{ look(f.curve_acidity).toFixed(2) }} %
            acid)<template v-if="f.too_sour_s !== null"
              >; after {{ hours(f.too_sour_s) }} h it is too sour for a sweet</template
            >. Overnight, 10 h: {{ grams(f.overnight_kg) }} at {{ percent(f.overnight_solids) }},
            {{ f.overnight_taste }}.
          </p>
          <p class="whys">
            <WhyWord :why="f.whys.time" :text="`why ${hours(f.seconds.likely)} h?`" />
            <WhyWord :why="f.whys.thick" text="why so thick?" />
            <WhyWord :why="f.whys.sour" text="why so sour?" />
            <span class="soft">rests on {{ f.rests_on }}</span>
          </p>
          <DrainCurve
            :seconds="f.at_s"
            :whey="f.curve_whey_kg"
            :low="f.curve_low_kg"
            :high="f.curve_high_kg"
            :at="at"
            :ends="f.ends"
            :too-sour="f.too_sour_s"
            @drag="dragged = $event"
            @drop="drop"
          />
        </div>
        <HangingCloth
          :big="grams(f.mass_kg - look(f.curve_whey_kg))"
          :range="`${percent(look(f.curve_solids))} solids`"
          :whey="`${grams(look(f.curve_whey_kg))} of whey`"
          note="keep it: it curdles milk"
        />
      </div>
      <section class="tray begin" aria-label="Begin">
        <div>
          <p v-for="c in f.cautions" :key="c.title">
            <b :class="c.severity">{{ c.title }}</b> {{ c.text }}
          </p>
          <p class="soft">
            On the Stove you log the whey as it collects: the hours left follow it.
          </p>
        </div>
        <BeginTray
          :start="startCurd('strain', plan, making)"
          :suggested="making.called('Curd', `${f.yoghurt_name}, hung`)"
          verb="Hang it"
          :cautions="f.cautions"
          :blocked="Boolean(problem)"
          :rehearse="{ strain: plan }"
        />
      </section>
      <FruitTray />
    </div>
  </div>
</template>

<style scoped>
.things {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 36px;
  margin: 14px 4px 20px;
  align-items: end;
}
.whys {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 13px;
  margin-bottom: 8px;
}
.begin {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  gap: 24px;
  align-items: center;
}
.danger {
  color: var(--madder);
}
@media (max-width: 900px) {
  .things {
    grid-template-columns: minmax(0, 1fr);
  }
  .things > svg {
    justify-self: center;
  }
}
</style>
