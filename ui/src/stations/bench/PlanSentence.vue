<script setup lang="ts">
import { computed } from 'vue'
import type { LarderOut } from '@/api/client'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { AMOUNTS, FLAMES, STOPS, SUGAR_TIMES, SUGARS } from './choices'
import type { Words } from './plan'

/** The plan as one sentence: what, in which pan, on which flame, down to where, with how much sugar. */
const props = defineProps<{ kitchen: LarderOut; wrong: (field: string) => string | undefined }>()
const words = defineModel<Words>('words', { required: true })
const emit = defineEmits<{ kept: [] }>()

const named = (list: { id?: number | null; name: string }[], id: string) =>
  list.find((x) => String(x.id) === id)?.name ?? '…'
const milks = computed(() =>
  props.kitchen.milks.map((m) => ({
    value: String(m.id),
    text: m.name,
    does: `${m.fat_pct} % fat, ${m.snf_pct} % ${m.species === 'coconut' ? 'other solids' : 'SNF'}`,
  })),
)
const pans = computed(() =>
  props.kitchen.pans.map((p) => ({
    value: String(p.id),
    text: p.name,
    does: `${p.made_of}, holds ${(p.capacity_m3 * 1000).toFixed(1)} L`,
  })),
)
const burners = computed(() =>
  props.kitchen.burners.map((b) => ({ value: String(b.id), text: b.name, does: b.kind_name })),
)
const sugars = computed(() => [
  ...props.kitchen.ingredients
    .filter((i) => i.material.group === 'sugar')
    .map((i) => ({ value: String(i.id), text: i.material.name, does: 'from your Larder' })),
  ...props.kitchen.sugars.map((s) => ({ value: s.key, text: s.name })),
])
const sweet = computed(() => !['', '0', 'none'].includes(words.value.sugar.trim()))
const deep = computed(() => words.value.stop.includes('deep'))
</script>

<template>
  <p class="sentence">
    Take
    <SentenceWord
      v-model="words.amount"
      label="how much milk"
      :shown="words.amount || 'how much'"
      free
      hint="Any unit: 2.4 L, 1.2 kg, 3 glasses, 2 packets. A bare number is ml."
      :choices="AMOUNTS"
      :problem="wrong('amount')"
      @kept="emit('kept')"
    />
    of
    <SentenceWord
      v-model="words.milk"
      label="which milk"
      :shown="named(kitchen.milks, words.milk)"
      :choices="milks"
      :problem="wrong('milk')"
      @kept="emit('kept')"
    />
    in
    <SentenceWord
      v-model="words.pan"
      label="which pan"
      :shown="named(kitchen.pans, words.pan)"
      :choices="pans"
      :problem="wrong('pan')"
      @kept="emit('kept')"
    />
    over
    <SentenceWord
      v-model="words.flame"
      label="how strong a flame after the first boil"
      :shown="`a ${words.flame} flame`"
      :choices="FLAMES"
      :problem="wrong('flame')"
      @kept="emit('kept')"
    />
    on
    <SentenceWord
      v-model="words.burner"
      label="which burner"
      :shown="`the ${named(kitchen.burners, words.burner)}`"
      :choices="burners"
      :problem="wrong('burner')"
      @kept="emit('kept')"
    />
    and {{ deep ? 'let it' : 'reduce it to' }}
    <SentenceWord
      v-model="words.stop"
      label="where to stop"
      :shown="deep ? `stand ${words.stop}` : words.stop"
      free
      hint="A part (half, a third), a name (rabri), a level (4.4 cm), an amount (1.2 L, 600 g), 31 % solids, or the look of it cold."
      :choices="STOPS"
      :problem="wrong('stop')"
      after=","
      @kept="emit('kept')"
    />
    with
    <SentenceWord
      v-model="words.sugar"
      label="how much sugar"
      :shown="sweet ? words.sugar : 'no sugar'"
      free
      hint="Any unit: 110 g, ½ cup. A bare number is g; empty is none."
      :choices="SUGARS"
      :problem="wrong('sugar')"
      @kept="emit('kept')"
    /><template v-if="sweet">
      of
      <SentenceWord
        v-model="words.kind"
        label="which sugar"
        :shown="sugars.find((s) => s.value === words.kind)?.text ?? words.kind"
        :choices="sugars"
        :problem="wrong('sugar_kind')"
        @kept="emit('kept')" />{{ ' ' }}
      <SentenceWord
        v-model="words.when"
        label="when the sugar goes in"
        :shown="words.when === 'midway' ? 'midway' : `at the ${words.when}`"
        :choices="SUGAR_TIMES"
        :problem="wrong('sugar_time')"
        after="."
        @kept="emit('kept')" /></template
    ><template v-else>.</template>
  </p>
</template>
