<script setup lang="ts">
import { computed, ref } from 'vue'
import type { DayOut, SweetChoices } from '@/api/client'
import { clock } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { SWEET_FIRST } from '@/stations/sweets/sweet'
import { ofTwenty, spanOf, type DaySweet } from './day'

/** The sweets of the day: how much of each, how it is made, its own hour, how sure it is. Each leads to its own sentence. */
const props = defineProps<{
  sweets: DaySweet[]
  people: string
  choices: SweetChoices | undefined
  plan: DayOut | undefined
  wrong?: { at: number; text: string }
  chosen?: number
}>()
const emit = defineEmits<{ change: [sweets: DaySweet[]]; choose: [at: number | undefined] }>()

const all = computed(() =>
  (props.choices?.sweets ?? []).map((s) => ({ value: s.key, text: s.name })),
)
const keyOf = (s: DaySweet) => s.words.sweet ?? SWEET_FIRST.sweet
const of = (s: DaySweet) => props.choices?.sweets.find((x) => x.key === keyOf(s))
const schools = (s: DaySweet) => (of(s)?.schools ?? []).map((x) => ({ value: x.key, text: x.name }))
const schoolOf = (s: DaySweet) =>
  schools(s).find((x) => x.value === s.words.school)?.text ?? schools(s)[0]?.text ?? ''
function set(at: number, change: Partial<DaySweet>) {
  emit(
    'change',
    props.sweets.map((s, i) => (i === at ? { ...s, ...change } : s)),
  )
}
const word = (at: number, key: string, value: string) => {
  const words = { ...props.sweets[at]!.words, [key]: value }
  if (!value) delete words[key]
  set(at, { words })
}
const more = ref('')
function add(key: string) {
  emit('change', [...props.sweets, { words: { sweet: key }, due: '', spare: 0 }])
  more.value = ''
}
const told = (at: number) => props.plan?.sweets[at]
const SPARES = [0, 15, 30, 60].map((m) => ({
  value: String(m),
  text: m ? `${m} minutes sooner` : 'as is usual',
}))
</script>

<template>
  <ul class="sweets">
    <li v-for="(s, i) in sweets" :key="i" :class="{ chosen: chosen === i }">
      <p class="line">
        <SentenceWord
          :model-value="s.words.want ?? ''"
          :label="`how much of the ${of(s)?.name ?? 'sweet'}`"
          :shown="s.words.want || `for ${people} people`"
          free
          hint="24 pieces, 1.2 kg, for 10 people; empty for everybody."
          @update:model-value="(v) => word(i, 'want', v)"
        />{{ ' ' }}
        <SentenceWord
          :model-value="keyOf(s)"
          :label="`sweet ${i + 1}`"
          :shown="of(s)?.name ?? keyOf(s)"
          :choices="all"
          after=","
          @update:model-value="
            (v) => set(i, { words: { sweet: v, ...(s.words.want && { want: s.words.want }) } })
          "
        />{{ ' ' }}
        <SentenceWord
          v-if="schools(s).length > 1"
          :model-value="s.words.school ?? schools(s)[0]!.value"
          :label="`how the ${of(s)?.name} is made`"
          :shown="schoolOf(s)"
          :choices="schools(s)"
          after=","
          @update:model-value="(v) => word(i, 'school', v)"
        /><template v-else>{{ schoolOf(s) }},</template> {{ ' ' }}to eat
        <SentenceWord
          :model-value="s.due"
          :label="`when the ${of(s)?.name ?? 'sweet'} is eaten`"
          :shown="s.due || 'with the rest'"
          free
          hint="13:00, tomorrow 18:00; empty to serve it with the rest."
          :problem="wrong?.at === i ? wrong.text : undefined"
          after="."
          @update:model-value="(v) => set(i, { due: v })"
        />
      </p>
      <p v-if="told(i)" class="soft">
        <template v-if="told(i)!.late_min">
          <b class="late">{{ spanOf(told(i)!.late_min) }} late</b>, ready
          {{ clock(told(i)!.ready_s) }}
        </template>
        <template v-else>
          ready <b>{{ clock(told(i)!.ready_s) }}</b>, on time
          <b>{{ ofTwenty(told(i)!.chance) }}</b> times
        </template>
      </p>
      <p class="do">
        <SentenceWord
          :model-value="String(s.spare)"
          :label="`how much sooner the ${of(s)?.name ?? 'sweet'} is ready`"
          :shown="s.spare ? `${s.spare} min sooner` : 'sooner'"
          :choices="SPARES"
          @update:model-value="(v) => set(i, { spare: Number(v) })"
        />
        <RouterLink class="touch" :to="{ path: '/sweets', query: s.words }"
          >its sentence<span class="visually-hidden">: {{ of(s)?.name }}</span></RouterLink
        >
        <button
          type="button"
          class="touch"
          :aria-pressed="chosen === i"
          @click="emit('choose', chosen === i ? undefined : i)"
        >
          show it<span class="visually-hidden">: {{ of(s)?.name }}</span>
        </button>
        <button
          v-if="sweets.length > 1"
          type="button"
          class="touch"
          @click="
            emit(
              'change',
              sweets.filter((_, at) => at !== i),
            )
          "
        >
          leave it out<span class="visually-hidden">: {{ of(s)?.name }}</span>
        </button>
      </p>
    </li>
    <li class="more">
      <SentenceWord
        v-model="more"
        label="one more sweet"
        shown="and one more sweet"
        :choices="all"
        @kept="add(more)"
      />
    </li>
  </ul>
</template>

<style scoped>
.sweets {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 520px), 1fr));
  gap: 14px 44px;
}
.line {
  font: 400 21px/31px var(--words);
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  align-items: baseline;
}
.late {
  color: var(--madder);
}
.more {
  align-self: center;
  font: 400 21px/31px var(--words);
}
.chosen {
  border-left: 3px solid var(--cobalt);
  padding-left: 12px;
}
</style>
