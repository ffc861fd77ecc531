<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive } from 'vue'
import { api, unwrap, type LarderOut, type PanIn, type PanOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { figure, said } from '@/form/numbers'
import PanMini from '@/pan/PanMini.vue'
import { volume } from '@/say'
import { useEditing } from './editing'

type Kept = PanOut & { id: number }

/** A pan by its inside measures, or fitted to water poured in. */
const props = defineProps<{ pan?: Kept; materials: LarderOut['pan_materials'] }>()
const emit = defineEmits<{ done: [] }>()

const KINDS = [
  { value: 'straight', text: 'straight walls' },
  { value: 'flared', text: 'walls that widen' },
  { value: 'kadhai', text: 'round bottom' },
  { value: 'measured', text: 'fit it by pouring' },
]
const MEASURES: Record<string, [string, string][]> = {
  straight: [
    ['diameter_m', 'Width inside, cm'],
    ['height_m', 'Height inside, cm'],
  ],
  flared: [
    ['base_diameter_m', 'Width of the base, cm'],
    ['top_diameter_m', 'Width at the top, cm'],
    ['height_m', 'Height inside, cm'],
  ],
  kadhai: [
    ['rim_diameter_m', 'Width where the round ends, cm'],
    ['bowl_depth_m', 'Depth of the round, cm'],
    ['top_diameter_m', 'Width at the top, cm'],
    ['wall_height_m', 'Height of the wall above, cm'],
    ['flat_diameter_m', 'Width of the flat patch, cm'],
  ],
  measured: [['height_m', 'Height inside, up to the rim, cm']],
}
const cmOf = (metres: unknown) => (metres ? said(Math.round(Number(metres) * 1e4) / 100) : '')
const typed = (p?: Kept) => {
  const shape = (p?.shape ?? {}) as Record<string, unknown>
  const poured = (shape.pairs ?? []) as [number, number][]
  return {
    name: p?.name ?? '',
    kind: p?.kind ?? 'straight',
    material: p?.material ?? 'stainless-sandwich',
    mass: said(p?.mass_kg ?? 1.2),
    lengths: Object.fromEntries(Object.entries(shape).map(([k, v]) => [k, cmOf(v)])),
    pairs: [...poured.map(([d, v]) => [said(Math.round(v * 1e6)), cmOf(d)]), ['', '']],
  }
}
const form = reactive(typed(props.pan))
const measures = computed(() => MEASURES[form.kind]!)

/** A row of its own to pour once more, as long as the last one is filled. */
function pour() {
  if (form.pairs.at(-1)!.every((text) => text.trim() !== '') && form.pairs.length < 20)
    form.pairs.push(['', ''])
}
const body = computed<PanIn>(() => {
  const lengths = Object.fromEntries(
    measures.value.map(([key]) => [key, (figure(form.lengths[key]) || 0) / 100]),
  )
  const pairs = form.pairs
    .map(([ml, depth]) => ({ volume_m3: figure(ml) * 1e-6, depth_m: figure(depth) / 100 }))
    .filter((p) => p.volume_m3 > 0 && p.depth_m > 0)
  return {
    name: form.name.trim() || 'the new pan',
    shape: { kind: form.kind, ...lengths, ...(form.kind === 'measured' && { pairs }) } as never,
    material: form.material as PanIn['material'],
    mass_kg: figure(form.mass) || 0,
  }
})
const settled = refDebounced(
  computed(() => JSON.stringify(body.value)),
  200,
)
const drawing = useQuery({
  queryKey: ['drawing', settled],
  queryFn: () => unwrap(api.POST('/api/larder/pan-drawings', { body: JSON.parse(settled.value) })),
  enabled: computed(() =>
    form.kind === 'measured'
      ? form.pairs.length > 2 && figure(form.lengths.height_m) > 0
      : measures.value.slice(0, 2).every(([key]) => figure(form.lengths[key]) > 0),
  ),
  placeholderData: keepPreviousData,
  retry: false,
})
/** How far a pour lies from the wall that was fitted, m. */
const misfit = computed(() => Math.max(0, ...(drawing.data.value?.off_m ?? []).map(Math.abs)))
const edit = useEditing(
  () => props.pan,
  {
    keep: (version) =>
      props.pan
        ? api.PUT('/api/larder/pans/{id}', {
            params: { path: { id: props.pan.id } },
            body: { ...body.value, version },
          })
        : api.POST('/api/larder/pans', { body: body.value }),
    remove: (version) =>
      api.DELETE('/api/larder/pans/{id}', {
        params: { path: { id: props.pan!.id }, query: { version } },
      }),
  },
  () => emit('done'),
)
function take() {
  Object.assign(form, typed(props.pan))
  edit.accept()
}
const theirs = computed(() => {
  const now = edit.theirs.value
  return (
    now && `${now.name}, ${(now.height_m * 100).toFixed(1)} cm deep, ${volume(now.capacity_m3)}`
  )
})
</script>

<template>
  <FormDialog
    needs="keep"
    :title="pan ? 'Change this pan' : 'Add a pan'"
    :verb="pan ? 'Keep it' : 'Hang it up'"
    :blocked="!form.name.trim()"
    :busy="edit.busy.value"
    :problem="edit.problem.value ?? drawing.error.value?.message"
    :theirs="theirs"
    :removable="Boolean(pan)"
    @keep="edit.keep.mutate()"
    @remove="edit.remove.mutate()"
    @accept="edit.accept"
    @take="take"
    @cancel="emit('done')"
  >
    <ChoiceRow v-model="form.kind" :choices="KINDS" />
    <FormField v-model="form.name" label="Call it" words placeholder="the wide pan" />
    <FormField
      v-for="[key, text] in measures"
      :key="key"
      :model-value="form.lengths[key] ?? ''"
      :label="text"
      @update:model-value="form.lengths[key] = $event"
    />
    <fieldset v-if="form.kind === 'measured'">
      <legend>Pour water in and say how deep it stands, all of it counted each time.</legend>
      <p v-for="(pair, i) in form.pairs" :key="i" class="pair">
        <input
          v-model="pair[0]"
          inputmode="decimal"
          :aria-label="`pour ${i + 1}, ml in all`"
          @input="pour"
        />
        ml stood
        <input
          v-model="pair[1]"
          inputmode="decimal"
          :aria-label="`pour ${i + 1}, cm deep`"
          @input="pour"
        />
        cm deep
      </p>
    </fieldset>
    <FormField v-model="form.mass" label="Empty weight, kg" />
    <label class="made"
      >Made of
      <select v-model="form.material">
        <option v-for="m in materials" :key="m.key" :value="m.key">{{ m.name }}</option>
      </select></label
    >
    <div v-if="drawing.data.value && !drawing.error.value" class="drawn">
      <PanMini :pan="drawing.data.value" />
      <p>holds {{ volume(drawing.data.value.capacity_m3) }} to the brim</p>
      <p v-if="drawing.data.value.odd_pair !== null" class="problem" role="alert">
        Pour {{ drawing.data.value.odd_pair + 1 }} does not belong to the others: it stands
        {{ Math.round(Math.abs(drawing.data.value.off_m[drawing.data.value.odd_pair]!) * 1e3) }} mm
        off. Pour that much again and read it.
      </p>
      <p v-else-if="misfit > 0.003" class="soft">
        The pours lie up to {{ Math.round(misfit * 1e3) }} mm off a smooth wall: one more pour
        helps.
      </p>
      <p v-else-if="drawing.data.value.off_m.length" class="soft">
        Smooth through every pour, within {{ Math.max(1, Math.round(misfit * 1e3)) }} mm.
      </p>
    </div>
  </FormDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  color: var(--ink-soft);
  margin-bottom: 4px;
}
.pair {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 5px;
}
.pair input,
select {
  height: 36px;
  border: 1.5px solid var(--cobalt);
  border-radius: 7px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.pair input {
  width: 84px;
  padding: 0 10px;
}
.made {
  display: grid;
  grid-template-columns: 1fr minmax(0, 230px);
  align-items: center;
  font-weight: 550;
}
.drawn {
  display: grid;
  justify-items: center;
}
</style>
