<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { NConfigProvider, NMessageProvider } from 'naive-ui'
import { computed, defineAsyncComponent, watchEffect } from 'vue'
import { useEntering } from './door/entering'
import { useMe } from './door/me'
import KitchenInside from './shell/KitchenInside.vue'
import { overrides } from './theme/naive'

const DoorWay = defineAsyncComponent(() => import('./door/DoorWay.vue'))
const night = useStorage('mulvek-night', false)
watchEffect(() => {
  document.documentElement.dataset.kitchen = night.value ? 'night' : 'day'
})
const theme = computed(() => overrides(night.value))
const { me, outside, known } = useMe()
useEntering(me)
</script>

<template>
  <NConfigProvider :theme-overrides="theme" inline-theme-disabled preflight-style-disabled>
    <NMessageProvider placement="bottom">
      <main v-if="outside"><DoorWay /></main>
      <KitchenInside v-else-if="known" v-model:night="night" />
    </NMessageProvider>
  </NConfigProvider>
</template>
