<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, unwrap, type LarderOut } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { figure, maybe } from '@/form/numbers'

/** A lactometer reading of one milk, and what it says of its solids and of added water. */
const props = defineProps<{ milk: LarderOut['milks'][number] }>()
const emit = defineEmits<{ done: [] }>()
const client = useQueryClient()

const INSTRUMENTS = [
  { value: '27', text: 'for 27 °C' },
  { value: '15.6', text: 'for 15.6 °C' },
  { value: '29', text: 'for 29 °C' },
]
const form = reactive({ reading: '', celsius: '27', fat: '', instrument: '27' })
const asked = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/larder/lactometer', {
        body: {
          reading: figure(form.reading) || 0,
          celsius: figure(form.celsius) || 0,
          fat_pct: maybe(form.fat),
          instrument: form.instrument as '27',
          milk: props.milk.id,
          species: 'cow',
        },
      }),
    ),
})
const check = computed(() => asked.data.value?.check)
const pct = (share: number, digits = 2) => (share * 100).toFixed(digits)
const apply = useMutation({
  mutationFn: () => {
    const m = props.milk
    const c = check.value!
    return unwrap(
      api.PUT('/api/larder/milks/{id}', {
        params: { path: { id: m.id } },
        body: {
          name: m.name,
          fat_pct: maybe(form.fat) ?? m.fat_pct,
          snf_pct: Number(pct(c.snf.likely)),
          snf_sd_pct: Number(pct((c.snf.high - c.snf.low) / 2.5632, 3)),
          species: m.species as 'cow',
          homogenised: m.homogenised,
          uht: m.uht,
          pack_ml: m.pack_ml,
          price: m.price,
          version: m.version,
        },
      }),
    )
  },
  onSuccess: async () => {
    await client.invalidateQueries({ queryKey: ['larder'] })
    emit('done')
  },
})
</script>

<template>
  <FormDialog
    needs="keep"
    :title="`Check ${milk.name}`"
    verb="Reckon it"
    :busy="asked.isPending.value"
    :blocked="!form.reading.trim()"
    :problem="(asked.error.value ?? apply.error.value)?.message"
    @keep="asked.mutate()"
    @cancel="emit('done')"
  >
    <p class="soft">
      Let milk stand an hour after milking, mix it gently, float the lactometer, read at the
      surface.
    </p>
    <ChoiceRow v-model="form.instrument" label="Made" :choices="INSTRUMENTS" />
    <FormField v-model="form.reading" label="It reads, degrees" />
    <FormField v-model="form.celsius" label="The sample is, °C" />
    <FormField
      v-model="form.fat"
      label="Fat, if you know it better"
      :placeholder="String(milk.fat_pct)"
    />
    <div v-if="check" class="answer" aria-live="polite">
      <p>
        <b>SNF {{ pct(check.snf.likely) }} %</b> ({{ pct(check.snf.low) }}–{{
          pct(check.snf.high)
        }}), total solids {{ pct(check.total_solids.likely) }} %.
      </p>
      <p :class="{ warn: check.water_likely }">{{ asked.data.value!.words }}</p>
      <p class="soft small">
        Corrected reading {{ check.corrected.toFixed(1) }}; {{ check.source }}.
        <template v-if="check.by_density_snf">
          By density alone {{ pct(check.by_density_snf) }} %.
        </template>
        Boiled or creamed milk spoils the reading.
      </p>
      <button type="button" class="plate line" @click="apply.mutate()">
        Take this for {{ milk.name }}
      </button>
    </div>
  </FormDialog>
</template>

<style scoped>
.answer {
  display: grid;
  gap: 6px;
  font: 400 17px/24px var(--figures);
}
.warn {
  color: var(--madder);
}
.small {
  font-size: 14px;
  line-height: 19px;
}
</style>
