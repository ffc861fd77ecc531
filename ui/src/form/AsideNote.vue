<script setup lang="ts">
/** Batches that are damaged in the file: named, so that nobody looks for them in vain. */
defineProps<{ names: string[] }>()
</script>

<template>
  <p v-for="name in names" :key="name" class="problem" role="alert">
    “{{ name }}” is damaged in the kitchen’s file and cannot be read; all else is as it was. Bring a
    copy back in the <RouterLink to="/larder">Larder</RouterLink>, or let <i>mulvek verify</i> name
    the row.
  </p>
</template>

<style scoped>
.problem {
  margin: 8px 32px 22px;
}
@media (max-width: 900px) {
  .problem {
    margin-inline: 16px;
  }
}
a {
  text-decoration: underline;
}
</style>
