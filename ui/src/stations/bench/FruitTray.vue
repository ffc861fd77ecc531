<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive } from 'vue'
import { api, unwrap } from '@/api/client'
import { grams } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { useCurdChoices } from './curd'
import { plain, shown } from '@/sentence/words'

/** Fruit and milk: a small tool that says whether they curdle, and what to do. */
const choices = useCurdChoices()
const words = reactive({
  fruit: 'mango-ripe-sweet',
  much: '150 g',
  milk: '600 g',
  warm: '8',
  down: '2',
  cooked: '1',
})
const WARM = [
  { value: '8', text: 'cold', does: 'both at 8 °C' },
  { value: '40', text: 'warm', does: '40 °C' },
  { value: '85', text: 'hot', does: '85 °C' },
]
const COOKED = [
  { value: '1', text: 'raw' },
  { value: '0.7', text: 'cooked to two thirds', does: 'less water, the same acid' },
  { value: '0.5', text: 'cooked to half', does: 'its acid is twice as strong by weight' },
]
const DOWN = [
  { value: '1', text: 'plain milk' },
  { value: '2', text: 'milk taken to half' },
  { value: '3', text: 'milk taken to a third' },
]
const asked = useQuery({
  queryKey: [
    'fruit',
    refDebounced(
      computed(() => JSON.stringify(words)),
      60,
    ),
  ],
  queryFn: () =>
    unwrap(
      api.POST('/api/bench/fruit', {
        body: {
          fruit: words.fruit,
          fruit_amount: words.much,
          milk_amount: words.milk,
          celsius: Number(words.warm),
          concentration: Number(words.down),
          cooked_to: Number(words.cooked),
          sugar_share: 0,
        },
      }),
    ),
  placeholderData: keepPreviousData,
  retry: false,
})
const fruits = computed(() =>
  (choices.data.value?.fruits ?? []).map((f) => ({ value: f.key, text: f.name })),
)
const m = computed(() => asked.data.value?.mixing)
</script>

<template>
  <section class="tray fruit" aria-label="Fruit and milk">
    <p class="legend"><b>Fruit and milk</b></p>
    <p class="sentence">
      Stir
      <SentenceWord
        v-model="words.much"
        label="how much fruit"
        :shown="words.much"
        free
        :choices="plain('50 g', '150 g', '300 g')"
      />
      of
      <SentenceWord
        v-model="words.fruit"
        label="which fruit"
        :shown="shown(fruits, words.fruit)"
        :choices="fruits"
      />{{ ' ' }}
      <SentenceWord
        v-model="words.cooked"
        label="raw or cooked down"
        :shown="shown(COOKED, words.cooked)"
        :choices="COOKED"
        after=","
      />
      into
      <SentenceWord
        v-model="words.milk"
        label="how much milk base"
        :shown="words.milk"
        free
        :choices="plain('300 g', '600 g', '1 kg')"
      />
      of
      <SentenceWord
        v-model="words.down"
        label="which milk base"
        :shown="shown(DOWN, words.down)"
        :choices="DOWN"
      />,
      <SentenceWord
        v-model="words.warm"
        label="how warm"
        :shown="shown(WARM, words.warm)"
        :choices="WARM"
      />.
    </p>
    <p v-if="asked.error.value" class="problem" role="alert">{{ asked.error.value.message }}</p>
    <p v-else-if="m" class="said" aria-live="polite">
      <b :class="{ danger: m.curdles, leaf: !m.near }">{{ m.words }}</b>
      <span class="soft">
        The mixture comes to pH {{ m.ph.toFixed(1) }}; it curdles below
        {{ m.curdles_below.toFixed(1) }}.
        <template v-if="m.most_kg !== null">So much milk bears {{ grams(m.most_kg) }}.</template>
        Cooking the fruit down takes no acid away.
      </span>
    </p>
  </section>
</template>

<style scoped>
.fruit {
  margin-top: 26px;
}
.sentence {
  font-size: 21px;
  line-height: 32px;
}
.said {
  font-size: 17px;
  line-height: 24px;
}
.danger {
  color: var(--madder);
}
.leaf {
  color: var(--leaf);
}
</style>
