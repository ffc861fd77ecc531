<script setup lang="ts">
import { ref } from 'vue'
import { SHADES, type SeenShade } from './shades'

/** Which shade is the pool? A row of swatches; the arrows go along it, from the one that is likely now. */
const props = defineProps<{ likely: SeenShade | null; seen: boolean }>()
const emit = defineEmits<{ saw: [shade: SeenShade] }>()
const row = ref<HTMLElement>()

function go(by: number) {
  const keys = [...(row.value?.querySelectorAll('button') ?? [])]
  const at = keys.indexOf(document.activeElement as HTMLButtonElement)
  const from = at >= 0 ? at : SHADES.findIndex((s) => s.key === props.likely)
  keys[Math.min(keys.length - 1, Math.max(0, from + by))]?.focus()
}
defineExpose({ focus: () => go(0) })
</script>

<template>
  <div ref="row" class="swatches" @keydown.right.prevent="go(1)" @keydown.left.prevent="go(-1)">
    <button
      v-for="s in SHADES"
      :key="s.key"
      type="button"
      class="swatch"
      :class="{ deep: s.deep, here: likely === s.key && seen }"
      :style="{ background: s.colour }"
      @click="emit('saw', s.key)"
    >
      {{ s.text }}
    </button>
  </div>
</template>

<style scoped>
.swatches {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
}
.swatch {
  display: grid;
  align-content: end;
  justify-items: center;
  gap: 4px;
  min-height: 76px;
  padding: 8px 4px 7px;
  border: 2px solid var(--ink);
  border-radius: 9px;
  color: #1b2444;
  font-weight: 600;
}
.swatch.deep {
  color: #fdfcf7;
}
.swatch.here {
  outline: 4px solid var(--cobalt);
  outline-offset: 2px;
}
@media (max-width: 900px) {
  .swatches {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
}
</style>
