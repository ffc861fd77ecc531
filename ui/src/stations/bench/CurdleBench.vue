<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useLastAnswer } from '@/api/lastAnswer'
import { api, unwrap } from '@/api/client'
import CoolingChart from '@/charts/CoolingChart.vue'
import { between } from '@/charts/slide'
import StageBar from '@/charts/StageBar.vue'
import TextureScale from '@/charts/TextureScale.vue'
import OnToIt from '@/form/OnToIt.vue'
import NextTime from '@/form/NextTime.vue'
import RefusedPlan from '@/form/RefusedPlan.vue'
import HangingCloth from '@/pan/HangingCloth.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import { cm, grams, minutes, percent, volume } from '@/say'
import WhyWord from '@/sentence/WhyWord.vue'
import BeginTray from '@/form/BeginTray.vue'
import BenchRoutes from './BenchRoutes.vue'
import { useMaking } from './making'
import CurdBalance from './CurdBalance.vue'
import { useFree } from './free'
import { CURDLE_FIRST, useCurdChoices, startCurd } from './curd'
import CurdleSentence from './CurdleSentence.vue'
import CurdleWish from './CurdleWish.vue'
import FruitTray from './FruitTray.vue'
import { useWords } from '@/sentence/words'

/** Curdle: when the acid goes in, how much of it, what curd that gives and how many pieces. */
const { larder, words, keep, milks } = useWords('/bench/curdle', CURDLE_FIRST, [
  'milk',
  'pan',
  'burner',
])
const choices = useCurdChoices()
const making = useMaking()
const kitchen = computed(() => larder.data.value)

useFree(() => words, kitchen)

const plan = computed(() => ({
  milk: Number(words.milk),
  amount: words.amount,
  pan: Number(words.pan),
  burner: Number(words.burner),
  wait: words.wait,
  coagulant: words.acid,
  strength: words.strength.trim() ? Number(words.strength.replace(',', '.')) || 0 : null,
  dilute_to: Number(words.thin.replace(',', '.')) || 0,
  rinse: words.rinse,
  rinses: Number(words.rinses),
  rinse_c: Number(words.cold.replace(',', '.')) || 0,
  drain: words.drain as 'hang',
  drain_time: words.time,
  fridge_time: words.fridge,
  read_minutes: words.after.trim() && words.read.trim() ? Number(words.after) || 0.1 : null,
  read_c:
    words.after.trim() && words.read.trim() ? Number(words.read.replace(',', '.')) || 0 : null,
  hold: words.hold,
  use: words.use,
  piece: words.piece,
  binder: words.binder,
}))
const settled = refDebounced(
  computed(() => JSON.stringify(plan.value)),
  60,
)
const asked = useQuery({
  queryKey: ['curdle', settled, computed(() => larder.dataUpdatedAt.value)],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/bench/curdle', { body: JSON.parse(settled.value), signal })),
  enabled: computed(() => JSON.parse(settled.value).pan > 0),
  placeholderData: keepPreviousData,
  retry: false,
  staleTime: 30_000,
})
const f = useLastAnswer(asked.data)
const problem = computed(() => asked.error.value)
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined

/** While the wait is dragged the temperature and the texture follow along the curve that came with the answer. */
const dragged = ref<number | null>(null)
watch(f, () => (dragged.value = null))
const wait = computed(() => dragged.value ?? f.value?.wait_s ?? 0)
const celsius = computed(() =>
  f.value ? between(f.value.curve_s, f.value.curve_c, wait.value) : 0,
)
const texture = computed(() => {
  const t = f.value!.texture
  const likely = between(f.value!.curve_s, f.value!.curve_texture, wait.value)
  return { low: likely - (t.likely - t.low), likely, high: likely + (t.high - t.likely) }
})
function drop(seconds: number) {
  dragged.value = seconds
  const m = seconds / 60
  keep({ wait: seconds ? `${Number.isInteger(m) ? m : m.toFixed(2)} minutes` : 'not at all' })
}
/** The stretch of the wait that suits what it is for. */
const band = computed<[number, number] | null>(() => {
  const [low, high] = f.value!.use.texture
  const inside = f.value!.curve_c.filter((_, i) => {
    const t = f.value!.curve_texture[i]!
    return t >= low! && t <= high!
  })
  return inside.length ? [Math.min(...inside), Math.max(...inside)] : null
})
const acid = computed(() => {
  const a = f.value!.acid
  const one = (x: number) =>
    a.unit === 'ml' ? `${Math.round(x * 1e3)} ml` : `${(x * 1e3).toFixed(1)} g`
  return { ready: one(a.ready), likely: one(a.likely.likely), water: grams(a.water_kg) }
})
const balls = computed(() => {
  const c = f.value!.pieces?.count
  if (!c) return []
  const most = Math.min(60, c.high)
  return Array.from({ length: most }, (_, i) =>
    i < c.low ? 'sure' : i < c.likely ? 'likely' : 'maybe',
  )
})
/** What a curd that does not suit is, of what it is for. */
const FAULTS = { soft: 'soft', firm: 'firm', wet: 'moist', dry: 'dry', '': '' }
const degree = computed(() => (f.value?.use.suits === 'nearly' ? 'a little' : 'too'))
/** The sentence, changed so that the curd suits. */
function mend() {
  const i = f.value!.instead!
  keep({
    ...(i.wait !== null && { wait: i.wait }),
    ...(i.rinses !== null && { rinses: String(i.rinses) }),
    ...(i.drain !== null && { drain: i.drain, time: i.drain_time! }),
    ...(i.hold !== null && { hold: i.hold }),
  })
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Bench: plan chhena or paneer</h1>
    <section v-if="kitchen && choices.data.value" class="tray" aria-label="The plan">
      <BenchRoutes />
      <CurdleSentence
        :words="words"
        :kitchen="kitchen"
        :choices="choices.data.value"
        :milks="milks()"
        :piece-kg="f?.pieces?.each_kg"
        :wrong="wrong"
        @kept="keep"
      />
      <OnToIt verb="Light it" />
    </section>
    <NextTime of="curdle" :words="words" @set="keep" />
    <RefusedPlan :problem="problem" :answer="asked.data.value" />
    <div v-if="f" :class="{ unanswered: problem }">
      <div class="things">
        <div class="acid">
          <PanDrawing :pan="f.pan" :now="f.start_depth_m" :stop="0" :height="190" quiet />
          <p class="huge">{{ Math.round(celsius) }} °C</p>
          <p>
            when the acid goes in; {{ f.amount }} stand {{ cm(f.start_depth_m) }} cm deep in
            {{ f.pan.name }}
          </p>
          <p v-if="f.use.suits !== 'yes'" class="narrow">
            It comes out <b>{{ degree }} {{ FAULTS[f.use.fault] }}</b> for {{ f.use.name }}.
            <a href="#suits">What suits it</a>
          </p>
          <p class="second">{{ acid.ready }}</p>
          <p>
            {{ f.acid.name }} ready{{ f.acid.water_kg ? `, in ${acid.water} of water` : '' }};
            usually <b>{{ acid.likely }}</b> does it
          </p>
          <p class="whys">
            <WhyWord :why="f.whys.temperature" text="why so warm?" />
            <WhyWord :why="f.whys.acid" text="why so much?" />
          </p>
        </div>
        <div>
          <p class="answer" aria-live="polite">
            Stop the acid as soon as the whey runs clear: usually after
            <b>{{ acid.likely }}</b>. Expect <b>{{ grams(f.curd_kg.likely) }}</b> of chhena<template
              v-if="f.use.suits !== 'yes'"
              >, {{ degree }} {{ FAULTS[f.use.fault] }}</template
            >
            for {{ f.use.name
            }}<template v-if="f.pieces"
              >: <b>{{ f.pieces.count.likely }} pieces</b> of
              {{ (f.pieces.each_kg * 1e3).toFixed(1) }} g</template
            >. Weigh it first: the chhena decides, not the recipe.
          </p>
          <p v-if="f.use.suits !== 'yes'" id="suits" class="instead">
            <template v-if="f.instead">
              To suit {{ f.use.name }}: {{ f.instead.words }}.
              <button type="button" class="touch" @click="mend">Plan with it</button>
            </template>
            <template v-else>Another milk does better for {{ f.use.name }}.</template>
          </p>
          <p class="whys">
            <WhyWord :why="f.whys.curd" :text="`why ${grams(f.curd_kg.likely)}?`" />
            <WhyWord :why="f.whys.moisture" :text="`why ${percent(f.moisture.likely)} moist?`" />
            <span class="soft">rests on {{ f.rests_on }}</span>
          </p>
          <div class="pair">
            <CoolingChart
              :seconds="f.curve_s"
              :celsius="f.curve_c"
              :at="wait"
              :band="band"
              @drag="dragged = $event"
              @drop="drop"
            />
            <TextureScale :texture="texture" :uses="f.uses" :wanted="f.use.key" />
          </div>
        </div>
        <HangingCloth
          :big="grams(f.curd_kg.likely)"
          :range="`${Math.round(f.curd_kg.low * 1e3)}–${Math.round(f.curd_kg.high * 1e3)} g`"
          :whey="`${volume(f.whey_kg / 1024)} of whey`"
          note="clear, greenish: keep it"
        />
      </div>
      <section class="tray" aria-label="What it gives">
        <p class="legend"><b>What it gives</b></p>
        <div class="gives">
          <CurdBalance :answer="f" />
          <div>
            <template v-if="f.pieces">
              <p class="heading">
                {{ f.pieces.count.likely }} pieces
                <span class="soft"
                  >{{ f.pieces.count.low }}–{{ f.pieces.count.high }}, {{ cm(f.pieces.width_m) }} cm
                  across, {{ cm(f.pieces.cooked_m) }} cm cooked</span
                >
              </p>
              <p class="balls" aria-hidden="true">
                <span v-for="(b, i) in balls" :key="i" :class="b" />
              </p>
              <p>
                Boil <b>{{ volume(f.pieces.syrup.volume_m3) }}</b> of syrup of
                {{ Math.round(f.pieces.syrup.brix) }} °Brix: {{ grams(f.pieces.syrup.sugar_kg) }} of
                sugar in {{ grams(f.pieces.syrup.water_kg) }} of water (it boils at
                {{ f.pieces.syrup.boils_c.toFixed(1) }} °C here). {{ f.pieces.syrup.at_once }} fit
                this pan at once<template v-if="f.pieces.syrup.goes > 1"
                  >: {{ f.pieces.syrup.goes }} goes</template
                >.
              </p>
              <p v-if="f.pieces.binder_kg">
                Bind it with <b>{{ grams(f.pieces.binder_kg) }}</b>.
              </p>
              <p>
                Knead {{ minutes(f.knead_s) }} min, until the palm just shines and a test ball shows
                no cracks. <WhyWord :why="f.whys.knead" text="why?" /> Chance of cracking
                <b>{{ f.pieces.crack }}</b>, of breaking <b>{{ f.pieces.breaks }}</b>.
              </p>
            </template>
            <p v-if="f.rinsed_c !== null">
              After the rinses it is at {{ Math.round(f.rinsed_c) }} °C with
              {{ (f.acid_left * 100).toFixed(2) }} % acid left.
              <WhyWord :why="f.whys.rinse" text="why?" />
            </p>
            <p>
              The whey holds {{ grams(f.whey.lactose_kg) }} of lactose and
              {{ grams(f.whey.protein_kg) }} of protein. <WhyWord :why="f.whys.whey" text="why?" />
            </p>
            <p v-for="c in f.cautions" :key="c.title">
              <b :class="c.severity">{{ c.title }}</b> {{ c.text }}
            </p>
          </div>
        </div>
        <div class="go">
          <StageBar :stages="f.stages" />
          <BeginTray
            :start="startCurd('curdle', plan, making)"
            :suggested="making.called('Chhena', `Chhena for ${f.use.name}`)"
            verb="Light it"
            :cautions="f.cautions"
            :blocked="Boolean(problem)"
            :rehearse="{ curdle: plan }"
          />
        </div>
        <CurdleWish :plan="plan" @take="keep" />
      </section>
      <FruitTray />
    </div>
  </div>
</template>

<style scoped>
.things {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr) 250px;
  gap: 30px;
  margin: 10px 4px 22px;
  align-items: start;
}
.acid p {
  font-size: 16px;
}
.huge {
  font-size: 64px !important;
  line-height: 72px;
  font-weight: 700;
  letter-spacing: -2px;
  margin-top: 16px;
}
.second {
  margin-top: 14px;
  font-size: 44px !important;
  line-height: 48px;
  font-weight: 680;
  color: var(--cobalt);
}
.whys {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 13px;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 230px;
  gap: 18px;
  margin-top: 8px;
}
.gives {
  display: grid;
  grid-template-columns: 0.8fr 1fr;
  gap: 40px;
  margin-bottom: 14px;
}
.balls {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin: 6px 0;
}
.balls span {
  width: 26px;
  height: 26px;
  border: 2px solid var(--ink);
  border-radius: 50%;
}
.balls .maybe {
  border-style: dotted;
  border-color: var(--ink-soft);
}
.danger {
  color: var(--madder);
}
.go {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  gap: 18px;
  align-items: center;
}
.instead {
  font-size: 17px;
  margin-top: 4px;
}
.narrow {
  display: none;
}
@media (max-width: 900px) {
  .things,
  .pair,
  .gives {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  .go {
    grid-template-columns: minmax(0, 1fr);
  }
  .narrow {
    display: block;
  }
  .instead {
    scroll-margin-top: 120px;
  }
}
@media (max-width: 900px) {
  /* the first figure before its picture */
  .acid {
    display: flex;
    flex-direction: column;
  }
  .acid > :first-child {
    order: 1;
  }
}
</style>
