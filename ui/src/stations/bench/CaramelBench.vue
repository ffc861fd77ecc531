<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { STAGES } from '@/api/shared'
import { percent, stageDoes, volume, weight } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import BenchRoutes from './BenchRoutes.vue'
import { plain, shown, useWords } from '@/sentence/words'

/** Caramelised milk by the pan method: dry caramel, butter, milk, condensed milk, with its shades. */
const SHADES = [
  { value: 'straw', text: 'straw', does: '150 to 162 °C: barely caramel', colour: '#f0dc9c' },
  { value: 'pale gold', text: 'pale gold', does: '162 to 168 °C: mild', colour: '#e6b95c' },
  { value: 'amber', text: 'amber', does: '168 to 175 °C: full', colour: '#c4812f' },
  {
    value: 'deep amber',
    text: 'deep amber',
    does: '175 to 182 °C: at the edge',
    colour: '#8e4d1c',
  },
]
const FIRST = {
  sugar: '100 g',
  shade: 'amber',
  butter: '20 g',
  amount: '250 ml',
  milk: '',
  condensed: '200 g',
}
const { larder, words, keep, milks } = useWords('/bench/caramel', FIRST, ['milk'])

const asked = useQuery({
  queryKey: [
    'caramel',
    refDebounced(
      computed(() => JSON.stringify(words)),
      60,
    ),
  ],
  queryFn: ({ signal }) =>
    unwrap(
      api.POST('/api/bench/caramel', {
        body: {
          sugar: words.sugar,
          shade: words.shade,
          butter: words.butter,
          milk_amount: words.amount,
          milk: Number(words.milk),
          condensed: words.condensed,
        },
        signal,
      }),
    ),
  enabled: computed(() => Number(words.milk) > 0),
  placeholderData: keepPreviousData,
  retry: false,
})
const problem = computed(() => asked.error.value)
const wrong = (field: string) =>
  problem.value?.field === field ? problem.value.message : undefined
const stage = computed(() => STAGES.indexOf(asked.data.value?.cold_name as (typeof STAGES)[number]))
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
          :shown="words.shade"
          :choices="SHADES"
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
        of condensed milk.
      </p>
    </section>
    <p v-if="problem" class="answer problem" role="alert">{{ problem.message }}</p>
    <template v-if="asked.data.value">
      <p class="answer said" aria-live="polite">
        You will have <b>{{ weight(asked.data.value.mass_kg.likely) }}</b>,
        {{ volume(asked.data.value.volume_m3) }}, at
        {{ percent(asked.data.value.total_solids) }} solids and
        {{ percent(asked.data.value.sugar) }} sugar. Cold it <b>{{ stageDoes(stage) }}</b>.
      </p>
      <ul class="shades" aria-label="Shades of caramel">
        <li v-for="s in SHADES" :key="s.value" :class="{ here: s.value === words.shade }">
          <span class="swatch" :style="{ background: s.colour }" />
          <b>{{ s.text }}</b> <span class="soft">{{ s.does }}</span>
        </li>
      </ul>
      <section class="tray" aria-label="The steps">
        <p class="legend"><b>The steps</b></p>
        <ol>
          <li v-for="s in asked.data.value.steps" :key="s.do">
            <p class="do">{{ s.do }}</p>
            <p class="soft">until {{ s.sign }}</p>
            <p v-if="s.celsius" class="heat">
              {{ Math.round(s.celsius.likely) }} °C
              <span class="soft"
                >{{ Math.round(s.celsius.low) }}–{{ Math.round(s.celsius.high) }}, in the
                syrup</span
              >
            </p>
          </li>
        </ol>
        <p v-for="c in asked.data.value.cautions" :key="c.title" class="caution">
          <b :class="c.severity">{{ c.title }}</b> {{ c.text }}
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.said {
  margin: 18px 4px;
}
.shades {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 14px;
  margin: 0 4px 26px;
}
.shades li {
  padding: 8px;
  border: 2px solid transparent;
  border-radius: 10px;
}
.shades .here {
  border-color: var(--cobalt);
}
.shades b,
.shades .soft {
  display: block;
}
.swatch {
  display: block;
  height: 46px;
  margin-bottom: 6px;
  border: 2px solid var(--ink);
  border-radius: 6px;
}
ol {
  display: grid;
  gap: 12px;
  margin: 6px 0 14px;
  padding-left: 26px;
  list-style: decimal;
}
.do {
  font: 400 20px/28px var(--words);
}
.heat {
  font-size: 44px;
  line-height: 50px;
  font-weight: 680;
  color: var(--cobalt);
}
.heat .soft {
  font-size: 16px;
  font-weight: 450;
}
.danger {
  color: var(--madder);
}
.caution {
  font-size: 16px;
}
@media (max-width: 900px) {
  .shades {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
