<script setup lang="ts">
import { useMaking } from './making'

/** For which making this is planned. */
const { name, letGo } = useMaking()
</script>

<template>
  <p v-if="name" class="making" role="status">
    A base of <b class="words">{{ name }}</b>: what it weighs is what that is reckoned from.
    <button type="button" class="touch" @click="letGo">Plan it by itself</button>
  </p>
</template>

<style scoped>
.making {
  font-size: 16px;
  margin-bottom: 6px;
}
</style>
