<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type SweetIn, type SweetOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'

/** At the last minute: sweeter, too thick or too thin, too few moulds. */
const props = defineProps<{ plan: SweetIn; answer: SweetOut }>()
const kind = ref('sweeter')
const to = ref('')
const mass = ref('')
const water = ref('')
const kinds = computed(() => [
  { value: 'sweeter', text: 'sweeter' },
  { value: 'moisture', text: 'too thick or thin' },
  ...(props.answer.frozen ? [{ value: 'moulds', text: 'too few moulds' }] : []),
])
const LABELS: Record<string, string> = {
  sweeter: 'To % added sugar',
  moisture: 'To % water',
  moulds: 'Moulds there are',
}
const sugar = computed(
  () => (props.answer.levels.find((l) => l.key === 'sugar')?.share.likely ?? 0) * 100,
)
watch([kind, () => props.answer.key], () => {
  const wet = props.answer.levels.find((l) => l.key === 'water')?.share.likely
  to.value =
    kind.value === 'sweeter'
      ? (sugar.value + 3).toFixed(0)
      : kind.value === 'moisture'
        ? ((wet ?? 0.6) * 100).toFixed(0)
        : '12'
  asked.reset()
})
const asked = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/sweets/late', {
        body: {
          plan: props.plan,
          kind: kind.value as 'sweeter',
          to: figure(to.value) || 0,
          mass: mass.value,
          water: water.value.trim() ? figure(water.value) || 0 : null,
        },
      }),
    ),
})
to.value = (sugar.value + 3).toFixed(0)
</script>

<template>
  <section class="late" aria-label="At the last minute">
    <h2 class="heading">At the last minute</h2>
    <form @submit.prevent="asked.mutate()">
      <ChoiceRow v-model="kind" :choices="kinds" />
      <FormField v-model="to" :label="LABELS[kind]!" />
      <template v-if="kind !== 'moulds'">
        <FormField v-model="mass" label="In the pan now" words placeholder="as planned, or 850 g" />
        <FormField v-if="kind === 'moisture'" v-model="water" label="% water now" />
      </template>
      <button type="submit" class="plate line">What to do?</button>
    </form>
    <div v-if="asked.data.value" role="status" class="told">
      <p class="answer">
        <b>{{ asked.data.value.words }}</b>
      </p>
      <p>{{ asked.data.value.detail }}</p>
    </div>
    <p v-if="asked.error.value" class="problem" role="alert">{{ asked.error.value.message }}</p>
  </section>
</template>

<style scoped>
form {
  max-width: 520px;
  display: grid;
  gap: 8px;
  margin-top: 4px;
  justify-items: stretch;
}
.told {
  margin-top: 8px;
}
.plate {
  justify-self: start;
}
</style>
