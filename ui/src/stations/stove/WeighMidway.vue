<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { grams, listed } from '@/say'

/** What cooks down to a weight is weighed midway: how long it still takes is told by that. */
const props = defineProps<{
  stopKg: number
  /** Of what is in it at the end, so much goes in on the way. */
  lateKg: number
  /** Its names. */
  lateOf: string[]
  /** That goes in late in the cooking: it is held to be in from here on. */
  late: boolean
  pan: { name: string; mass_kg: number } | undefined
}>()
const emit = defineEmits<{ weigh: [kg: number, lateIn: boolean] }>()
const typed = ref('')
const withPan = ref(true)
const lateIn = ref(props.late)
const wrong = ref('')
watch(
  () => props.late,
  (late) => (lateIn.value = late),
)
const tare = computed(() => (withPan.value && props.pan ? props.pan.mass_kg : 0))
function weigh() {
  const kg = figure(typed.value) / 1000 - tare.value
  wrong.value = ''
  if (!(figure(typed.value) > 0))
    wrong.value = `“${typed.value}” is no figure. Type just the number, like 850.`
  else if (!(kg > 0))
    wrong.value = `${props.pan!.name} alone weighs ${grams(tare.value)}. Was it on the scale?`
  if (wrong.value) return
  emit('weigh', kg, lateIn.value || !(props.lateKg > 0))
  typed.value = ''
}
</script>

<template>
  <form class="midway" @submit.prevent="weigh">
    <FormField v-model="typed" label="It weighs now, g" />
    <button type="submit" class="plate line">How long still?</button>
    <label v-if="pan"
      ><input v-model="withPan" type="checkbox" /> with {{ pan.name }} on the scale ({{
        grams(pan.mass_kg)
      }})</label
    >
    <label v-if="lateKg > 0"
      ><input v-model="lateIn" type="checkbox" /> {{ listed(lateOf) }}
      {{ lateOf.length > 1 ? 'are' : 'is' }} in ({{ grams(lateKg) }})</label
    >
    <p v-if="wrong" class="problem" role="alert">{{ wrong }}</p>
  </form>
</template>

<style scoped>
.midway {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  margin-top: 10px;
  max-width: 560px;
}
.midway :deep(.field) {
  grid-template-columns: max-content 110px;
}
label:has(input[type='checkbox']) {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 40px;
  font-size: 16px;
}
input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--cobalt);
}
@media (max-width: 900px) {
  label:has(input[type='checkbox']),
  .plate {
    min-height: 56px;
  }
}
</style>
