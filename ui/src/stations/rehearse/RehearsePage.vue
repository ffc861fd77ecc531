<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useRehearsal } from './rehearsal'
import RehearseAccount from './RehearseAccount.vue'
import RehearseStove from './RehearseStove.vue'
import RehearseVessels from './RehearseVessels.vue'

/** One rehearsal: on its fire, or told when it is over. */
const route = useRoute()
const rehearsal = useRehearsal(() => Number(route.params.id))
const r = computed(() => rehearsal.data.value)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Rehearsal</h1>
    <section v-if="rehearsal.error.value && !r" class="tray">
      <p class="sentence problem">{{ rehearsal.error.value.message }}</p>
    </section>
    <RehearseAccount v-else-if="r?.finished" :id="r.id" :key="r.id" />
    <RehearseStove v-else-if="r?.live" :key="`s${r.id}`" :rehearsal="r" />
    <RehearseVessels v-else-if="r" :key="`v${r.id}`" :rehearsal="r" />
  </div>
</template>
