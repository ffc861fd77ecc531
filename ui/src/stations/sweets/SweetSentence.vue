<script setup lang="ts">
import { computed } from 'vue'
import type { LarderOut, Standing, SweetChoices, SweetOut } from '@/api/client'
import OnToIt from '@/form/OnToIt.vue'
import SentenceWord, { type WordChoice } from '@/sentence/SentenceWord.vue'
import { isOver } from '@/api/standing'
import { kitchenMinute } from '@/shell/minute'
import { plain, shown } from '@/sentence/words'
import { weight } from '@/say'
import { baseName, pairs, takenTo, unpaired, untilEaten, type SweetWords } from './sweet'
import { beginBy, dayOf, moment, readServing } from './serving'

/** The sentence of a sweet, from what one wants or from what one has, and its answer. */
const props = defineProps<{
  choices: SweetChoices
  kitchen: LarderOut
  bases: Standing[]
  answer: SweetOut | undefined
  stale: boolean
  wrong: (field: string) => string | undefined
}>()
const words = defineModel<SweetWords>('words', { required: true })
const emit = defineEmits<{ keep: [change?: Partial<SweetWords>] }>()
const keep = (change?: Partial<SweetWords>) => emit('keep', change)
const f = computed(() => props.answer)

const sweet = computed(() => props.choices.sweets.find((s) => s.key === words.value.sweet))
const school = computed(
  () => sweet.value?.schools.find((s) => s.key === words.value.school) ?? sweet.value?.schools[0],
)
const sweets = computed<WordChoice[]>(() =>
  props.choices.sweets.map((s) => ({
    value: s.key,
    text: s.name,
    does: s.own ? 'your own' : s.about,
  })),
)
const schools = computed<WordChoice[]>(
  () => sweet.value?.schools.map((s) => ({ value: s.key, text: s.name, does: s.about })) ?? [],
)
const flavours = computed<WordChoice[]>(() => [
  { value: '', text: school.value?.usual_flavour ?? 'plain', does: 'as its school has it' },
  ...Object.entries(sweet.value?.flavours ?? {}).map(([value, text]) => ({ value, text })),
])
const fruits = computed<WordChoice[]>(() =>
  Object.entries(props.choices.fruits).map(([key, text], i) => ({ value: i ? key : '', text })),
)
const milks = computed<WordChoice[]>(() => [
  { value: '', text: 'its usual milk', does: f.value && !words.value.milk ? f.value.milk : '' },
  ...props.kitchen.milks.map((m) => ({ value: String(m.id), text: m.name })),
])
/** The milk that the answer was reckoned with: a cow's is not taken where coconut's belongs. */
const milkWord = computed(
  () =>
    f.value?.milk ?? (words.value.milk ? shown(milks.value, words.value.milk) : 'its usual milk'),
)
const taken = computed(() => f.value?.bases.find((b) => b.do === 'reduce' && !b.ready))
/** Whether any milk of the cook's goes in; hung curd and coconut need none. */
const milky = computed(() => Boolean(f.value?.rows.some((r) => r.name === f.value!.milk)))
/** Weighed batches that can stand for a base of this school. */
const fresh = computed<WordChoice[]>(() => {
  const found: WordChoice[] = [{ value: '', text: 'made fresh' }]
  for (const [letter, does] of Object.entries(school.value?.bases ?? {}))
    for (const b of props.bases.filter((x) => x.does.includes(does)))
      found.push({
        value: `${letter}=${b.ref}`,
        text: `${b.name}, ${weight(b.mass_kg)}`,
        does: `${isOver(b) ? 'its days in the fridge are over; ' : ''}as weighed, ${Math.round(b.total_solids * 100)} % solids, for the ${baseName(does)}`,
      })
  return found
})
const wants = computed(() =>
  plain(...new Set([sweet.value?.usual_want ?? '6', '12', '24', '500 g', '1 kg'])),
)
const wantWord = computed(() => {
  const n = Number(words.value.want)
  // “Make enough for 10 people of kalakand”
  const people = /^(?:for )?(.+ (?:people|persons?|guests|heads|of us))$/i.exec(words.value.want)
  if (people) return `enough for ${people[1]}`
  if (!Number.isFinite(n) || !sweet.value) return words.value.want || 'how many'
  // “16 sponge balls”, not “16 balls of sponge balls”
  return counted.value
    ? words.value.want
    : `${words.value.want} ${n === 1 ? sweet.value.one : sweet.value.many}`
})
/** Whether the sweet's own name says what it is counted in, and a bare number of them is asked for. */
const counted = computed(
  () =>
    Boolean(sweet.value?.name.endsWith(` ${sweet.value.many}`)) &&
    Number.isFinite(Number(words.value.want)),
)
const eachHint = computed(() =>
  sweet.value?.way === 'mould' ? 'What one mould holds: 70 ml.' : 'One piece: 12 g.',
)

