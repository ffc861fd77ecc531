<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiProblem, unwrap } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import ForecastRibbon from '@/charts/ForecastRibbon.vue'
import StrataBars from '@/charts/StrataBars.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import { cm, minutes, percent, stageDoes, weight } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import WhyWord from '@/sentence/WhyWord.vue'
import { figuresAt, figuresOf } from './figures'
import LightTray from './LightTray.vue'
import { planFrom, wordsFrom, type Words } from './plan'
import { FLAMES, STOPS, SUGAR_TIMES, SUGARS, AMOUNTS } from './choices'

const route = useRoute()
const router = useRouter()
const larder = useLarder()

const words = reactive<Words>({
  amount: '',
  milk: '',
  pan: '',
  burner: '',
  flame: '',
  stop: '',
  sugar: '',
  when: '',
})
watch(
  [() => route.query, larder.data],
  ([query, kitchen]) => {
    if (kitchen && route.path === '/bench') Object.assign(words, wordsFrom(query, kitchen))
  },
  { immediate: true },
)
/** What is settled goes into the address, so that back, reload and a shared link keep it. */
function keep() {
  void router.push({ query: { ...words } })
}

const plan = computed(() => JSON.stringify(planFrom(words)))
const settled = refDebounced(plan, 60)
const asked = useQuery({
  queryKey: ['reduce', settled, computed(() => larder.dataUpdatedAt.value)],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/bench/reduce', { body: JSON.parse(settled.value), signal })),
  enabled: computed(() => JSON.parse(settled.value).pan > 0),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 30_000,
})
const forecast = computed(() => asked.data.value)
const problem = computed(() => (asked.error.value instanceof ApiProblem ? asked.error.value : null))
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined

const dragged = ref<number | null>(null)
watch(forecast, () => (dragged.value = null))
const figures = computed(() => {
  const f = forecast.value
  if (!f) return null
  return dragged.value === null ? figuresOf(f) : figuresAt(f, dragged.value)
})
function drop(depth: number) {
  dragged.value = depth
  words.stop = `${cm(depth)} cm deep`
  keep()
}

const kitchen = computed(() => larder.data.value)
const named = (list: { id?: number | null; name: string }[] | undefined, id: string) =>
  list?.find((x) => String(x.id) === id)?.name ?? '…'
const milks = computed(() =>
  (kitchen.value?.milks ?? []).map((m) => ({
    value: String(m.id),
    text: m.name,
    does: `${m.fat_pct} % fat, ${m.snf_pct} % SNF`,
  })),
)
const pans = computed(() =>
  (kitchen.value?.pans ?? []).map((p) => ({
    value: String(p.id),
    text: p.name,
    does: `${p.made_of}, holds ${(p.capacity_m3 * 1000).toFixed(1)} L`,
  })),
)
const burners = computed(() =>
  (kitchen.value?.burners ?? []).map((b) => ({
    value: String(b.id),
    text: b.name,
    does: b.kind_name,
  })),
)
const sugarText = computed(() => {
  const s = words.sugar.trim()
  return s === '' || s === '0' || s === 'none' ? 'no sugar' : `${s} of sugar`
})
const stopText = computed(() => (words.stop.includes('deep') ? `stand ${words.stop}` : words.stop))
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
    <template v-else>
      <section class="tray" aria-label="The plan">
        <p class="legend"><span class="soft">Plan one base:</span><b>reduce</b></p>
        <p class="sentence">
          Take
          <SentenceWord
            v-model="words.amount"
            label="how much milk"
            :shown="words.amount || 'how much'"
            free
            hint="Any unit: 2.4 L, 1.2 kg, 3 glasses, 2½ cups. A bare number is ml."
            :choices="AMOUNTS"
            :problem="wrong('amount')"
            @kept="keep"
          />
          of
          <SentenceWord
            v-model="words.milk"
            label="which milk"
            :shown="named(kitchen?.milks, words.milk)"
            :choices="milks"
            :problem="wrong('milk')"
            @kept="keep"
          />
          in
          <SentenceWord
            v-model="words.pan"
            label="which pan"
            :shown="named(kitchen?.pans, words.pan)"
            :choices="pans"
            :problem="wrong('pan')"
            @kept="keep"
          />
          over
          <SentenceWord
            v-model="words.flame"
            label="how strong a flame after the first boil"
            :shown="`a ${words.flame} flame`"
            :choices="FLAMES"
            :problem="wrong('flame')"
            @kept="keep"
          />
          on
          <SentenceWord
            v-model="words.burner"
            label="which burner"
            :shown="`the ${named(kitchen?.burners, words.burner)}`"
            :choices="burners"
            :problem="wrong('burner')"
            @kept="keep"
          />
          and {{ words.stop.includes('deep') ? 'let it' : 'reduce it to' }}
          <SentenceWord
            v-model="words.stop"
            label="where to stop"
            :shown="stopText"
            free
            hint="A part (half, a third), a level (4.4 cm), an amount (1.2 L, 600 g) or 31 % solids."
            :choices="STOPS"
            :problem="wrong('stop')"
            @kept="keep"
          />, with
          <SentenceWord
            v-model="words.sugar"
            label="how much sugar"
            :shown="sugarText"
            free
            hint="Any unit: 110 g, ½ cup. A bare number is g; empty is none."
            :choices="SUGARS"
            :problem="wrong('sugar')"
            @kept="keep"
          />
          <template v-if="sugarText !== 'no sugar'">
            {{ ' ' }}
            <SentenceWord
              v-model="words.when"
              label="when the sugar goes in"
              :shown="words.when === 'midway' ? 'midway' : `at the ${words.when}`"
              :choices="SUGAR_TIMES"
              :problem="wrong('sugar_time')"
              @kept="keep"
            /> </template
          >.
        </p>
      </section>

      <template v-if="forecast && figures">
        <div class="things" :class="{ stale: problem }">
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
            :lowest="Math.ceil(forecast.track.depth_m.at(-1)! * 1000) / 1000"
            :highest="Math.floor(forecast.track.depth_m[1]! * 1000) / 1000"
            @drag="dragged = $event"
            @drop="drop"
          />
          <div class="said">
            <p v-if="problem" class="answer problem" role="alert">{{ problem.message }}</p>
            <p v-else class="answer" aria-live="polite">
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
      </template>
      <p v-else-if="problem" class="answer problem first" role="alert">{{ problem.message }}</p>
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
.rests {
  font-size: 13.5px;
  line-height: 22px;
}
.stale .pan,
.stale figure {
  opacity: 0.45;
}
.first,
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
