<script setup lang="ts">
/** A few choices side by side, one of them taken. */
defineProps<{ label?: string; choices: { value: string; text: string }[] }>()
const value = defineModel<string>({ required: true })
</script>

<template>
  <p class="row" role="group" :aria-label="label">
    <span v-if="label" class="soft">{{ label }}</span>
    <button
      v-for="c in choices"
      :key="c.value"
      type="button"
      class="touch"
      :aria-pressed="c.value === value"
      @click="value = c.value"
    >
      {{ c.text }}
    </button>
  </p>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  align-items: baseline;
}
[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
</style>