/** What there is: rows of the "have" sentence. */
const have = computed(() => Object.entries(pairs(words.value.have)))
const whats = computed<WordChoice[]>(() => {
  const list: WordChoice[] = [{ value: 'milk', text: milkWord.value }]
  for (const [letter, does] of Object.entries(school.value?.bases ?? {}))
    list.push({ value: letter, text: baseName(does), does: 'made already' })
  const seen = new Set(['milk'])
  for (const r of f.value?.rows ?? [])
    if (
      !r.key.startsWith('milk') &&
      !r.key.startsWith('base:') &&
      r.key !== 'water' &&
      !seen.has(r.key)
    ) {
      seen.add(r.key)
      list.push({ value: r.key, text: r.name })
    }
  return list
})
function setHave(i: number, what: string, amount: string) {
  const rows = have.value.map(([w, a]) => [w, a] as const)
  rows[i] = [what, amount]
  keep({ have: unpaired(Object.fromEntries(rows.filter(([w, a]) => w && a.trim()))) })
}
function more() {
  const next = whats.value.find((w) => !have.value.some(([what]) => what === w.value))
  if (next) setHave(have.value.length, next.value, next.value === 'milk' ? '1 L' : '300 g')
}
const limit = computed(() => f.value?.limits.find((l) => l.limits))
const over = computed(() => f.value?.limits.filter((l) => !l.limits && l.left_kg > 0.004) ?? [])

function choose(key: string) {
  keep({
    want: props.choices.sweets.find((s) => s.key === key)?.usual_want ?? '6',
    weighed: '',
    finished: '',
    ticked: '',
    sweet: key,
    school: '',
    flavour: '',
    fruit: '',
    taken: '',
    base: '',
    change: '',
    window: '',
    each: '',
  })
}
function mode(from: 'want' | 'have') {
  const change: Partial<SweetWords> = { from }
  if (from === 'have' && !words.value.have) change.have = 'milk=2 L'
  keep(change)
}
const now = kitchenMinute
const eaten = computed(() => readServing(words.value.eat, now.value))
const eatenWord = computed(() => {
  if (!eaten.value) return words.value.eat || 'any time'
  return `${dayOf(eaten.value.at, now.value) ? '' : 'at '}${eaten.value.said}`
})
const noTime = computed(() =>
  words.value.eat.trim() && !eaten.value
    ? `“${words.value.eat}” is no time. Write 20:00, tomorrow 18:00, Saturday 19:30 or in 3 hours.`
    : undefined,
)
const begin = computed(() =>
  f.value && eaten.value ? beginBy(eaten.value.at, now.value, untilEaten(f.value)) : null,
)
const cold = computed(() =>
  f.value?.frozen && eaten.value
    ? beginBy(eaten.value.at, now.value, f.value.frozen.answer.freeze_s)
    : null,
)
const count = computed(() => f.value?.pieces.likely ?? 0)
</script>

