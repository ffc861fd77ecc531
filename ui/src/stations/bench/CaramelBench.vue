<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { useLastAnswer } from '@/api/lastAnswer'
import { api, unwrap, type CaramelIn, type Flame, type Range } from '@/api/client'
import { STAGES } from '@/api/shared'
import CaramelPool from '@/caramel/CaramelPool.vue'
import PoursBank from '@/caramel/PoursBank.vue'
import { GOALS } from '@/caramel/shades'
import BeginTray from '@/form/BeginTray.vue'
import OnToIt from '@/form/OnToIt.vue'
import NextTime from '@/form/NextTime.vue'
import RefusedPlan from '@/form/RefusedPlan.vue'
import { minutes, percent, spoken, stageDoes, volume, weight } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import WhyWord from '@/sentence/WhyWord.vue'
import BenchRoutes from './BenchRoutes.vue'
import { useFree } from './free'
import { useMaking } from './making'
import { plain, shown, useWords } from '@/sentence/words'

/** Caramelised milk by the pan method: dry sugar to a shade, opened with butter and milk, simmered; and lighting it. */
const FIRST = {
  sugar: '100 g',
  shade: 'amber',
  butter: '20 g',
  amount: '250 ml',
  milk: '',
  condensed: '200 g',
  solids: '',
  pan: '',
  burner: '',
  melt: 'gentle',
  flame: 'medium',
}
const { larder, words, keep, milks } = useWords('/bench/caramel', FIRST, ['milk', 'pan', 'burner'])
const kitchen = computed(() => larder.data.value)
useFree(() => words, kitchen)
const making = useMaking()

const plan = computed<CaramelIn>(() => ({
  sugar: words.sugar,
  shade: words.shade,
  butter: words.butter,
  milk_amount: words.amount,
  milk: Number(words.milk),
  condensed: words.condensed,
  solids: words.solids,
  pan: Number(words.pan),
  burner: Number(words.burner),
  melt_on: words.melt as Flame,
  flame: words.flame as Flame,
}))
const settled = refDebounced(
  computed(() => JSON.stringify(plan.value)),
  60,
)
const asked = useQuery({
  queryKey: ['caramel', settled, computed(() => larder.dataUpdatedAt.value)],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/bench/caramel', { body: JSON.parse(settled.value), signal })),
  enabled: computed(() => JSON.parse(settled.value).milk > 0 && JSON.parse(settled.value).pan > 0),
  placeholderData: keepPreviousData,
  retry: false,
})
const f = useLastAnswer(asked.data)
async function start(name: string, key: string) {
  const body = {
    batch: { kind: 'caramel' as const, plan: plan.value, name, key, ...making.sent() },
  }
  const { id } = await unwrap(api.POST('/api/batches', { body }))
  making.letGo()
  return `/stove/caramel/${id}`
}
const problem = computed(() => asked.error.value)
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined
const stage = computed(() => STAGES.indexOf(f.value?.cold_name as (typeof STAGES)[number]))
const takes = (r: Range) =>
  r.likely < 90
    ? `${Math.round(r.likely)} s`
    : `${minutes(r.likely)} min (${minutes(r.low)}–${minutes(r.high)})`
