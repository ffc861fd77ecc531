<script setup lang="ts">
/** What its cook told of a batch that was written in when it was over. */
defineProps<{ lines: string[] }>()
</script>

<template>
  <p class="paper">
    <span class="soft">Written in as it was told:</span>
    <q v-for="line in lines.filter(Boolean)" :key="line">{{ line }}</q>
  </p>
</template>

<style scoped>
.paper {
  margin: 12px 4px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font: 19px/26px var(--words);
}
.soft {
  font: 13.5px/26px var(--figures);
}
</style>