<template>
  <section class="tray" aria-label="The plan">
    <p class="legend">
      <span class="soft">Build a sweet from:</span>
      <template v-for="m in ['want', 'have'] as const" :key="m">
        <b v-if="words.from === m">what I {{ m }}</b>
        <button v-else type="button" class="touch" @click="mode(m)">what I {{ m }}</button>
      </template>
      <RouterLink to="/sweets/own">a batch of mine</RouterLink>
    </p>
    <p class="sentence">
      <template v-if="words.from === 'want'">
        Make
        <SentenceWord
          v-model="words.want"
          label="how many, or how much"
          :shown="wantWord"
          free
          hint="24 pieces, a weight like 1.2 kg, or 600 ml."
          :choices="wants"
          :problem="wrong('want')"
          @kept="keep({ weighed: '', finished: '' })"
        />
        {{ counted ? ' ' : ' of ' }}
      </template>
      <template v-else>
        I have
        <template v-for="([what, amount], i) in have" :key="what">
          <template v-if="i">{{ i === have.length - 1 ? ' and ' : ', ' }}</template>
          <SentenceWord
            :model-value="amount"
            label="how much there is"
            :shown="amount"
            free
            hint="380 g, 1.1 L; empty to leave it out."
            :problem="wrong('have')"
            @update:model-value="(v) => setHave(i, what, v)"
          />
          of
          <SentenceWord
            :model-value="what"
            label="what there is"
            :shown="shown(whats, what)"
            :choices="whats"
            @update:model-value="(v) => setHave(i, v, amount)"
          />
        </template>
        {{ ' ' }}<button type="button" class="touch plus" @click="more">and more</button>. It is for
      </template>
      <template v-if="flavours.length > 1">
        <SentenceWord
          v-model="words.flavour"
          label="flavour"
          :shown="shown(flavours, words.flavour)"
          :choices="flavours"
          :problem="wrong('flavour')"
          @kept="keep()"
        />{{ ' ' }}
      </template>
      <SentenceWord
        :model-value="words.sweet"
        label="which sweet"
        :shown="sweet?.name ?? words.sweet"
        :choices="sweets"
        :problem="wrong('sweet')"
        @update:model-value="choose"
      />{{ ' ' }}
      <SentenceWord
        v-if="schools.length > 1"
        v-model="words.school"
        label="how it is made"
        :shown="school?.name ?? ''"
        :choices="schools"
        :problem="wrong('school')"
        @kept="keep({ taken: '', base: '', change: '', fruit: '', ticked: '' })"
      />
      <template v-else>{{ school?.name }}</template>
      <template v-if="school?.fruit"
        >:
        <SentenceWord
          v-model="words.fruit"
          label="which fruit"
          :shown="shown(fruits, words.fruit)"
          :choices="fruits"
          :problem="wrong('fruit')"
          @kept="keep({ change: '' })"
        /> </template
      >,
      <template v-if="f && f.piece_way !== 'slab'">
        <SentenceWord
          v-model="words.each"
          label="how large a piece"
          :shown="words.each || f.each_words"
          free
          :hint="eachHint"
          :problem="wrong('each')"
          @kept="keep()"
        />
        each,
      </template>
      <template v-else-if="f">
        in
        <SentenceWord
          v-model="words.tray"
          label="which tray"
          :shown="words.tray ? `a ${words.tray} tray` : 'a tray laid out to fit'"
          free
          hint="Its inside, like 30 x 20 cm; empty to lay it out."
          :choices="plain('20 x 20 cm', '30 x 20 cm')"
          :problem="wrong('tray')"
          @kept="keep()"
        />,
      </template>
      <template v-if="milky">
        from
        <SentenceWord
          v-model="words.milk"
          label="which milk"
          :shown="milkWord"
          :choices="milks"
          :problem="wrong('milk')"
          :after="taken ? '' : ','"
          @kept="keep()"
        />
        <template v-if="taken">
          taken
          <SentenceWord
            v-model="words.taken"
            label="how far the milk is taken"
            :shown="takenTo(taken.to, taken.unit)"
            free
            hint="half, a third, 30 % solids, or 1.9 times."
            :choices="plain('two thirds', 'half', 'a third')"
            :problem="wrong('taken')"
            after=","
            @kept="keep()"
          />
        </template>
      </template>
      <template v-if="fresh.length > 1">
        {{ ' ' }}
        <SentenceWord
          v-model="words.base"
          label="made fresh, or from a weighed batch"
          :shown="shown(fresh, words.base)"
          :choices="fresh"
          :problem="wrong('bases')"
          after=","
          @kept="keep()"
        />
      </template>
      to eat
      <SentenceWord
        v-model="words.eat"
        label="when it is eaten"
        :shown="eatenWord"
        free
        hint="20:00, tomorrow 18:00, Saturday 19:30, in 3 hours; empty for any."
        :choices="plain('18:00', '20:00', 'tomorrow 13:00', 'tomorrow 20:00')"
        :problem="noTime"
        after="."
        @kept="keep()"
      />
      <span v-if="f && !stale" class="told" aria-live="polite">
        <template v-if="words.from === 'want'">
          Start with
          <b>{{ f.lead.words }} of {{ f.lead.name === f.milk ? 'milk' : f.lead.name }}</b
          ><template v-if="f.lead.rest_kg > 0.004">
            ({{ weight(f.lead.rest_kg) }} stays over)</template
          >, for <b>{{ count }} {{ count === 1 ? f.one : f.many }}</b
          ><template v-if="f.pieces.low < f.pieces.high">
            ({{ f.pieces.low }}–{{ f.pieces.high }})</template
          ></template
        >
        <template v-else>
          It makes <b>{{ count }} {{ count === 1 ? f.one : f.many }}</b
          ><template v-if="f.pieces.low < f.pieces.high">
            ({{ f.pieces.low }}–{{ f.pieces.high }})</template
          >, {{ weight(f.finished.likely)
          }}<template v-if="limit && f.limits.length > 1"
            >; the {{ limit.name }} runs out first</template
          ><template v-for="l in over" :key="l.key"
            >, {{ weight(l.left_kg) }} of {{ l.name }} stays over</template
          ></template
        ><template v-if="begin?.late">; it is too late for that</template
        ><template v-else-if="begin && cold"
          >; begin by <b>{{ moment(begin.tight ? begin.likely : begin.sure, now) }}</b> and have the
          moulds in the freezer by
          <b>{{ moment(begin.tight ? cold.likely : cold.sure, now) }}</b><template
            v-if="begin.tight"
            >: at the slow end it is too late already</template
          ></template
        ><template v-else-if="begin"
          >, and begin by <b>{{ moment(begin.likely, now) }}</b><template v-if="begin.tight"
            >: at the slow end it is too late already</template
          ><template v-else>, to be sure by {{ moment(begin.sure, now) }}</template></template
        >.
      </span>
    </p>
    <p v-if="noTime" class="problem" role="alert">{{ noTime }}</p>
    <OnToIt verb="Begin it" />
  </section>
</template>

<style scoped>
.told b {
  font-weight: 700;
}
.plus {
  font-size: 19px;
}
.legend .touch {
  padding: 0;
  font-weight: 550;
}
@media (max-width: 599px) {
  .legend .soft {
    display: none;
  }
}
</style>
