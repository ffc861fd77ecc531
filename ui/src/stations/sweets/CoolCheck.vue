<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type SweetIn, type SweetOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'

/** Does this pot cool from 60 to 21 to 5 °C in time? */
const props = defineProps<{ plan: SweetIn; answer: SweetOut }>()
const wide = ref('22')
const dishes = ref('1')
const way = ref('stirred-ice')
const WAYS = ['stirred-ice', 'ice', 'fridge', 'room'].map((value) => ({
  value,
  text: value.replace('-', ' '),
}))
const check = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/sweets/cool', {
        body: {
          plan: props.plan,
          wide_cm: figure(wide.value) || 0,
          way: way.value as 'ice',
          dishes: Math.round(figure(dishes.value)) || 1,
        },
      }),
    ),
})
watch([() => props.plan, wide, way, dishes], () => check.reset())
const found = computed(() => check.data.value)
</script>

<template>
  <details>
    <summary>Does my pot cool in time?</summary>
    <form @submit.prevent="check.mutate()">
      <ChoiceRow v-model="way" label="It stands in" :choices="WAYS" />
      <FormField v-model="wide" label="Pot, cm across" />
      <FormField v-model="dishes" label="Shared over dishes" />
      <button type="submit" class="plate line">Check it</button>
      <p v-if="found" role="status" :class="found.check.passes ? 'leaf' : 'problem'">
        {{ found.words }}
      </p>
      <p v-if="check.error.value" class="problem" role="alert">{{ check.error.value.message }}</p>
    </form>
  </details>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
  margin: 8px 0;
}
summary {
  color: var(--cobalt);
  font-weight: 550;
  cursor: pointer;
}
.leaf {
  color: var(--leaf);
  font-weight: 600;
}
</style>
