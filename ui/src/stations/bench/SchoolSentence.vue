<script setup lang="ts">
import { computed } from 'vue'
import type { LarderOut } from '@/api/client'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { LIDS, STIRRINGS, TO_BOIL, WETTINGS, WHEN_ADDED } from './choices'
import type { Words } from './plan'

/** How it is done: the schools that cooks differ in, and what enriches the milk. */
const props = defineProps<{ kitchen: LarderOut; wrong: (field: string) => string | undefined }>()
const words = defineModel<Words>('words', { required: true })
const emit = defineEmits<{ kept: [] }>()

const MOST = 3
const GROUPS = ['powder', 'cream', 'concentrate', 'cheese', 'khoya', 'starch']
const things = computed(() => [
  ...props.kitchen.ingredients
    .filter((i) => GROUPS.includes(i.material.group))
    .map((i) => ({ value: String(i.id), text: i.material.name, does: 'from your Larder' })),
  ...props.kitchen.enrichers.map((e) => ({ value: e.key, text: e.name })),
])
const shown = (list: { value: string; text: string }[], value: string) =>
  list.find((x) => x.value === value)?.text ?? value

function enrich(what: string, at: number) {
  if (what === '') words.value.add.splice(at, 1)
  else if (at < words.value.add.length) words.value.add[at]!.what = what
  else
    words.value.add.push({ what, amount: what === 'corn-starch' ? '10 g' : '30 g', when: 'start' })
  emit('kept') // the word itself may be gone with the choice
}
</script>

<template>
  <p class="sentence school">
    Bring it up on
    <SentenceWord
      v-model="words.boil"
      label="flame up to the first boil"
      :shown="shown(TO_BOIL, words.boil)"
      :choices="TO_BOIL"
      :problem="wrong('to_boil')"
      @kept="emit('kept')"
    />
    with
    <SentenceWord
      v-model="words.lid"
      label="lid up to the first boil"
      :shown="shown(LIDS, words.lid)"
      :choices="LIDS"
      @kept="emit('kept')"
    />
    in
    <SentenceWord
      v-model="words.wet"
      label="water in the pan first"
      :shown="shown(WETTINGS, words.wet)"
      :choices="WETTINGS"
      @kept="emit('kept')"
    />;
    <SentenceWord
      v-model="words.stir"
      label="how to stir"
      :shown="shown(STIRRINGS, words.stir)"
      :choices="STIRRINGS"
      :problem="wrong('stirring')"
      @kept="emit('kept')"
    />; enrich it with
    <template v-for="(a, i) in words.add" :key="i">
      <SentenceWord
        v-model="a.amount"
        label="how much of it"
        :shown="a.amount || 'how much'"
        free
        hint="30 g, 2 tbsp, ½ cup. A bare number is g."
        :problem="wrong('additions')"
        @kept="emit('kept')"
      />
      of
      <SentenceWord
        :model-value="a.what"
        label="what to enrich it with"
        :shown="shown(things, a.what)"
        :choices="[{ value: '', text: 'nothing' }, ...things]"
        @update:model-value="enrich($event, i)"
      />{{ ' ' }}
      <SentenceWord
        v-model="a.when"
        label="when it goes in"
        :shown="shown(WHEN_ADDED, a.when)"
        :choices="WHEN_ADDED"
        @kept="emit('kept')"
      />
      and
    </template>
    <SentenceWord
      v-if="words.add.length < MOST"
      model-value=""
      label="what else to enrich it with"
      :shown="words.add.length ? 'nothing more' : 'nothing'"
      :choices="things"
      @update:model-value="enrich($event, words.add.length)"
    /><template v-else>nothing more</template>.
  </p>
</template>

<style scoped>
.school {
  margin-top: 2px;
  font-size: 17px;
  line-height: 28px;
  color: var(--ink-soft);
}
@media (max-width: 900px) {
  .school {
    font-size: 16px;
    line-height: 29px;
  }
}
</style>
