<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useLastAnswer } from '@/api/lastAnswer'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import NextTime from '@/form/NextTime.vue'
import RefusedPlan from '@/form/RefusedPlan.vue'
import IceCurve from '@/charts/IceCurve.vue'
import LevelTube from '@/charts/LevelTube.vue'
import SoakCurve from '@/charts/SoakCurve.vue'
import BallsPan from '@/moulds/BallsPan.vue'
import MouldDrawing from '@/moulds/MouldDrawing.vue'
import PortionRow from '@/moulds/PortionRow.vue'
import SlabDrawing from '@/moulds/SlabDrawing.vue'
import StopScale from '@/moulds/StopScale.vue'
import { capital, grams, weight } from '@/say'
import WhyWord from '@/sentence/WhyWord.vue'
import { useWords } from '@/sentence/words'
import CountedTray from './CountedTray.vue'
import KnobsTray from './KnobsTray.vue'
import LateTray from './LateTray.vue'
import StepsTray from './StepsTray.vue'
import SwapList from './SwapList.vue'
import TooLate from './TooLate.vue'
import { useBases } from '@/api/standing'
import {
  SWEET_FIRST,
  askedOf,
  hours,
  nearestMilk,
  pairs,
  unpaired,
  useSweet,
  useSweetChoices,
} from './sweet'
import SweetSentence from './SweetSentence.vue'
import WeighList from './WeighList.vue'

/** Sweets: a sentence, the things to scale in balance, and what to weigh, swap, count and do. */
const { larder, words, keep } = useWords('/sweets', SWEET_FIRST, ['pan', 'burner'])
const choices = useSweetChoices()
const bases = useBases()
const kitchen = computed(() => larder.data.value)
const usualMilk = computed(() => {
  const sweet = choices.data.value?.sweets.find((s) => s.key === words.sweet)
  const school = sweet?.schools.find((s) => s.key === words.school) ?? sweet?.schools[0]
  return nearestMilk(kitchen.value?.milks ?? [], school?.milk_fat_pct)
})
const body = computed(() => askedOf(words, usualMilk.value))
const asked = useSweet(
  body,
  computed(() => Boolean(kitchen.value && choices.data.value)),
)
const f = useLastAnswer(asked.data)
const problem = computed(() => asked.error.value)
const wrong = (field: string) =>
  problem.value?.field === field || problem.value?.field?.startsWith(`${field}.`)
    ? problem.value.message
    : undefined
const stale = computed(() => Boolean(problem.value))

const AIR = [
  { value: '', text: 'still' },
  { value: 'yes', text: 'moved by a fan' },
]
const moulds = computed(() =>
  (choices.data.value?.moulds ?? []).map((m) => ({ value: m.key, text: m.name })),
)
const swapping = ref('')
watch(
  () => [words.sweet, words.school],
  () => (swapping.value = ''),
)
const swapName = computed(() => f.value?.rows.find((r) => r.key === swapping.value)?.name ?? '')
/** Until one asks, the first thing that is likeliest not at hand. */
const swapped = computed(() => {
  if (swapping.value) return swapping.value
  const can = f.value?.rows.filter((r) => r.swappable) ?? []
  const wished = ['khoya', 'condensed', 'powder', 'cream', 'chhena']
  for (const word of wished) {
    const found = can.find((r) => r.key.includes(word))
    if (found) return found.key
  }
  return ''
})
const swappedName = computed(
  () => swapName.value || f.value?.rows.find((r) => r.key === swapped.value)?.name || '',
)
function take(changes: Record<string, number>) {
  keep({ change: unpaired({ ...pairs(words.change), ...changes }), taken: '' })
  swapping.value = ''
}
const setWindow = (key: string, [low, high]: [number, number]) =>
  keep({ window: unpaired({ ...pairs(words.window), [key]: `${low}-${high}` }) })

