<script setup lang="ts">
import { computed } from 'vue'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { plain, shown } from '@/sentence/words'
import { kitchenMinute } from '@/shell/minute'
import { moment } from '@/stations/sweets/serving'
import { litresSaid, numberWord, type DayWords } from './day'

/** The sentence of a day: for whom, when, with what and with whose hands. */
const props = defineProps<{
  sweets: number
  burners: number
  /** When it is served, once that could be read. */
  serveS: number | undefined
  wrong: (word: string) => string | undefined
}>()
const words = defineModel<DayWords>('words', { required: true })
const emit = defineEmits<{ keep: [] }>()
const BURNERS = computed(() =>
  Array.from({ length: props.burners }, (_, i) => ({
    value: i + 1 === props.burners ? '' : String(i + 1),
    text: `${numberWord(i + 1)} burner${i ? 's' : ''}`,
  })),
)
const HANDS = [
  { value: '', text: 'one pair of hands' },
  { value: '15:00–19:00', text: 'and a helper, 15:00 to 19:00' },
]
const PACES = [
  { value: '', text: 'what they likely take' },
  { value: 'roomy', text: 'more, with room at each' },
]
const WATCH = [1, 2, 3, 4].map((n) => ({
  value: String(n),
  text: `${numberWord(n)} pan${n > 1 ? 's' : ''}`,
}))
const served = computed(() => {
  if (props.serveS === undefined) return words.value.serve
  return `at ${moment(props.serveS * 1000, kitchenMinute.value)}`
})
</script>

<template>
  <p class="sentence">
    Serve
    <b>{{ numberWord(sweets) }} {{ sweets === 1 ? 'sweet' : 'sweets' }}</b> to
    <SentenceWord
      v-model="words.people"
      label="how many people"
      :shown="`${words.people} people`"
      free
      hint="A number. Each sweet can say its own amount below."
      @kept="emit('keep')"
    />{{ ' ' }}
    <SentenceWord
      v-model="words.serve"
      label="when it is served"
      :shown="served"
      free
      hint="19:30, tomorrow 18:00, Saturday 19:30."
      :choices="plain('today 19:30', 'tomorrow 13:00', 'tomorrow 19:30')"
      :problem="wrong('serve')"
      after=","
      @kept="emit('keep')"
    />
    with
    <SentenceWord
      v-model="words.burners"
      label="how many burners"
      :shown="shown(BURNERS, words.burners)"
      :choices="BURNERS"
      after=","
      @kept="emit('keep')"
    />{{ ' ' }}
    <SentenceWord
      v-model="words.helper"
      label="whose hands"
      :shown="words.helper ? `one pair of hands, a helper ${words.helper}` : 'one pair of hands'"
      free
      hint="When somebody helps, like 15:00–19:00; empty for nobody."
      :choices="HANDS"
      :problem="wrong('helper')"
      after=","
      @kept="emit('keep')"
    />
    watching
    <SentenceWord
      v-model="words.watch"
      label="how many pans at once"
      :shown="shown(WATCH, words.watch)"
      :choices="WATCH"
      @kept="emit('keep')"
    />
    at once. Asleep
    <SentenceWord
      v-model="words.night"
      label="when you sleep"
      :shown="words.night || 'never'"
      free
      hint="Like 22:30–6:30; empty to work through."
      :problem="wrong('night')"
      after=","
      @kept="emit('keep')"
    />
    away
    <SentenceWord
      v-model="words.away"
      label="when you are away"
      :shown="words.away || 'never'"
      free
      hint="School run 10:30–11:00, lunch 12:00–12:45 seated: a glance at a pan is possible then."
      :problem="wrong('away')"
      after=","
      @kept="emit('keep')"
    />
    begun
    <SentenceWord
      v-model="words.from"
      label="how early you may begin"
      :shown="words.from ? `from ${words.from} on` : 'as early as it takes'"
      free
      hint="tomorrow 8:00; empty: up to two days before."
      :problem="wrong('from')"
      after="."
      @kept="emit('keep')"
    />
    The fridge has
    <SentenceWord
      v-model="words.fridge"
      label="litres free in the fridge"
      :shown="litresSaid(words.fridge)"
      free
      hint="What boxes and bowls find room: a shelf holds about 20 L."
      :problem="wrong('fridge')"
      @kept="emit('keep')"
    />
    free, the freezer
    <SentenceWord
      v-model="words.freezer"
      label="litres free in the freezer"
      :shown="litresSaid(words.freezer)"
      free
      hint="A drawer holds about 20 L; none without a freezer."
      :problem="wrong('freezer')"
      after="."
      @kept="emit('keep')"
    />
    Steps take
    <SentenceWord
      v-model="words.pace"
      label="how much room is left"
      :shown="shown(PACES, words.pace)"
      :choices="PACES"
      after="."
      @kept="emit('keep')"
    />
  </p>
</template>

<style scoped>
.sentence b {
  font-weight: 650;
}
</style>
