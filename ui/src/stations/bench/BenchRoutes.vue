<script setup lang="ts">
import MakingNote from './MakingNote.vue'
import { useRoute } from 'vue-router'

/** The bases one plans on the Bench. */
const route = useRoute()
const ROUTES = [
  { path: '/bench', text: 'reduce' },
  { path: '/bench/curdle', text: 'curdle' },
  { path: '/bench/strain', text: 'strain' },
  { path: '/bench/caramel', text: 'caramel' },
]
</script>

<template>
  <p class="legend">
    <span class="soft">Plan one base:</span>
    <template v-for="r in ROUTES" :key="r.path">
      <b v-if="r.path === route.path">{{ r.text }}</b>
      <RouterLink v-else :to="r.path">{{ r.text }}</RouterLink>
    </template>
  </p>
  <MakingNote />
</template>

<style scoped>
a {
  color: var(--cobalt);
}
@media (max-width: 599px) {
  .soft {
    display: none;
  }
}
</style>
