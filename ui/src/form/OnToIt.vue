<script setup lang="ts">
/** From the sentence straight on to the plate that begins it: for who comes by the Tab key. */
defineProps<{ verb: string }>()

function go() {
  document.getElementById('begin')?.focus()
}
</script>

<template>
  <a href="#begin" class="on" @click.prevent="go">on to “{{ verb }}”</a>
</template>

<style scoped>
.on:not(:focus) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
}
.on:focus {
  font-size: 15px;
  line-height: 24px;
}
@media (max-width: 900px) {
  .on {
    display: none; /* there the plate is under the thumb */
  }
}
</style>