const cookMinutes = computed(() => {
  const own = f.value?.boilings.filter((b) => b.of === 'cook') ?? []
  const s = own.reduce((sum, b) => sum + b.seconds.likely, 0)
  const goes = Math.max(1, ...own.map((b) => b.goes))
  return `About ${hours(s)}${goes > 1 ? `, in ${goes} goes` : ''}`
})
const water = computed(() => {
  const knob = f.value?.knobs.find((k) => k.place === 'cook')
  return knob ? String(+knob.value.toFixed(1)) : ''
})
const solids = computed(
  () => f.value?.levels.find((l) => l.key === 'total_solids')?.share.likely ?? 0.5,
)
const colour = computed(() =>
  solids.value > 0.6 ? '#e3c283' : solids.value > 0.42 ? '#f3e2b8' : '#fbf3dc',
)
const suggested = computed(() => {
  if (!f.value) return ''
  const flavour = choices.data.value?.sweets.find((s) => s.key === f.value!.key)?.flavours[
    words.flavour
  ]
  const name = `${flavour ? `${flavour} ` : ''}${f.value.name}`
  return capital(name)
})
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Sweets: build one from its bases</h1>
    <SweetSentence
      v-if="kitchen && choices.data.value"
      v-model:words="words"
      :choices="choices.data.value"
      :kitchen="kitchen"
      :bases="bases.data.value ?? []"
      :answer="f"
      :stale="stale"
      :wrong="wrong"
      @keep="keep"
    />
    <TooLate
      v-if="f && choices.data.value && !stale"
      :eat="words.eat"
      :plan="body"
      :answer="f"
      :choices="choices.data.value"
      @choose="
        (school) =>
          keep({ school, taken: '', base: '', change: '', fruit: '', flavour: '', ticked: '' })
      "
      @eat="(eat) => keep({ eat })"
    />
    <NextTime :of="words.sweet" :words="words" @set="keep" />
    <RefusedPlan :problem="problem" :answer="asked.data.value" />
    <div v-if="f && choices.data.value" :class="{ unanswered: stale }">
      <div class="things">
        <div>
          <MouldDrawing
            v-if="f.frozen"
            :frozen="f.frozen"
            :count="f.pieces.likely"
            :moulds="Number(words.moulds) || 12"
          />
          <SlabDrawing v-else-if="f.slab" :slab="f.slab" :many="f.many" />
          <BallsPan
            v-else-if="f.syrup && f.piece_way === 'ball'"
            :syrup="f.syrup"
            :count="f.pieces.likely"
            :many="f.many"
          />
          <PortionRow
            v-else
            :count="f.pieces.likely"
            :low="f.pieces.low"
            :high="f.pieces.high"
            :grams="Math.round(f.each_kg * 1000)"
            :one="f.one"
            :many="f.many"
            :way="f.piece_way"
            :colour="colour"
          />
          <p class="whys">
            <WhyWord :why="f.whys.pieces" text="why so many?" />
            <WhyWord v-if="f.whys.freeze" :why="f.whys.freeze" text="why so long to freeze?" />
          </p>
          <details v-if="f.frozen" class="freezer">
            <summary>My freezer and moulds</summary>
            <form @submit.prevent="keep()">
              <ChoiceRow
                label="The moulds are"
                :choices="moulds"
                :model-value="words.mould"
                @update:model-value="(v) => keep({ mould: v })"
              />
              <ChoiceRow
                label="Its air is"
                :choices="AIR"
                :model-value="words.fan"
                @update:model-value="(v) => keep({ fan: v })"
              />
              <FormField v-model="words.freezes" label="It freezes, kg a day" />
              <FormField v-model="words.moulds" label="Moulds I have" />
              <button type="submit" class="plate line">Reckon with it</button>
            </form>
          </details>
        </div>
        <div>
          <LevelTube
            v-for="l in f.levels"
            :key="l.key"
            :level="l"
            @window="(range) => setWindow(l.key, range)"
          />
          <p class="whys">
            <WhyWord :why="f.whys.balance" text="why these?" />
            <button v-if="words.window" type="button" class="touch" @click="keep({ window: '' })">
              usual windows again
            </button>
          </p>
          <p v-if="f.sugar_over_kg > 0.0005" class="problem">
            Too sweet by {{ grams(f.sugar_over_kg) }}: take less of what is sweetened already.
          </p>
        </div>
        <div>
          <template v-if="f.frozen">
            <IceCurve
              :frozen="f.frozen"
              :celsius="Number(words.freezer) || kitchen?.kitchen.freezer_c || -18"
              @freezer="(c) => keep({ freezer: String(c) })"
            />
            <p class="under">
              It begins to freeze at {{ f.frozen.answer.begins_c.toFixed(1).replace('-', '−') }} °C.
              In there it {{ f.frozen.answer.hardness === 'slumps' ? '' : 'is '
              }}{{ f.frozen.answer.hardness }}.
              <template v-if="f.frozen.answer.dip_s"
                >To free it, dip {{ Math.round(f.frozen.answer.dip_s.likely) }} s in water at 40
                °C.</template
              >
              {{ ' ' }}<WhyWord :why="f.whys.ice" text="why so hard?" />
            </p>
          </template>
          <template v-else>
            <StopScale
              v-if="f.stop_kg"
              :from-kg="f.into_pan_kg"
              :to-kg="f.stop_kg"
              :water="water"
              :minutes="cookMinutes"
            />
            <template v-if="f.syrup">
              <h2 class="heading">Syrup: {{ weight(f.syrup.kg) }}</h2>
              <p class="under">
                {{ grams(f.syrup.sugar_kg) }} of sugar in {{ grams(f.syrup.water_kg) }} of water:
                <b>{{ Math.round(f.syrup.brix) }} °Brix</b>, {{ f.syrup.stage }}; it boils at
                {{ f.syrup.boils_c.toFixed(1) }} °C here.
              </p>
              <SoakCurve v-if="f.syrup.curve_h.length" :syrup="f.syrup" />
              <p v-if="f.syrup.boil_off_kg > 0.005" class="under">
                The boil takes about {{ grams(f.syrup.boil_off_kg) }} of water: pour
                {{ grams(f.syrup.top_up_kg) }} of hot water back at the edge.
              </p>
              <p class="under">
                Left: {{ weight(f.syrup.left_kg) }} at {{ Math.round(f.syrup.left_brix) }} °Brix,
                {{ f.syrup.left_keeps_days }} days in the fridge, once strained and boiled. It still
                makes {{ f.syrup.makes[0] }}.
              </p>
            </template>
            <template v-if="f.fry">
              <h2 class="heading">Fat at {{ Math.round(f.fry.fat_c.likely) }} °C</h2>
              <p class="under">
                About {{ hours(f.fry.seconds.likely) }} ({{ hours(f.fry.seconds.low) }}–{{
                  hours(f.fry.seconds.high)
                }})<template v-if="f.fry.goes > 1"
                  >, in {{ f.fry.goes }} loads of {{ f.fry.at_once }} at the most</template
                >; they take up {{ grams(f.fry.taken_kg) }} of it.
                <WhyWord v-if="f.whys.fry" :why="f.whys.fry" text="why so hot?" />
              </p>
            </template>
            <template v-if="!f.stop_kg && !f.syrup && f.bases.length">
              <h2 class="heading">From its base</h2>
              <p v-for="b in f.bases" :key="b.letter" class="under">
                <template v-if="b.ready"
                  >{{ grams(b.made_kg) }} of {{ b.said }}, at
                  {{ Math.round(b.total_solids * 100) }} % solids.</template
                >
                <template v-else
                  ><b>{{ b.start_words }}</b> of {{ b.name }} gives {{ grams(b.made_kg) }} at
                  {{ Math.round(b.total_solids * 100) }} % solids.
                  <RouterLink :to="{ path: `/bench${b.route}`, query: b.words }"
                    >Plan it on the Bench</RouterLink
                  ></template
                >
              </p>
            </template>
            <p class="whys">
              <WhyWord v-if="f.whys.stop" :why="f.whys.stop" text="why that weight?" />
              <WhyWord v-if="f.whys.syrup" :why="f.whys.syrup" text="why so strong?" />
            </p>
          </template>
          <p v-if="f.then" class="then">{{ f.then }}</p>
        </div>
      </div>
      <section class="tray doing" aria-label="Weigh it">
        <p class="legend"><span class="soft">Weigh</span><b>in grams and in your cups</b></p>
        <div>
          <WeighList
            v-model:weighed="words.weighed"
            v-model:ticked="words.ticked"
            :problem="wrong('weighed')"
            :answer="f"
            :swapping="swapping"
            @kept="keep()"
            @ticked="keep({}, true)"
            @swap="(k) => (swapping = swapping === k ? '' : k)"
          />
          <LateTray v-if="swapped" class="below" :plan="body" :answer="f" />
        </div>
        <SwapList
          v-if="swapped"
          :plan="body"
          :ingredient="swapped"
          :name="swappedName.split(',')[0]!"
          @take="take"
          @close="swapping = ''"
        />
        <LateTray v-else :plan="body" :answer="f" />
      </section>
      <StepsTray
        :answer="f"
        :plan="body"
        :suggested="suggested"
        :blocked="stale"
        @begun="keep({ ticked: '' }, true)"
      />
      <CountedTray v-model:words="words" :answer="f" :plan="body" @keep="keep" />
      <KnobsTray :answer="f" :words="words" :choices="choices.data.value" @keep="keep" />
    </div>
  </div>
