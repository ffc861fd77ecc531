<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { newKey } from '@/api/keys'
import { day, grams } from '@/say'
import { isOver, useBases } from '@/api/standing'

/** What stands weighed in the fridge and fits a base of this sweet: taken with one touch. */
const { making, letter, does } = defineProps<{ making: number; letter: string; does: string }>()
const bases = useBases()
const queries = useQueryClient()
const fitting = computed(() =>
  (bases.data.value ?? []).filter((b) => b.does.includes(does) && !isOver(b)).slice(0, 3),
)
const taking = useMutation({
  mutationFn: (batch: number) =>
    unwrap(
      api.POST('/api/batches/{batch_id}/take', {
        params: { path: { batch_id: making } },
        body: { slot: letter, batch, amount: '', key: newKey() },
      }),
    ),
  onSettled: () => queries.invalidateQueries(),
})
</script>

<template>
  <span v-if="fitting.length" class="standing">
    <button
      v-for="b in fitting"
      :key="b.ref"
      type="button"
      class="touch"
      :disabled="taking.isPending.value"
      @click="taking.mutate(Number(b.ref))"
    >
      Or take it from “{{ b.name }}”: {{ grams(b.mass_kg) }} of {{ day(b.weighed_at_s) }}
    </button>
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
.standing button {
  text-align: left;
}
</style>
