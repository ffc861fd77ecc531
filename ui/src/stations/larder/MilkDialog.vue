<script setup lang="ts">
import { reactive } from 'vue'
import { api, type LarderOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { check, figure, maybe, said } from '@/form/numbers'
import { useEditing } from './editing'

type Milk = LarderOut['milks'][number]

/** A milk by its label, its pack and its price. */
const props = defineProps<{ milk?: Milk; kinds: LarderOut['milk_kinds'] }>()
const emit = defineEmits<{ done: [] }>()

const SPECIES = [
  { value: 'cow', text: 'cow' },
  { value: 'buffalo', text: 'buffalo' },
  { value: 'coconut', text: 'coconut' },
]
const TREATED = [
  { value: '', text: 'fresh or pasteurised' },
  { value: 'homogenised', text: 'homogenised' },
  { value: 'uht', text: 'UHT' },
]
const typed = (m?: Milk) => ({
  name: m?.name ?? '',
  fat: said(m?.fat_pct),
  snf: said(m?.snf_pct),
  species: m?.species ?? 'cow',
  treated: m?.uht ? 'uht' : m?.homogenised ? 'homogenised' : '',
  pack: said(m?.pack_ml),
  price: said(m?.price),
})
const form = reactive(typed(props.milk))

function start(kind: LarderOut['milk_kinds'][number]) {
  Object.assign(form, {
    name: form.name || kind.name,
    fat: String(kind.fat_pct),
    snf: String(kind.snf_pct),
    species: kind.species,
  })
}
function body() {
  const numbers = {
    Fat: figure(form.fat),
    SNF: figure(form.snf),
    'The pack': maybe(form.pack),
    'The price': maybe(form.price),
  }
  check(numbers)
  return {
    name: form.name,
    fat_pct: numbers.Fat,
    snf_pct: numbers.SNF,
    species: form.species as 'cow' | 'buffalo' | 'coconut',
    uht: form.treated === 'uht',
    homogenised: form.treated !== '',
    pack_ml: numbers['The pack'],
    price: numbers['The price'],
  }
}
const edit = useEditing(
  () => props.milk,
  {
    keep: async (version) =>
      props.milk
        ? api.PUT('/api/larder/milks/{id}', {
            params: { path: { id: props.milk.id } },
            body: { ...body(), version },
          })
        : api.POST('/api/larder/milks', { body: body() }),
    remove: (version) =>
      api.DELETE('/api/larder/milks/{id}', {
        params: { path: { id: props.milk!.id }, query: { version } },
      }),
  },
  () => emit('done'),
)
function take() {
  Object.assign(form, typed(props.milk))
  edit.accept()
}
</script>

<template>
  <FormDialog
    needs="keep"
    :title="milk ? 'Change this milk' : 'Add a milk'"
    :verb="milk ? 'Keep it' : 'Put it in the larder'"
    :blocked="!form.name.trim()"
    :busy="edit.busy.value"
    :problem="edit.problem.value"
    :theirs="
      edit.theirs.value &&
      `${edit.theirs.value.name}, fat ${edit.theirs.value.fat_pct} %, SNF ${edit.theirs.value.snf_pct} %`
    "
    :removable="Boolean(milk)"
    @keep="edit.keep.mutate()"
    @remove="edit.remove.mutate()"
    @accept="edit.accept"
    @take="take"
    @cancel="emit('done')"
  >
    <p v-if="!milk" class="kinds">
      <span class="soft">Start from:</span>
      <button v-for="k in kinds" :key="k.key" type="button" class="touch" @click="start(k)">
        {{ k.name }}
      </button>
    </p>
    <FormField v-model="form.name" label="Call it" words />
    <FormField v-model="form.fat" label="Fat, g per 100 g" />
    <FormField
      v-model="form.snf"
      :label="
        form.species === 'coconut'
          ? 'Other solids, g per 100 g'
          : 'SNF (solids not fat), g per 100 g'
      "
    />
    <ChoiceRow v-model="form.species" label="From" :choices="SPECIES" />
    <ChoiceRow v-model="form.treated" label="It is" :choices="TREATED" />
    <FormField v-model="form.pack" label="A pack holds, ml" />
    <FormField v-model="form.price" label="A pack costs" />
  </FormDialog>
</template>

<style scoped>
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
}
</style>
