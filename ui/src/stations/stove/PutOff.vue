<script setup lang="ts">
/** Off the fire for a while and back, and putting off what is due. */
defineProps<{ paused: boolean; mayPause: boolean; due: boolean; later: string }>()
const emit = defineEmits<{ pause: []; later: [] }>()
</script>

<template>
  <button v-if="mayPause" type="button" class="touch" @click="emit('pause')">
    {{ paused ? 'Back on the fire' : 'Off the fire for a while' }} <kbd>P</kbd>
  </button>
  <button v-if="due" type="button" class="touch" @click="emit('later')">
    {{ later }} <kbd>L</kbd>
  </button>
</template>
