<script setup lang="ts">
/** On which burner a step cooks: what is taken cannot be chosen. */
defineProps<{ burners: { id: number; name: string; taken: boolean }[]; on: number | null }>()
defineEmits<{ choose: [id: number] }>()
</script>

<template>
  <p class="burners" role="group" aria-label="On which burner">
    <span class="soft">on the</span>
    <button
      v-for="x in burners"
      :key="x.id"
      type="button"
      class="touch"
      :class="{ chosen: x.id === on }"
      :aria-pressed="x.id === on"
      :disabled="x.taken"
      @click="$emit('choose', x.id)"
    >
      {{ x.name }}{{ x.taken ? ', taken' : '' }}
    </button>
  </p>
</template>

<style scoped>
.burners {
  flex: 1 1 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  font-size: 17px;
}
.touch {
  min-height: 40px;
}
.touch:disabled {
  color: var(--ink-soft);
  font-weight: 450;
  cursor: default;
}
.chosen {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-color: var(--cobalt);
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
</style>