</template>

<style scoped>
.things {
  display: grid;
  grid-template-columns: minmax(0, 422px) minmax(0, 318px) minmax(0, 384px);
  justify-content: space-between;
  gap: 28px;
  margin: 14px 4px 22px;
  align-items: start;
}
.whys {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin-top: 4px;
}
.under {
  font-size: 16px;
  line-height: 22px;
}
.freezer summary {
  color: var(--cobalt);
  font-weight: 550;
  cursor: pointer;
}
.freezer form {
  display: grid;
  gap: 8px;
  margin-top: 6px;
  max-width: 380px;
}
.then {
  margin-top: 8px;
  font: 400 17px/24px var(--words);
  color: var(--ink-soft);
}
.doing {
  display: grid;
  grid-template-columns: minmax(0, 1.55fr) minmax(0, 1fr);
  gap: 30px;
  align-items: start;
}
.doing > :last-child {
  border-left: 1px solid var(--ridge);
  padding-left: 26px;
}
.below {
  margin-top: 16px;
  padding-top: 12px;
  border-top: 1px solid var(--ridge);
}
@media (max-width: 1100px) {
  .things {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
@media (max-width: 900px) {
  .things,
  .doing {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
  }
  .doing > :last-child {
    border-left: 0;
    border-top: 1px solid var(--ridge);
    padding: 14px 0 0;
  }
}
</style>
