<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { NInput } from 'naive-ui'
import { reactive } from 'vue'
import { api, unwrap, type LarderOut } from '@/api/client'

defineProps<{ kinds: LarderOut['milk_kinds'] }>()
const emit = defineEmits<{ done: [] }>()
const milk = reactive({ name: '', fat: '', snf: '', species: 'cow' as 'cow' | 'buffalo' })

function start(kind: LarderOut['milk_kinds'][number]) {
  Object.assign(milk, {
    name: milk.name || kind.name,
    fat: String(kind.fat_pct),
    snf: String(kind.snf_pct),
    species: kind.species,
  })
}
const number = (text: string) => Number(text.replace(',', '.').trim() || NaN)
const add = useMutation({
  mutationFn: () => {
    const [fat_pct, snf_pct] = [number(milk.fat), number(milk.snf)]
    if (Number.isNaN(fat_pct) || Number.isNaN(snf_pct))
      throw new Error('Fat and SNF are numbers, like 4.1 and 8.7: copy both from the label.')
    return unwrap(
      api.POST('/api/larder/milks', {
        body: { name: milk.name, fat_pct, snf_pct, species: milk.species },
      }),
    )
  },
  onSuccess: () => emit('done'),
})
</script>

<template>
  <div class="tray" role="dialog" aria-label="Add a milk">
    <form @submit.prevent="add.mutate()">
      <h2 class="heading">Add a milk</h2>
      <p class="kinds">
        <span class="soft">Start from:</span>
        <button v-for="k in kinds" :key="k.key" type="button" class="touch" @click="start(k)">
          {{ k.name }}
        </button>
      </p>
      <label
        >Call it
        <NInput
          v-model:value="milk.name"
          placeholder=""
          :maxlength="60"
          :input-props="{ 'aria-label': 'Call it' }"
      /></label>
      <label
        >Fat, g per 100 g
        <NInput
          v-model:value="milk.fat"
          placeholder=""
          :input-props="{ inputmode: 'decimal', 'aria-label': 'Fat, g per 100 g' }"
      /></label>
      <label
        >Solids not fat (SNF), g per 100 g
        <NInput
          v-model:value="milk.snf"
          placeholder=""
          :input-props="{ inputmode: 'decimal', 'aria-label': 'SNF, g per 100 g' }"
      /></label>
      <p class="kinds">
        <span class="soft">From a</span>
        <button
          v-for="s in ['cow', 'buffalo'] as const"
          :key="s"
          type="button"
          class="touch"
          :aria-pressed="milk.species === s"
          @click="milk.species = s"
        >
          {{ s }}
        </button>
      </p>
      <p v-if="add.error.value" class="problem" role="alert">{{ add.error.value.message }}</p>
      <button type="submit" class="plate" :disabled="!milk.name.trim()">
        Put it in the larder
      </button>
    </form>
  </div>
</template>

<style scoped src="./form.css"></style>
