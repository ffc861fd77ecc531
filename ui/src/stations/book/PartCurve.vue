<script setup lang="ts">
import { useRecord } from '@/api/kitchen'
import BatchCurve from '@/charts/BatchCurve.vue'

/** The curve of one base against its plan. */
const props = defineProps<{ id: number; name: string }>()
const record = useRecord(() => props.id)
</script>

<template>
  <figure v-if="record.data.value" class="part">
    <figcaption class="heading">{{ name }}</figcaption>
    <BatchCurve :batch="record.data.value.batch" :told="record.data.value.told" />
  </figure>
</template>

<style scoped>
.part {
  margin: 14px 4px 12px;
}
</style>
