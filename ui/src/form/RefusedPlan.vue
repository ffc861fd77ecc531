<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'

/**
 * Why a plan is refused. It has no figures, and those of the plan before would be taken for its own: they are out of sight
 * meanwhile, and one touch leads back to them. What was typed stays as it is until then.
 */
const props = defineProps<{ problem: { message: string } | null; answer: unknown }>()
const route = useRoute()
const router = useRouter()
const good = ref<LocationQuery>()
watch(
  () => props.answer,
  (answer) => {
    if (answer) good.value = route.query
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="problem" class="refused">
    <p class="answer problem" role="alert">{{ problem.message }}</p>
    <button type="button" class="plate line" @click="router.push({ query: good ?? {} })">
      {{ good ? 'As it was before' : 'The usual plan' }}
    </button>
  </div>
</template>

<style scoped>
.refused {
  display: grid;
  gap: 14px;
  justify-items: start;
  margin: 24px 4px;
}
</style>
