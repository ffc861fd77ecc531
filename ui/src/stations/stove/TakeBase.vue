<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { newKey } from '@/api/keys'
import { day, grams } from '@/say'
import type { Standing } from '@/api/client'
import { isOver, useBases } from '@/api/standing'
import { firstPart, type Bowl } from './part'
import PartSlide from './PartSlide.vue'

/** What stands weighed in the fridge and fits a base of this sweet: taken with one touch, as much as is needed, or a part. */
const { making, letter, does, needs } = defineProps<{
  making: number
  letter: string
  does: string
  /** kg of it that are told to go in. */
  needs: number
}>()
const bases = useBases()
const queries = useQueryClient()
const fitting = computed(() =>
  (bases.data.value ?? []).filter((b) => b.does.includes(does) && !isOver(b)).slice(0, 3),
)
const parting = ref('')
const amount = ref('')
const bowl = (b: Standing): Bowl => ({ holds: b.mass_kg * 1000, needs: needs * 1000 })
function part(b: Standing) {
  parting.value = parting.value === b.ref ? '' : b.ref
  amount.value = parting.value ? `${firstPart(bowl(b))} g` : ''
}
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
      <button type="button" class="touch part" :aria-expanded="parting === b.ref" @click="part(b)">
        a part<span class="visually-hidden"> of {{ b.name }}</span>
      </button>
      <PartSlide
        v-if="parting === b.ref"
        v-model="amount"
        :bowl="bowl(b)"
        :name="b.name"
        :busy="taking.isPending.value"
        @take="amount.trim() && taking.mutate({ batch: b.ref, amount: amount.trim() })"
      />
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
</style>
