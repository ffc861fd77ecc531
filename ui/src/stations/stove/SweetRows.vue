<script setup lang="ts">
import { ref } from 'vue'
import type { SweetBatch } from '@/api/client'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { grams } from '@/say'

/** The weighing list of a sweet that is made: a touch on a line takes what the scale says. */
defineProps<{ rows: SweetBatch['rows'] }>()
const emit = defineEmits<{ weigh: [row: number, kg: number] }>()
const open = ref<number | null>(null)
const typed = ref('')
const wrong = ref('')
const amount = (g: number) => (g >= 10 ? grams(g / 1000) : `${g.toFixed(1)} g`)
function show(row: number, g: number) {
  open.value = open.value === row ? null : row
  typed.value = g >= 10 ? g.toFixed(0) : g.toFixed(1)
  wrong.value = ''
}
function weigh(row: number) {
  const g = figure(typed.value)
  if (!(g > 0)) {
    wrong.value = `“${typed.value}” is no figure. Type just the number, like 250.`
    return
  }
  open.value = null
  emit('weigh', row, g / 1000)
}
</script>

<template>
  <ul class="rows" aria-label="The weighing list">
    <li v-for="r in rows" :key="r.number">
      <button
        type="button"
        class="row"
        :aria-expanded="open === r.number"
        @click="show(r.number, r.grams)"
      >
        <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
          <path
            v-if="r.weighed_kg !== null || r.in_base"
            d="M2 9.500l4.500 4.500L16 4"
            class="tick"
          />
          <rect v-else x="1.500" y="1.500" width="15" height="15" rx="4" />
        </svg>
        <span
          >{{ r.name }}<small v-if="r.within || r.when">, {{ r.within || r.when }}</small></span
        >
        <b>{{ amount(r.weighed_kg !== null ? r.weighed_kg * 1000 : r.grams) }}</b>
        <small>{{
          r.weighed_kg !== null ? `of ${amount(r.grams)}` : r.in_base ? 'in its base' : r.cups
        }}</small>
      </button>
      <form v-if="open === r.number" @submit.prevent="weigh(r.number)">
        <FormField v-model="typed" :label="`${r.name}, g`" />
        <button type="submit" class="plate line">It weighs that</button>
        <p v-if="wrong" class="problem" role="alert">{{ wrong }}</p>
      </form>
    </li>
  </ul>
</template>

<style scoped>
.rows {
  margin-bottom: 12px;
}
.rows li + li {
  border-top: 1px solid var(--ridge);
}
.row {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 92px 110px;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 36px;
  text-align: left;
  font-size: 16px;
}
.row b {
  text-align: right;
  font-weight: 680;
}
.row small {
  color: var(--ink-soft);
  font-size: 14px;
}
.row rect {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 1.8;
}
.tick {
  fill: none;
  stroke: var(--leaf);
  stroke-width: 2.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 420px) max-content;
  gap: 6px 14px;
  align-items: center;
  margin: 8px 0;
}
@media (max-width: 900px) {
  form {
    grid-template-columns: minmax(0, 1fr);
  }
  .row {
    grid-template-columns: 26px minmax(0, 1fr) 80px;
    min-height: 56px;
  }
  .row > small {
    display: none;
  }
}
</style>
