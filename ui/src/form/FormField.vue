<script setup lang="ts">
import { LONGEST_WORDS } from '@/api/shared'
import { NInput } from 'naive-ui'

/** One line of a form: its words, its figure. */
defineProps<{ label: string; words?: boolean; placeholder?: string }>()
const value = defineModel<string>({ required: true })
</script>

<template>
  <label class="field" :class="{ wide: words }"
    >{{ label }}
    <NInput
      v-model:value="value"
      :placeholder="placeholder ?? ''"
      :maxlength="LONGEST_WORDS"
      :input-props="{
        'aria-label': label,
        inputmode: words ? 'text' : 'decimal',
        autocomplete: 'off',
      }"
  /></label>
</template>

<style scoped>
.field {
  display: grid;
  grid-template-columns: 1fr 170px;
  align-items: center;
  gap: 12px;
  font-weight: 550;
}
.field.wide {
  grid-template-columns: 100px 1fr;
}
</style>
