<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { newKey } from '@/api/keys'
import FormField from '@/form/FormField.vue'
import { day, grams } from '@/say'
import { isOver, useBases } from '@/api/standing'

/** What stands weighed in the fridge and fits a base of this sweet: taken with one touch, as much as is needed, or a part. */
const { making, letter, does } = defineProps<{ making: number; letter: string; does: string }>()
const bases = useBases()
const queries = useQueryClient()
const fitting = computed(() =>
  (bases.data.value ?? []).filter((b) => b.does.includes(does) && !isOver(b)).slice(0, 3),
)
const parting = ref('')
const amount = ref('')
const taking = useMutation({
  mutationFn: ({ batch, amount }: { batch: string; amount: string }) =>
    unwrap(
      api.POST('/api/batches/{batch_id}/take', {
        params: { path: { batch_id: making } },
        body: { slot: letter, batch: Number(batch), amount, key: newKey() },
      }),
    ),
  onSuccess: () => (parting.value = amount.value = ''),
  onSettled: () => queries.invalidateQueries(),
})
</script>

<template>
  <span v-if="fitting.length" class="standing">
    <span v-for="b in fitting" :key="b.ref" class="one">
      <button
        type="button"
        class="touch"
        :disabled="taking.isPending.value"
        @click="taking.mutate({ batch: b.ref, amount: '' })"
      >
        Or take it from “{{ b.name }}”: {{ grams(b.mass_kg) }} of {{ day(b.weighed_at_s) }}
      </button>
      <button
        type="button"
        class="touch part"
        :aria-expanded="parting === b.ref"
        @click="parting = parting === b.ref ? '' : b.ref"
      >
        a part<span class="visually-hidden"> of {{ b.name }}</span>
      </button>
      <form
        v-if="parting === b.ref"
        @submit.prevent="amount.trim() && taking.mutate({ batch: b.ref, amount: amount.trim() })"
      >
        <FormField v-model="amount" label="How much of it" placeholder="200 g" words />
        <button type="submit" class="plate line" :disabled="taking.isPending.value">Take it</button>
      </form>
    </span>
    <span v-if="taking.error.value" class="problem" role="alert">{{
      taking.error.value.message
    }}</span>
  </span>
</template>

<style scoped>
.standing {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  font: 600 17px/24px var(--figures);
}
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.standing button.touch {
  text-align: left;
}
.part {
  font-weight: 450;
}
form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  flex-basis: 100%;
}
</style>
