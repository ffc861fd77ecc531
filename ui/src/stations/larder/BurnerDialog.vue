<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, unwrap, type LarderOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { figure, maybe, said } from '@/form/numbers'
import { useEditing } from './editing'

type BurnerThing = LarderOut['burners'][number]

/** A burner by its kind and strength, or timed with a litre of water. */
const props = defineProps<{ burner?: BurnerThing; larder: LarderOut }>()
const emit = defineEmits<{ done: [] }>()

const kinds = computed(() => props.larder.burner_kinds.map((k) => ({ value: k.key, text: k.name })))
const typed = (b?: BurnerThing) => ({
  name: b?.name ?? '',
  kind: b?.kind ?? 'lpg-large',
  strength: said(b?.strength ?? 1),
})
const form = reactive(typed(props.burner))
const spread = ref<number | null>(props.burner?.ln_sd ?? null)
const timing = ref(false)
const trial = reactive({
  pan: String(props.larder.pans[0]?.id ?? ''),
  water: '1000',
  celsius: '20',
  minutes: '',
  lost: '',
})
const timed = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/larder/burner-trials', {
        body: {
          burner: props.burner!.id,
          pan: Number(trial.pan),
          water_ml: figure(trial.water) || 0,
          water_c: figure(trial.celsius) || 0,
          boil_minutes: maybe(trial.minutes),
          lost_g: maybe(trial.lost),
          lost_in_minutes: 10,
        },
      }),
    ),
  onSuccess: (answer) => {
    form.strength = answer.strength.toFixed(2)
    spread.value = answer.ln_sd
  },
})
const body = () => ({
  name: form.name,
  kind: form.kind as 'lpg-large',
  strength: figure(form.strength) || 0,
  ln_sd: spread.value,
})
const edit = useEditing(
  () => props.burner,
  {
    keep: (version) =>
      props.burner
        ? api.PUT('/api/larder/burners/{id}', {
            params: { path: { id: props.burner.id } },
            body: { ...body(), version },
          })
        : api.POST('/api/larder/burners', { body: body() }),
    remove: (version) =>
      api.DELETE('/api/larder/burners/{id}', {
        params: { path: { id: props.burner!.id }, query: { version } },
      }),
  },
  () => emit('done'),
)
function take() {
  Object.assign(form, typed(props.burner))
  spread.value = props.burner?.ln_sd ?? null
  edit.accept()
}
</script>

<template>
  <FormDialog
    needs="keep"
    :title="burner ? 'Change this burner' : 'Add a burner'"
    :verb="burner ? 'Keep it' : 'Add it'"
    :blocked="!form.name.trim()"
    :busy="edit.busy.value"
    :problem="edit.problem.value"
    :theirs="
      edit.theirs.value &&
      `${edit.theirs.value.name}, ${edit.theirs.value.kind_name}, × ${edit.theirs.value.strength}`
    "
    :removable="Boolean(burner)"
    @keep="edit.keep.mutate()"
    @remove="edit.remove.mutate()"
    @accept="edit.accept"
    @take="take"
    @cancel="emit('done')"
  >
    <FormField v-model="form.name" label="Call it" words placeholder="left burner" />
    <ChoiceRow v-model="form.kind" :choices="kinds" />
    <FormField
      v-model="form.strength"
      label="Strength (1 is usual for its kind)"
      @update:model-value="spread = null"
    />
    <template v-if="burner && larder.pans.length">
      <button v-if="!timing" type="button" class="touch" @click="timing = true">
        Time it with a litre of water
      </button>
      <fieldset v-else>
        <legend>
          Full flame, no lid. Note the minutes to the full boil, then boil on ten minutes and weigh
          pan and water before and after. Either alone will do.
        </legend>
        <label class="in"
          >In
          <select v-model="trial.pan">
            <option v-for="p in larder.pans" :key="p.name" :value="String(p.id)">
              {{ p.name }}
            </option>
          </select></label
        >
        <FormField v-model="trial.water" label="Water, ml" />
        <FormField v-model="trial.celsius" label="Its warmth at the start, °C" />
        <FormField v-model="trial.minutes" label="Minutes to the full boil" />
        <FormField v-model="trial.lost" label="Lost in ten minutes of boiling, g" />
        <p>
          <button type="button" class="plate line" @click="timed.mutate()">Reckon it</button>
        </p>
        <p v-if="timed.error.value" class="problem" role="alert">{{ timed.error.value.message }}</p>
        <p v-else-if="timed.data.value" aria-live="polite">{{ timed.data.value.words }}</p>
      </fieldset>
    </template>
  </FormDialog>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 8px;
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  color: var(--ink-soft);
  margin-bottom: 8px;
}
.in {
  display: grid;
  grid-template-columns: 1fr 230px;
  align-items: center;
  font-weight: 550;
}
select {
  height: 36px;
  border: 1.5px solid var(--cobalt);
  border-radius: 7px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.touch {
  justify-self: start;
}
</style>
