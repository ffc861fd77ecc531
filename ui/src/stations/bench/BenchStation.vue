<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiProblem, unwrap, type ReduceIn } from '@/api/client'
import { useLastAnswer } from '@/api/lastAnswer'
import { useLarder } from '@/api/kitchen'
import ForecastRibbon from '@/charts/ForecastRibbon.vue'
import StrataBars from '@/charts/StrataBars.vue'
import OnToIt from '@/form/OnToIt.vue'
import NextTime from '@/form/NextTime.vue'
import RefusedPlan from '@/form/RefusedPlan.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import { cm, minutes, percent, stageDoes, weight } from '@/say'
import WhyWord from '@/sentence/WhyWord.vue'
import AskTray from './AskTray.vue'
import BenchRoutes from './BenchRoutes.vue'
import ComparePans from './ComparePans.vue'
import FirstKitchen from './FirstKitchen.vue'
import { useFree } from './free'
import { figuresAt, figuresOf } from './figures'
import JudgementTray from './JudgementTray.vue'
import LightTray from './LightTray.vue'
import { emptyWords, planFrom, queryFrom, wordsFrom, type Words } from './plan'
import PlanSentence from './PlanSentence.vue'
import SchoolSentence from './SchoolSentence.vue'

const route = useRoute()
const router = useRouter()
const larder = useLarder()

const words = ref<Words>(emptyWords())
watch(
  [() => route.query, larder.data],
  ([query, kitchen]) => {
    if (kitchen && route.path === '/bench') words.value = wordsFrom(query, kitchen)
  },
  { immediate: true },
)
/** What is settled goes into the address, so that back, reload and a shared link keep it. */
function keep() {
  void router.push({ query: queryFrom(words.value) })
}

const plan = computed(() => JSON.stringify(planFrom(words.value)))
const settled = refDebounced(plan, 60)
const sent = computed<ReduceIn>(() => JSON.parse(settled.value))
const asked = useQuery({
  queryKey: ['reduce', settled, computed(() => larder.dataUpdatedAt.value)],
  queryFn: ({ signal }) => unwrap(api.POST('/api/bench/reduce', { body: sent.value, signal })),
  enabled: computed(() => Number(sent.value.pan) > 0),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 30_000,
})
const forecast = useLastAnswer(asked.data)
const problem = computed(() => (asked.error.value instanceof ApiProblem ? asked.error.value : null))
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined

function setWords(change: Partial<Words>) {
  Object.assign(words.value, change)
  keep()
}
const dipStick = (form: 'svg' | 'pdf') =>
  `/api/bench/dip-stick.${form}?plan=${encodeURIComponent(plan.value)}`

const dragged = ref<number | null>(null)
watch(forecast, () => (dragged.value = null))
const figures = computed(() => {
  const f = forecast.value
  if (!f) return null
  return dragged.value === null ? figuresOf(f) : figuresAt(f, dragged.value)
})
function drop(depth: number) {
  dragged.value = depth
  setWords({ stop: `${cm(depth)} cm deep` })
}

const kitchen = computed(() => larder.data.value)
useFree(() => words.value, kitchen)
</script>