const SHADE_WORDS = GOALS.map((s) => ({
  value: s.key,
  text: s.text,
  does: `${s.from} to ${s.to} °C`,
}))
const FLAMES = plain('gentle', 'medium', 'strong')
const SOLIDS = [
  { value: '', text: 'until it is smooth', does: 'a sauce that pours' },
  { value: '65 %', text: 'to 65 % solids', does: 'pours slowly' },
  { value: '73 %', text: 'to 73 % solids', does: 'spreads from a jar' },
]
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Bench: caramelised milk</h1>
    <section class="tray" aria-label="The plan">
      <BenchRoutes />
      <p class="sentence">
        Melt
        <SentenceWord
          v-model="words.sugar"
          label="how much sugar"
          :shown="words.sugar"
          free
          :choices="plain('60 g', '100 g', '150 g', '200 g')"
          :problem="wrong('sugar')"
          @kept="keep"
        />
        of sugar to
        <SentenceWord
          v-model="words.shade"
          label="which shade"
          :shown="spoken(words.shade)"
          :choices="SHADE_WORDS"
          :problem="wrong('shade')"
          @kept="keep"
        />; stir in
        <SentenceWord
          v-model="words.butter"
          label="how much butter"
          :shown="words.butter || 'no butter'"
          free
          :choices="plain('0', '15 g', '20 g', '40 g')"
          :problem="wrong('butter')"
          @kept="keep"
        />
        of butter, then
        <SentenceWord
          v-model="words.amount"
          label="how much milk"
          :shown="words.amount"
          free
          :choices="plain('150 ml', '250 ml', '500 ml', '1 L')"
          :problem="wrong('milk_amount') ?? wrong('milk')"
          @kept="keep"
        />
        of
        <SentenceWord
          v-model="words.milk"
          label="which milk"
          :shown="larder.data.value ? shown(milks(), words.milk) : '…'"
          :choices="larder.data.value ? milks() : []"
          @kept="keep"
        />
        and
        <SentenceWord
          v-model="words.condensed"
          label="how much condensed milk"
          :shown="words.condensed || 'no'"
          free
          :choices="plain('0', '100 g', '200 g', '400 g')"
          :problem="wrong('condensed')"
          @kept="keep"
        />
        of condensed milk, and simmer it
        <SentenceWord
          v-model="words.solids"
          label="how far it is simmered"
          :shown="
            SOLIDS.find((x) => x.value === words.solids)?.text ??
            `to ${words.solids.replace(/ ?solids/, '')} solids`
          "
          free
          hint="A share of solids: 70 %."
          :choices="SOLIDS"
          :problem="wrong('solids')"
          after="."
          @kept="keep"
        />
      </p>
      <p v-if="kitchen" class="sentence more">
        In
        <SentenceWord
          v-model="words.pan"
          label="which pan"
          :shown="kitchen.pans.find((p) => String(p.id) === words.pan)?.name ?? '…'"
          :choices="kitchen.pans.map((p) => ({ value: String(p.id), text: p.name }))"
          :problem="wrong('pan')"
          @kept="keep"
        />
        on
        <SentenceWord
          v-model="words.burner"
          label="which burner"
          :shown="`the ${kitchen.burners.find((b) => String(b.id) === words.burner)?.name ?? '…'}`"
          :choices="kitchen.burners.map((b) => ({ value: String(b.id), text: b.name }))"
          :problem="wrong('burner')"
          @kept="keep"
        />, melted on a
        <SentenceWord
          v-model="words.melt"
          label="the flame it melts on"
          :shown="words.melt"
          :choices="FLAMES"
          :problem="wrong('melt_on')"
          @kept="keep"
        />
        flame, simmered on a
        <SentenceWord
          v-model="words.flame"
          label="the flame it simmers on"
          :shown="words.flame"
          :choices="FLAMES"
          :problem="wrong('flame')"
          @kept="keep"
        />
        one.
      </p>
      <OnToIt verb="Light it" />
    </section>
    <NextTime of="caramel" :words="words" @set="keep" />
    <RefusedPlan :problem="problem" :answer="asked.data.value" />
    <div v-if="f" :class="{ unanswered: problem }">
      <div class="things">
        <CaramelPool
          :celsius="null"
          :off="f.off_c.likely"
          :ends="f.ends_c"
          :goal="f.shade"
          told
          movable
          @goal="(shade) => keep({ shade })"
        />
        <div class="figures">
          <p class="answer" aria-live="polite">
            Off the flame at <b>{{ Math.round(f.off_c.likely) }} °C</b>, after about
            <b>{{ minutes(f.melt_s.likely) }} minutes</b> ({{ minutes(f.melt_s.low) }}–{{
              minutes(f.melt_s.high)
            }}): it ends {{ spoken(f.shade) }} by itself. You will have
            <b>{{ weight(f.mass_kg.likely) }}</b>, {{ volume(f.volume_m3) }}, at
            {{ percent(f.total_solids) }} solids and {{ percent(f.sugar) }} sugar. Cold it
            <b>{{ stageDoes(stage) }}</b>.
          </p>
          <p class="whys">
            <WhyWord :why="f.whys.off!" :text="`why ${Math.round(f.off_c.likely)} °C?`" />
            <WhyWord :why="f.whys.melt!" :text="`why ${minutes(f.melt_s.likely)} min?`" />
            <WhyWord v-if="f.pours" :why="f.whys.pours!" text="why so many pours?" />
            <WhyWord :why="f.whys.stop!" :text="`why ${weight(f.stop_kg.likely)}?`" />
            <WhyWord :why="f.whys.thick!" text="why so thick?" />
          </p>
          <PoursBank
            :told="f"
            :added="{}"
            :next="null"
            :stop="f.stop_kg.likely"
            :on-scale="f.on_scale_kg"
          />
        </div>
      </div>
      <section class="tray steps" aria-label="The steps">
        <p class="legend"><b>The steps</b></p>
        <ol>
          <li v-for="s in f.steps" :key="s.do">
            <p class="do">
              {{ s.do }}
              <span v-if="s.seconds.likely" class="soft takes">{{ takes(s.seconds) }}</span>
            </p>
            <p class="soft">
              <b v-if="s.celsius" class="heat">{{ Math.round(s.celsius.likely) }} °C,</b> until
              {{ s.sign }}
            </p>
          </li>
        </ol>
        <div class="go">
          <p v-for="c in f.cautions" :key="c.title" class="caution">
            <b :class="c.severity">{{ c.title }}</b> {{ c.text }}
          </p>
          <BeginTray
            :start="start"
            :suggested="making.called('Caramel', `Caramel, ${spoken(f.shade)}`)"
            verb="Light it"
            :cautions="f.cautions"
            :blocked="Boolean(problem)"
            :rehearse="{ caramel: plan }"
          />
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.more {
  font-size: 20px;
  line-height: 32px;
}
.things {
  display: grid;
  grid-template-columns: 400px minmax(0, 1fr);
  gap: 34px;
  align-items: center;
  margin: 16px 4px 22px;
}
.figures {
  display: grid;
  gap: 12px;
}
.whys {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.steps {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 34px;
}
ol {
  display: grid;
  gap: 10px;
  padding-left: 26px;
  list-style: decimal;
}
.do {
  font: 400 19px/26px var(--words);
}
.heat {
  color: var(--cobalt);
}
.takes {
  font: 500 15px var(--figures);
  white-space: nowrap;
}
.go {
  display: grid;
  gap: 10px;
  align-content: start;
}
.danger {
  color: var(--madder);
}
.caution {
  font-size: 16px;
}
@media (max-width: 900px) {
  .things,
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
