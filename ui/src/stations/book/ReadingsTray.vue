<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import SampleCurves from '@/charts/SampleCurves.vue'

/** A batch's readings: what instruments sent, and all of it as CSV, out and in. */
const props = defineProps<{ batchId: number }>()
const path = computed(() => ({ params: { path: { batch_id: props.batchId } } }))
const samples = useQuery({
  queryKey: ['samples', computed(() => props.batchId)],
  queryFn: () => unwrap(api.GET('/api/book/{batch_id}/samples', path.value)),
})
const channels = computed(() => samples.data.value?.channels ?? [])
const client = useQueryClient()
const field = ref<HTMLInputElement>()
const bring = useMutation({
  mutationFn: async (file: File) =>
    unwrap(
      api.POST('/api/book/{batch_id}/readings', {
        ...path.value,
        body: { csv: await file.text() },
      }),
    ),
  onSuccess: () => client.invalidateQueries(),
})
function chosen(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) bring.mutate(file)
  if (field.value) field.value.value = ''
}
const told = computed(() => {
  const got = bring.data.value
  if (!got) return ''
  const parts = [
    got.readings && `${got.readings} readings`,
    got.samples && `${got.samples} samples`,
  ].filter(Boolean)
  const known = got.known ? ` ${got.known} lines were here already.` : ''
  return `${parts.length ? `Brought in: ${parts.join(' and ')}.` : 'Nothing new in it.'}${known}`
})
</script>

<template>
  <section class="readings" aria-label="Readings">
    <SampleCurves v-if="channels.length" :channels="channels" />
    <p class="files">
      <span class="soft">All readings as a table:</span>
      <a class="touch" :href="`/api/book/${batchId}/readings.csv`" download>save as CSV</a>
      <label class="touch"
        >bring in a CSV
        <input
          ref="field"
          type="file"
          accept=".csv,text/csv"
          class="visually-hidden"
          @change="chosen"
        />
      </label>
      <span v-if="told" role="status">{{ told }}</span>
    </p>
    <p v-if="bring.error.value" class="problem" role="alert">{{ bring.error.value.message }}</p>
  </section>
</template>

<style scoped>
.readings {
  margin: 18px 8px;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: baseline;
  margin-top: 10px;
  font-size: 16px;
}
label:focus-within {
  outline: 2px solid var(--cobalt);
  outline-offset: 2px;
}
</style>