<template>
  <div class="page bench">
    <h1 class="visually-hidden">Bench: plan a reduction</h1>
    <section v-if="kitchen && !kitchen.pans.length" class="tray empty">
      <p class="sentence">
        First, tell me about <RouterLink to="/larder">your pan and your milk</RouterLink>.
      </p>
      <p class="soft">Two measures of a pan are enough to plan in it.</p>
    </section>
    <template v-else-if="kitchen">
      <FirstKitchen
        :kitchen="kitchen"
        :milk="words.milk"
        @milk="(milk: string) => setWords({ milk })"
        @amount="(amount: string) => setWords({ amount })"
      />
      <section class="tray" aria-label="The plan">
        <BenchRoutes />
        <PlanSentence v-model:words="words" :kitchen="kitchen" :wrong="wrong" @kept="keep" />
        <SchoolSentence v-model:words="words" :kitchen="kitchen" :wrong="wrong" @kept="keep" />
        <OnToIt verb="Light it" />
      </section>

      <NextTime of="reduce" :words="{ ...words }" :plan="sent" @set="setWords" />
      <RefusedPlan :problem="problem" :answer="asked.data.value" />
      <div v-if="forecast && figures" class="answered" :class="{ unanswered: problem }">
        <div class="things">
          <PanDrawing
            class="pan"
            :pan="forecast.pan"
            :now="forecast.start_depth_m"
            :now-volume="forecast.start_m3"
            :stop="figures.depth"
            :stop-volume="figures.volume"
            :stop-concentration="figures.concentration"
            :climb="forecast.headroom.climb_depth_m"
            :spare="forecast.headroom.spare_m"
            :flame="forecast.flame"
            draggable
            :height="280"
            :lowest="Math.ceil(forecast.track.depth_m.at(-1)! * 1000) / 1000"
            :highest="Math.floor(forecast.track.depth_m[1]! * 1000) / 1000"
            @drag="dragged = $event"
            @drop="drop"
          />
          <div class="said">
            <p class="answer" aria-live="polite">
              Stop when the milk stands <b>{{ cm(figures.depth) }} cm</b> deep: about
              <b>{{ minutes(figures.afterBoil.likely) }} minutes</b> after the first boil ({{
                minutes(figures.afterBoil.low)
              }}–{{ minutes(figures.afterBoil.high) }}). You will have
              <b>{{ weight(figures.served.likely) }}</b> at {{ percent(figures.solids) }} solids. It
              <b>{{ stageDoes(figures.hot) }}</b> hot and <b>{{ stageDoes(figures.cold) }}</b> cold.
            </p>
            <p class="whys">
              <WhyWord :why="forecast.whys.depth" :text="`why ${cm(figures.depth)} cm?`" />
              <WhyWord
                :why="forecast.whys.minutes"
                :text="`why ${minutes(figures.afterBoil.likely)} min?`"
              />
              <WhyWord
                :why="forecast.whys.served"
                :text="`why ${weight(figures.served.likely)}?`"
              />
              <WhyWord :why="forecast.whys.solids" :text="`why ${percent(figures.solids)}?`" />
              <WhyWord :why="forecast.whys.headroom" text="why the headroom?" />
              <a :href="dipStick('pdf')" target="_blank" rel="noopener">print a dip-stick</a>
              <a :href="dipStick('svg')" target="_blank" rel="noopener">(SVG)</a>
              <span class="soft rests">rests on {{ forecast.rests_on }}</span>
            </p>
            <StrataBars
              :before="forecast.before"
              :after="figures.after"
              :steam="figures.steam"
              :served="figures.served.likely"
            />
          </div>
        </div>
        <LightTray
          :forecast="forecast"
          :figures="figures"
          :plan="planFrom(words)"
          :blocked="Boolean(problem)"
        >
          <ForecastRibbon :forecast="forecast" :figures="figures" />
        </LightTray>
        <JudgementTray :forecast="forecast" @stop="setWords({ stop: $event })" />
        <ComparePans
          :plan="planFrom(words)"
          :pans="kitchen.pans"
          @take="(pan, flame) => setWords({ pan: String(pan), flame })"
        />
        <AskTray :plan="planFrom(words)" @take="(amount, sugar) => setWords({ amount, sugar })" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.things {
  display: grid;
  grid-template-columns: 1.26fr 1fr;
  gap: 36px;
  margin: 6px 0 12px;
  align-items: end;
}
.said {
  align-self: start;
  padding-top: 4px;
  min-width: 0;
}
.answer b {
  white-space: nowrap;
}
.whys {
  display: flex;
  flex-wrap: wrap;
  gap: 0 13px;
  margin: 0 0 6px;
}
.whys a {
  color: var(--cobalt);
  font: 550 13.5px/24px var(--figures);
}
.bench > section + section,
.answered > .tray {
  margin-top: 26px;
}
.rests {
  font-size: 13.5px;
  line-height: 22px;
}
.empty {
  margin-top: 24px;
}
.empty .soft {
  font-size: 17px;
}
@media (max-width: 900px) {
  .things {
    display: flex;
    flex-direction: column-reverse;
    align-items: stretch;
    gap: 6px;
    margin: 8px 6px 14px;
  }
  .said figure {
    display: none;
  }
  .said .rests {
    flex-basis: 100%;
  }
}
</style>
