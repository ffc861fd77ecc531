<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { onBeforeUnmount } from 'vue'
import { RouterView, useRoute } from 'vue-router'
import { listen } from '@/api/kitchen'
import { may } from '@/door/me'
import { pageFor } from '@/reading/text'
import { useNudging } from './nudging'
import ClockNote from './ClockNote.vue'
import RefusedNote from './RefusedNote.vue'
import StationsRail from './StationsRail.vue'

/** All that one sees once let in. */
const route = useRoute()
const night = defineModel<boolean>('night', { required: true })
onBeforeUnmount(listen(useQueryClient()))
useNudging()
</script>

<template>
  <StationsRail v-model:night="night" />
  <main>
    <RefusedNote />
    <ClockNote />
    <p v-if="route.meta.needs && !may(route.meta.needs)" class="only soft">
      This device looks on. To log, let it stand at the stove: at the computer, Larder, the door.
    </p>
    <fieldset class="acts" :disabled="route.meta.needs && !may(route.meta.needs)">
      <RouterView />
    </fieldset>
    <!-- where there is no room for the rail's own button -->
    <RouterLink
      v-if="!route.path.startsWith('/using')"
      class="how"
      :to="`/using/${pageFor(route.path)}`"
      >How to use this</RouterLink
    >
  </main>
</template>

<style scoped>
.acts {
  display: contents;
}
.how {
  display: none;
}
@media (max-width: 900px) {
  .how {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    margin: 0 18px 12px;
  }
}
.only {
  max-width: 1336px;
  margin: 14px auto 0;
  padding: 0 32px;
}
</style>
