<script setup lang="ts">
import { keepPreviousData, useMutation, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { NInput } from 'naive-ui'
import { computed, reactive } from 'vue'
import { api, unwrap, type LarderOut, type PanIn } from '@/api/client'
import PanMini from '@/pan/PanMini.vue'
import { volume } from '@/say'

defineProps<{ materials: LarderOut['pan_materials'] }>()
const emit = defineEmits<{ done: [] }>()

type Kind = 'straight' | 'flared' | 'kadhai'
const KINDS: { value: Kind; text: string; measures: [string, string][] }[] = [
  {
    value: 'straight',
    text: 'straight walls',
    measures: [
      ['diameter_m', 'Width inside, cm'],
      ['height_m', 'Height inside, cm'],
    ],
  },
  {
    value: 'flared',
    text: 'walls that widen',
    measures: [
      ['base_diameter_m', 'Width of the base, cm'],
      ['top_diameter_m', 'Width at the top, cm'],
      ['height_m', 'Height inside, cm'],
    ],
  },
  {
    value: 'kadhai',
    text: 'round bottom',
    measures: [
      ['rim_diameter_m', 'Width where the round ends, cm'],
      ['bowl_depth_m', 'Depth of the round, cm'],
      ['top_diameter_m', 'Width at the top, cm'],
      ['wall_height_m', 'Height of the wall above, cm'],
      ['flat_diameter_m', 'Width of the flat patch, cm'],
    ],
  },
]
const pan = reactive({
  name: '',
  kind: 'straight' as Kind,
  material: 'stainless-sandwich',
  mass: '1.2',
})
const typed = reactive<Record<string, string>>({})
const measures = computed(() => KINDS.find((k) => k.value === pan.kind)!.measures)
const number = (text: string | undefined) => Number((text ?? '').replace(',', '.').trim() || 0)
const body = computed<PanIn>(() => ({
  name: pan.name.trim() || 'the new pan',
  shape: {
    kind: pan.kind,
    ...Object.fromEntries(measures.value.map(([key]) => [key, number(typed[key]) / 100])),
  } as unknown as PanIn['shape'],
  material: pan.material as PanIn['material'],
  mass_kg: number(pan.mass),
}))
const settled = refDebounced(
  computed(() => JSON.stringify(body.value)),
  200,
)
const drawing = useQuery({
  queryKey: ['drawing', settled],
  queryFn: () => unwrap(api.POST('/api/larder/pan-drawings', { body: JSON.parse(settled.value) })),
  enabled: computed(() => measures.value.slice(0, 2).every(([key]) => number(typed[key]) > 0)),
  placeholderData: keepPreviousData,
  retry: false,
})
const add = useMutation({
  mutationFn: () => unwrap(api.POST('/api/larder/pans', { body: body.value })),
  onSuccess: () => emit('done'),
})
const problem = computed(() => add.error.value ?? drawing.error.value)
</script>

<template>
  <div class="tray" role="dialog" aria-label="Add a pan">
    <form @submit.prevent="add.mutate()">
      <h2 class="heading">Add a pan</h2>
      <p class="kinds">
        <button
          v-for="k in KINDS"
          :key="k.value"
          type="button"
          class="touch"
          :aria-pressed="pan.kind === k.value"
          @click="pan.kind = k.value"
        >
          {{ k.text }}
        </button>
      </p>
      <label
        >Call it
        <NInput
          v-model:value="pan.name"
          :maxlength="60"
          placeholder="the wide pan"
          :input-props="{ 'aria-label': 'Call it' }"
      /></label>
      <label v-for="[key, text] in measures" :key="key"
        >{{ text }}
        <NInput
          placeholder=""
          :value="typed[key] ?? ''"
          :input-props="{ inputmode: 'decimal', 'aria-label': text }"
          @update:value="typed[key] = $event"
      /></label>
      <label
        >Empty weight, kg
        <NInput
          v-model:value="pan.mass"
          placeholder=""
          :input-props="{ inputmode: 'decimal', 'aria-label': 'Empty weight, kg' }"
      /></label>
      <label
        >Made of
        <select v-model="pan.material">
          <option v-for="m in materials" :key="m.key" :value="m.key">{{ m.name }}</option>
        </select></label
      >
      <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
      <div v-else-if="drawing.data.value" class="drawn">
        <PanMini :pan="drawing.data.value" />
        <p>holds {{ volume(drawing.data.value.capacity_m3) }} to the brim</p>
      </div>
      <button type="submit" class="plate" :disabled="!pan.name.trim()">Hang it up</button>
    </form>
  </div>
</template>

<style scoped src="./form.css"></style>
