<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { NConfigProvider, NMessageProvider } from 'naive-ui'
import { computed, onBeforeUnmount, watchEffect } from 'vue'
import { RouterView } from 'vue-router'
import { listen } from './api/kitchen'
import { useNudging } from './shell/nudging'
import RefusedNote from './shell/RefusedNote.vue'
import StationsRail from './shell/StationsRail.vue'
import { overrides } from './theme/naive'

const night = useStorage('mulvek-night', false)
watchEffect(() => {
  document.documentElement.dataset.kitchen = night.value ? 'night' : 'day'
})
const theme = computed(() => overrides(night.value))
onBeforeUnmount(listen(useQueryClient()))
useNudging()
</script>

<template>
  <NConfigProvider :theme-overrides="theme" inline-theme-disabled preflight-style-disabled>
    <NMessageProvider placement="bottom">
      <StationsRail v-model:night="night" />
      <main>
        <RefusedNote />
        <RouterView />
      </main>
    </NMessageProvider>
  </NConfigProvider>
</template>
