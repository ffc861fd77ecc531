<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { asBase64 } from './photo'

/** A picture or two of the result. */
const props = defineProps<{ batchId: number; name: string }>()
const path = computed(() => ({ path: { batch_id: props.batchId } }))
const client = useQueryClient()
const key = computed(() => ['photos', props.batchId])
const asked = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/batches/{batch_id}/photos', { params: path.value })),
})
const photos = computed(() => asked.data.value?.photos ?? [])
const news = (answer: { photos: number[] }) => client.setQueryData(key.value, answer)
const add = useMutation({
  mutationFn: async (file: File) =>
    unwrap(
      api.POST('/api/batches/{batch_id}/photos', {
        params: path.value,
        body: { image: await asBase64(file) },
      }),
    ),
  onSuccess: news,
})
const remove = useMutation({
  mutationFn: (number: number) =>
    unwrap(
      api.DELETE('/api/batches/{batch_id}/photos/{number}', {
        params: { path: { ...path.value.path, number } },
      }),
    ),
  onSuccess: news,
})
const field = ref<HTMLInputElement>()
function chosen(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) add.mutate(file)
  if (field.value) field.value.value = ''
}
const problem = computed(() => (add.error.value ?? remove.error.value)?.message)
</script>

<template>
  <section class="photos" aria-label="Pictures">
    <ul v-if="photos.length">
      <li v-for="n in photos" :key="n">
        <a :href="`/api/batches/${batchId}/photos/${n}`" target="_blank">
          <img
            :src="`/api/batches/${batchId}/photos/${n}`"
            :alt="`${name}, picture ${n}`"
            loading="lazy"
          />
        </a>
        <button type="button" class="touch" @click="remove.mutate(n)">
          take it away<span class="visually-hidden">: picture {{ n }}</span>
        </button>
      </li>
    </ul>
    <p class="add">
      <label class="touch"
        >{{ add.isPending.value ? 'it is being kept' : 'add a picture' }}
        <input
          ref="field"
          type="file"
          accept="image/jpeg,image/png,image/webp"
          class="visually-hidden"
          @change="chosen"
        />
      </label>
      <span class="soft">Kept here, small, without place or time.</span>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.photos {
  margin: 6px 32px 10px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
img {
  display: block;
  width: 220px;
  height: 165px;
  object-fit: cover;
  border: 3px solid var(--iron);
  border-radius: 12px;
  background: var(--enamel);
}
.add {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 16px;
}
@media (max-width: 900px) {
  .photos {
    margin-inline: 16px;
  }
  img {
    width: 150px;
    height: 112px;
  }
}
</style>
