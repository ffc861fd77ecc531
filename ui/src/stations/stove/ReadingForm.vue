<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import type { EventIn } from '@/api/client'
import { useLog, type LiveBatch } from '@/api/kitchen'

/** Type a reading, or what the batch gave. What was typed stays until it is taken. */
const props = defineProps<{ batch: LiveBatch; purpose: 'reading' | 'weighed' }>()
const emit = defineEmits<{ done: [] }>()

const HOW = [
  { value: 'depth', text: 'depth, cm', per: 0.01 },
  { value: 'weight', text: 'weight, g', per: 0.001 },
  { value: 'volume', text: 'volume, ml', per: 1e-6 },
  { value: 'temperature', text: 'temperature, °C', per: 1 },
  { value: 'brix', text: '°Brix, cooled', per: 1 },
] as const
const ADVICE = {
  depth: 'Fifteen seconds off the flame, the stick upright at the deepest point.',
  weight:
    'Off the flame, the pan dry below; its own weight is taken off when it stands on the scale.',
  volume: 'Poured into a jug and back; off the boil.',
  temperature: 'In the middle, boiling. It tells little before the milk is quite thick.',
  brix: 'A drop cooled to room warmth. A hot drop reads low.',
}
const how = ref<(typeof HOW)[number]['value']>(props.purpose === 'weighed' ? 'weight' : 'depth')
const typed = ref('')
const withPan = ref(false)
const local = ref('')
const field = ref<InstanceType<typeof NInput>>()
onMounted(() => setTimeout(() => field.value?.focus(), 60))

const log = useLog()
const unlikely = computed(() => log.error.value?.fields[0]?.code === 'unlikely')

function send(sure = false) {
  const number = Number(typed.value.replace(',', '.').trim())
  if (!(number > 0)) {
    local.value = `“${typed.value}” is no number. Type just the figure, like 5.2.`
    return
  }
  local.value = ''
  const tare = how.value === 'weight' && withPan.value ? props.batch.pan.mass_kg : 0
  const value = number * HOW.find((h) => h.value === how.value)!.per - tare
  if (!(value > 0)) {
    local.value = 'That is less than the pan alone weighs.'
    return
  }
  const event: EventIn =
    props.purpose === 'weighed'
      ? { kind: 'weighed', mass_kg: value }
      : { kind: 'reading', how: how.value, value, sure }
  log.mutate({ id: props.batch.id, event }, { onSuccess: () => emit('done') })
}
</script>

<template>
  <div
    class="tray dialog"
    role="dialog"
    :aria-label="purpose === 'weighed' ? 'Weigh it' : 'A reading'"
  >
    <form @submit.prevent="send()">
      <h2 class="heading">
        {{ purpose === 'weighed' ? 'What did it give?' : 'What do you read?' }}
      </h2>
      <div v-if="purpose === 'reading'" class="how" role="group" aria-label="What kind of reading">
        <button
          v-for="h in HOW"
          :key="h.value"
          type="button"
          class="touch"
          :aria-pressed="how === h.value"
          @click="how = h.value"
        >
          {{ h.text }}
        </button>
      </div>
      <NInput
        ref="field"
        v-model:value="typed"
        placeholder=""
        size="large"
        :input-props="{
          inputmode: 'decimal',
          'aria-label':
            purpose === 'weighed' ? 'weight, g' : HOW.find((h) => h.value === how)!.text,
          autocomplete: 'off',
        }"
      />
      <label v-if="how === 'weight'" class="tare"
        ><input v-model="withPan" type="checkbox" /> with {{ batch.pan.name }} on the scale ({{
          Math.round(batch.pan.mass_kg * 1000)
        }}
        g)</label
      >
      <p class="soft">
        {{ purpose === 'weighed' ? 'Grams, as scraped into its bowl.' : ADVICE[how] }}
      </p>
      <p v-if="local || log.error.value" class="problem" role="alert">
        {{ local || log.error.value?.message }}
      </p>
      <p class="buttons">
        <button type="submit" class="plate" :disabled="log.isPending.value">
          {{ purpose === 'weighed' ? 'Keep it' : 'Log it' }}
        </button>
        <button v-if="unlikely" type="button" class="plate line" @click="send(true)">
          I am sure
        </button>
        <button type="button" class="plate line" @click="emit('done')">Not now</button>
      </p>
    </form>
  </div>
</template>

<style scoped>
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  margin: 4px 0;
}
.how [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
.tare {
  display: block;
  margin-top: 8px;
}
.soft,
.problem {
  margin-top: 8px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 16px;
}
</style>
