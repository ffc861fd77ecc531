<script setup lang="ts">
import { LONGEST_WORDS } from '@/api/shared'
import { useMutation } from '@tanstack/vue-query'
import { NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type ReduceIn } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import { money, volume, weight } from '@/say'

/** Two questions around the plan: from the wish back, and how to mend what went too far or not far enough. */
const props = defineProps<{ plan: ReduceIn }>()
const emit = defineEmits<{ take: [amount: string, sugar: string] }>()

const larder = useLarder()
const currency = computed(() => larder.data.value?.kitchen.currency ?? 'INR')
const want = ref('')
const now = ref('')
const wish = useMutation({
  mutationFn: () =>
    unwrap(api.POST('/api/bench/wish', { body: { plan: props.plan, want: want.value } })),
})
const mend = useMutation({
  mutationFn: () =>
    unwrap(api.POST('/api/bench/mend', { body: { plan: props.plan, now: now.value } })),
})
watch(
  () => JSON.stringify(props.plan),
  () => {
    wish.reset()
    mend.reset()
  },
)
</script>

<template>
  <section class="tray ask" aria-label="From the wish back, and mending">
    <p class="legend"><b>Ask</b></p>
    <form @submit.prevent="want.trim() && wish.mutate()">
      <label for="want" class="words">I want</label>
      <NInput
        v-model:value="want"
        placeholder="600 g, 20 cups, 500 ml"
        :maxlength="LONGEST_WORDS"
        :input-props="{ id: 'want', autocomplete: 'off' }"
      />
      <button type="submit" class="plate line">How much milk?</button>
      <p v-if="wish.error.value" class="problem" role="alert">{{ wish.error.value.message }}</p>
      <p v-else-if="wish.data.value" class="said" aria-live="polite">
        Take <b>{{ wish.data.value.amount }}</b> of milk ({{ wish.data.value.measures }})<template
          v-if="wish.data.value.sugar"
        >
          and {{ wish.data.value.sugar }} of sugar</template
        >: {{ weight(wish.data.value.served_kg) }}, {{ volume(wish.data.value.served_m3) }} of it.
        <template v-if="wish.data.value.packs">
          Buy <b>{{ wish.data.value.packs }}</b>{{ wish.data.value.packs === 1 ? ' pack' : ' packs'
          }}<template v-if="(wish.data.value.left_over_m3 ?? 0) > 5e-6"
            >, {{ volume(wish.data.value.left_over_m3!) }} left over</template
          ><template v-if="wish.data.value.cost">
            (the milk in it costs {{ money(wish.data.value.cost, currency) }})</template
          >.
        </template>
        <button
          type="button"
          class="touch"
          @click="emit('take', wish.data.value.amount, wish.data.value.sugar)"
        >
          Plan with it
        </button>
      </p>
    </form>
    <form @submit.prevent="now.trim() && mend.mutate()">
      <label for="now" class="words">It stands at</label>
      <NInput
        v-model:value="now"
        placeholder="700 g, 3.6 cm, spoonable cold"
        :maxlength="LONGEST_WORDS"
        :input-props="{ id: 'now', autocomplete: 'off' }"
      />
      <button type="submit" class="plate line">How to mend it?</button>
      <p v-if="mend.error.value" class="problem" role="alert">{{ mend.error.value.message }}</p>
      <p v-else-if="mend.data.value" class="said" aria-live="polite">
        <b>{{ mend.data.value.words }}</b>
        <template v-if="mend.data.value.mending.milk_kg.likely > 5e-4">
          Boil it up for a minute if it is to keep.
        </template>
      </p>
    </form>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 40px;
}
form {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr) max-content;
  gap: 8px 12px;
  align-items: center;
}
label {
  font-size: 20px;
  font-weight: 600;
}
.said,
.problem {
  grid-column: 1 / -1;
  font-size: 17px;
  line-height: 24px;
}
@media (max-width: 900px) {
  .ask {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  form {
    grid-template-columns: max-content minmax(0, 1fr);
  }
  .plate {
    grid-column: 1 / -1;
  }
}
</style>
