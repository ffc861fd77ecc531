<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { weight } from '@/say'
import type { Done, Hand } from './rehearsal'

/** One thing that hands can do here: with its amount, or with its flames. */
const props = defineProps<{ hand: Hand; flame: number; busy: boolean }>()
const emit = defineEmits<{ do: [done: Done] }>()

const FLAMES = ['gentle', 'medium', 'strong'] as const
const amount = ref(props.hand.usual)
watch(
  () => props.hand.usual,
  (usual) => (amount.value = usual),
)
const step = computed(() =>
  props.hand.unit === 'pieces' ? 1 : props.hand.unit === 's' ? 5 : props.hand.usual / 4 || 0.01,
)
const change = (by: number) =>
  (amount.value = Math.min(
    props.hand.most,
    Math.max(step.value, Math.round((amount.value + by * step.value) * 1e4) / 1e4),
  ))
const said = computed(() => {
  const x = amount.value
  switch (props.hand.unit) {
    case 'kg':
      return weight(x)
    case 'l':
      return `${Math.round(x * 1000)} ml`
    case 's':
      return `${Math.round(x)} s`
    case 'pieces':
      return String(Math.round(x))
    default:
      return ''
  }
})
const tell = (more: Partial<Done> = {}) =>
  emit('do', {
    do: props.hand.do,
    of: 0,
    amount: props.hand.unit ? amount.value : null,
    flame: null,
    ...more,
  })
</script>

<template>
  <div v-if="hand.flames" class="flames" role="group" :aria-label="hand.says">
    <span class="soft">{{ hand.says.toLowerCase() }}</span>
    <button
      v-for="(f, i) in FLAMES"
      :key="f"
      type="button"
      class="plate line"
      :aria-pressed="flame === i + 1"
      :disabled="busy"
      @click="tell({ flame: f })"
    >
      {{ f }}
    </button>
  </div>
  <div v-else-if="hand.unit" class="amount">
    <button type="button" class="step" :aria-label="`less: ${hand.says}`" @click="change(-1)">
      −
    </button>
    <button type="button" class="plate line" :disabled="busy" @click="tell()">
      {{ hand.says }} <b>{{ said }}</b>
    </button>
    <button type="button" class="step" :aria-label="`more: ${hand.says}`" @click="change(1)">
      +
    </button>
  </div>
  <button
    v-else
    type="button"
    class="plate"
    :class="{ line: !hand.ends }"
    :disabled="busy"
    @click="tell()"
  >
    {{ hand.says }}
  </button>
</template>

<style scoped>
.plate {
  width: 100%;
  min-height: 46px;
  padding-inline: 8px;
  font-size: 16px;
  white-space: normal;
}
.flames,
.amount {
  display: flex;
  gap: 6px;
  align-items: center;
}
.flames .soft {
  flex: none;
  width: 46px;
}
.amount {
  align-items: stretch;
}
.flames [aria-pressed='true'] {
  background: var(--cobalt-wash);
  text-decoration: underline;
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
.step {
  flex: none;
  width: 40px;
  border-radius: var(--r-plate);
  border: 1.5px solid var(--ridge);
  font-size: 24px;
  line-height: 1;
  color: var(--cobalt);
}
@media (max-width: 900px) {
  .plate {
    min-height: 56px;
  }
  .step {
    width: 48px;
  }
}
</style>
