<script setup lang="ts">
import { letGo, outbox, tryAgain } from '@/api/outbox'
import { clock, day, happened } from '@/say'

/** Happenings that the server did not take, on every screen until the cook has seen them. */
</script>

<template>
  <p v-for="r in outbox.refused" :key="r.key" class="problem" role="alert">
    <b>{{ happened(r.event.kind) }}</b>, said on {{ day(r.at_s) }} at {{ clock(r.at_s) }}, was not
    taken: {{ r.refused }}
    <button type="button" class="touch" @click="tryAgain(r.key)">Try it again</button>
    <button type="button" class="touch" @click="letGo(r.key)">Let it go</button>
  </p>
</template>

<style scoped>
.problem {
  margin: 10px 32px;
}
.touch {
  min-height: 40px;
  margin-left: 12px;
}
@media (max-width: 900px) {
  .problem {
    margin-inline: 16px;
  }
}
</style>
