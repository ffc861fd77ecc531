<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type LarderOut } from '@/api/client'
import { may } from '@/door/me'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { shown } from '@/sentence/words'
import { fitting, kitchenBody, potBody, readCup, readPot } from './first'

/**
 * A new kitchen is asked four things in one sentence; each can be left as it is, and says what it narrows. It stays until it
 * is put away, on this device.
 */
const props = defineProps<{ kitchen: LarderOut; milk: string }>()
const emit = defineEmits<{ milk: [id: string]; amount: [words: string] }>()
const client = useQueryClient()
const away = useStorage('mulvek-first-kitchen', false)
const asks = ref(false)
watch(
  () => props.kitchen.untouched,
  (untouched) => untouched && (asks.value = true),
  { immediate: true },
)
const pan = computed(() => props.kitchen.pans[0])
const burner = computed(() => props.kitchen.burners[0])
const pot = ref('')
const cup = ref('')
const wrong = ref<{ at: 'pot' | 'cup'; says: string } | null>(null)
const panSaid = computed(() => {
  const shape = pan.value?.shape as { diameter_m?: number; height_m?: number } | undefined
  return shape?.diameter_m && shape.height_m
    ? `${+(shape.diameter_m * 100).toFixed(1)} cm wide and ${+(shape.height_m * 100).toFixed(1)} cm high`
    : (pan.value?.name ?? 'a pan')
})
const kinds = computed(() =>
  props.kitchen.burner_kinds.map((k) => ({ value: k.key, text: k.name })),
)
const milks = computed(() =>
  props.kitchen.milks.map((m) => ({ value: String(m.id), text: m.name })),
)
const keep = useMutation({
  mutationFn: (send: () => Promise<unknown>) => send(),
  onSettled: () => client.invalidateQueries({ queryKey: ['larder'] }),
})
function keepPot() {
  if (!pot.value.trim()) return
  const found = readPot(pot.value)
  wrong.value = found
    ? null
    : { at: 'pot', says: `“${pot.value}” is no pot. Write its inside in cm, like 24 x 12.` }
  if (!found) return
  pot.value = ''
  const { id, version } = pan.value!
  const body = { ...potBody(pan.value!, found), version: version! }
  keep.mutate(() =>
    unwrap(api.PUT('/api/larder/pans/{id}', { params: { path: { id: id! } }, body })),
  )
  emit('amount', fitting(found))
}
function keepCup() {
  if (!cup.value.trim()) return
  const ml = readCup(cup.value)
  wrong.value = ml
    ? null
    : { at: 'cup', says: `“${cup.value}” is no cup. Write what it holds, like 240 ml.` }
  if (!ml) return
  cup.value = ''
  const body = kitchenBody(props.kitchen.kitchen, ml)
  keep.mutate(() => unwrap(api.PUT('/api/larder/kitchen', { body })))
}
function keepBurner(kind: string) {
  const { id, version, name, strength } = burner.value!
  const body = { name, kind: kind as 'lpg-large', strength, ln_sd: null, version: version! }
  keep.mutate(() =>
    unwrap(api.PUT('/api/larder/burners/{id}', { params: { path: { id: id! } }, body })),
  )
}
</script>

<template>
  <section v-if="asks && !away && may('keep')" class="tray first" aria-label="Your kitchen">
    <p class="legend"><b>Your kitchen, in one sentence</b></p>
    <p class="sentence">
      I cook in a pan
      <SentenceWord
        v-model="pot"
        label="the pan, by two measures inside"
        :shown="panSaid"
        free
        hint="Width and height inside, in cm: 24 x 12."
        :problem="wrong?.at === 'pot' ? wrong.says : undefined"
        after=","
        @kept="keepPot"
      />
      my cup holds
      <SentenceWord
        v-model="cup"
        label="what my cup holds"
        :shown="`${Math.round(kitchen.kitchen.cup_ml)} ml`"
        free
        hint="Fill it with water and weigh that: 1 g is 1 ml."
        :problem="wrong?.at === 'cup' ? wrong.says : undefined"
        after=","
        @kept="keepCup"
      />
      the fire is
      <SentenceWord
        :model-value="burner?.kind ?? ''"
        label="what I cook on"
        :shown="shown(kinds, burner?.kind ?? '')"
        :choices="kinds"
        after=","
        @update:model-value="keepBurner"
      />
      and the milk
      <SentenceWord
        :model-value="milk"
        label="which milk I have"
        :shown="shown(milks, milk)"
        :choices="milks"
        after="."
        @update:model-value="(id) => emit('milk', id)"
      />
    </p>
    <p v-if="wrong || keep.error.value" class="problem" role="alert">
      {{ wrong?.says ?? keep.error.value?.message }}
    </p>
    <ul>
      <li><b>The pan</b> says how deep the milk stands, and most of the minutes.</li>
      <li><b>The cup</b> lets you pour instead of weighing.</li>
      <li>
        <b>The fire</b> sets how fast water leaves: time a litre of water in the
        <RouterLink to="/larder">Larder</RouterLink> and the minutes narrow.
      </li>
      <li><b>The milk</b> says when it is thick enough; its own label is better still.</li>
    </ul>
    <p class="buttons">
      <button type="button" class="plate" @click="away = true">That is my kitchen</button>
      <button type="button" class="touch" @click="away = true">Not now</button>
    </p>
  </section>
</template>

<style scoped>
.first {
  margin-bottom: 16px;
}
ul {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 34px;
  margin-top: 12px;
  font-size: 16px;
  line-height: 22px;
}
.buttons {
  display: flex;
  gap: 20px;
  align-items: center;
  margin-top: 14px;
}
@media (max-width: 900px) {
  ul {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
