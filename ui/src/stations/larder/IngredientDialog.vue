<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, type LarderOut, type MaterialOut } from '@/api/client'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { check, maybe, said } from '@/form/numbers'
import { useEditing } from './editing'

type Ingredient = LarderOut['ingredients'][number]

/** The cook's own copy of a material: its name, what its label says, a level cup's weight, pack and price. */
const props = defineProps<{ base: MaterialOut; ingredient?: Ingredient }>()
const emit = defineEmits<{ done: [] }>()

const dairy = computed(() => props.base.allergens.includes('milk'))
const typed = (i?: Ingredient) => {
  const label = i && JSON.stringify(i.material.parts_pct) !== JSON.stringify(props.base.parts_pct)
  const p = i?.material.parts_pct
  const snf = p && i.material.total_solids_pct - p.fat! - p.sucrose!
  return {
    name: i?.material.name ?? props.base.name,
    fat: label ? said(p!.fat) : '',
    snf: label ? snf!.toFixed(2) : '',
    sugar: label ? said(p!.sucrose) : '',
    bulk: said(i?.material.bulk_g_ml ?? props.base.bulk_g_ml),
    pack: said(i?.pack_g),
    price: said(i?.price),
  }
}
const form = reactive(typed(props.ingredient))
function body() {
  const numbers = {
    Fat: maybe(form.fat),
    SNF: maybe(form.snf),
    Sugar: maybe(form.sugar),
    'The weight': maybe(form.bulk),
    'The pack': maybe(form.pack),
    'The price': maybe(form.price),
  }
  check(numbers)
  return {
    name: form.name,
    base: props.base.key,
    fat_pct: numbers.Fat,
    snf_pct: numbers.SNF,
    sugar_pct: numbers.Sugar,
    bulk_g_ml: numbers['The weight'],
    pack_g: numbers['The pack'],
    price: numbers['The price'],
  }
}
const edit = useEditing(
  () => props.ingredient,
  {
    keep: async (version) =>
      props.ingredient
        ? api.PUT('/api/larder/ingredients/{id}', {
            params: { path: { id: props.ingredient.id } },
            body: { ...body(), version },
          })
        : api.POST('/api/larder/ingredients', { body: body() }),
    remove: (version) =>
      api.DELETE('/api/larder/ingredients/{id}', {
        params: { path: { id: props.ingredient!.id }, query: { version } },
      }),
  },
  () => emit('done'),
)
function take() {
  Object.assign(form, typed(props.ingredient))
  edit.accept()
}
</script>

<template>
  <FormDialog
    needs="keep"
    :title="ingredient ? 'Change this' : `Your own ${base.name}`"
    :verb="ingredient ? 'Keep it' : 'Put it on the shelf'"
    :blocked="!form.name.trim()"
    :busy="edit.busy.value"
    :problem="edit.problem.value"
    :theirs="edit.theirs.value && edit.theirs.value.material.name"
    :removable="Boolean(ingredient)"
    @keep="edit.keep.mutate()"
    @remove="edit.remove.mutate()"
    @accept="edit.accept"
    @take="take"
    @cancel="emit('done')"
  >
    <FormField v-model="form.name" label="Call it" words />
    <template v-if="dairy">
      <p class="soft">As on the label, g per 100 g; empty for the table’s own:</p>
      <FormField v-model="form.fat" label="Fat" :placeholder="said(base.parts_pct.fat)" />
      <FormField v-model="form.snf" label="Solids not fat" />
      <FormField
        v-model="form.sugar"
        label="Added sugar"
        :placeholder="said(base.parts_pct.sucrose)"
      />
    </template>
    <FormField v-model="form.bulk" label="A level cup of it, g per ml" />
    <FormField v-model="form.pack" label="A pack holds, g" />
    <FormField v-model="form.price" label="A pack costs" />
  </FormDialog>
</template>
