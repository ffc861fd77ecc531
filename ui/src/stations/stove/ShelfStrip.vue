<script setup lang="ts">
import { computed } from 'vue'
import { serverNow } from '@/api/outbox'
import { shown, useShelf } from '@/api/standing'
import { day, grams } from '@/say'
import { steadyNow } from '@/shell/now'
import { KIND_NAMES } from '../larder/names'
import ShelfVessel from '../larder/ShelfVessel.vue'

/** What stands in the fridge, as one sees it past the stove; the shelf itself is in the Larder. */
const shelf = useShelf()
const MOST = 6
const things = computed(() =>
  shown(shelf.data.value ?? [], (steadyNow.value, serverNow())).slice(0, MOST),
)
const till = (at: number) => `till ${day(at).split(' ')[0]!.replace(',', '')}`
</script>

<template>
  <section v-if="things.length" aria-label="In the fridge">
    <p class="head">
      <b>fridge, at or below 5 °C</b>
      <RouterLink class="touch" to="/larder">open the shelf</RouterLink>
    </p>
    <ul>
      <li v-for="t in things" :key="t.key">
        <span class="vessel"><ShelfVessel :thing="t" /></span>
        <b>{{ KIND_NAMES[t.kind] }}, {{ grams(t.mass_kg) }}</b>
        <span :class="t.over ? 'over' : 'soft'">{{ t.over ? 'let it go' : till(t.endsAt) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  border: 2.4px solid var(--iron);
  border-top: 0;
  padding: 8px 16px 12px;
}
.head {
  display: flex;
  justify-content: space-between;
  font-size: 16px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 12px 10px;
}
li {
  display: grid;
  grid-template-rows: 104px auto auto;
  line-height: 21px;
}
.vessel {
  display: grid;
  align-items: end;
  border-bottom: 3px solid var(--iron);
  margin-bottom: 6px;
}
.over {
  color: var(--madder);
  font-weight: 650;
}
@media (max-width: 900px) {
  ul {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
