<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import type { components } from '@/api/schema'
import { LONGEST_WORDS } from '@/api/shared'
import { weight } from '@/say'

/** From the wish back: how much milk gives so much chhena, as the plan has it. */
const props = defineProps<{ plan: components['schemas']['CurdleIn'] }>()
const emit = defineEmits<{ take: [words: { amount: string; rinse?: string; piece?: string }] }>()
const want = ref('')
const wish = useMutation({
  mutationFn: () =>
    unwrap(api.POST('/api/bench/curdle-wish', { body: { plan: props.plan, want: want.value } })),
})
watch(
  () => JSON.stringify(props.plan),
  () => wish.reset(),
)
function take() {
  const { amount, rinse, piece } = wish.data.value!
  emit('take', { amount, ...(rinse && { rinse }), ...(piece && { piece }) })
}
</script>

<template>
  <form class="want" @submit.prevent="want.trim() && wish.mutate()">
    <label for="want" class="words">I want</label>
    <NInput
      v-model:value="want"
      placeholder="30 balls of 12 g, 400 g"
      :maxlength="LONGEST_WORDS"
      :input-props="{ id: 'want', autocomplete: 'off' }"
    />
    <button type="submit" class="plate line">How much milk?</button>
    <p v-if="wish.error.value" class="problem" role="alert">{{ wish.error.value.message }}</p>
    <p v-else-if="wish.data.value" aria-live="polite">
      {{ wish.data.value.want }}: take <b>{{ wish.data.value.amount }}</b> of milk, for
      {{ weight(wish.data.value.curd_kg) }} of chhena.
      <button type="button" class="touch" @click="take">Plan with it</button>
    </p>
  </form>
</template>

<style scoped>
.want {
  display: grid;
  grid-template-columns: max-content 260px max-content;
  gap: 8px 12px;
  align-items: center;
  margin-top: 14px;
}
.want label {
  font-size: 20px;
  font-weight: 600;
}
.want p {
  grid-column: 1 / -1;
  font-size: 17px;
}
@media (max-width: 900px) {
  .want {
    grid-template-columns: max-content minmax(0, 1fr);
  }
  .want .plate {
    grid-column: 1 / -1;
  }
}
</style>
