<script setup lang="ts">
import type { At } from '@/stations/bench/free'
import type { Place } from './hob'

/** On which burner and in which pan a step cooks: what is taken is named, and cannot be chosen. */
defineProps<{ places: Record<At, Place[]>; on: Record<At, number | null> }>()
defineEmits<{ choose: [at: At, id: number] }>()
const ROWS = [
  { at: 'burner', says: 'on the', asks: 'On which burner' },
  { at: 'pan', says: 'in', asks: 'In which pan' },
] as const
function taken(all: Place[]): string {
  const names = all.filter((p) => p.taken).map((p) => p.name)
  return names.length < all.length
    ? `taken: ${names.join(', ')}`
    : `all are taken: ${names.join(', ')}`
}
</script>

<template>
  <div class="hob">
    <p
      v-for="row in ROWS.filter((r) => places[r.at].length > 1)"
      :key="row.at"
      role="group"
      :aria-label="row.asks"
    >
      <span class="soft">{{ row.says }}</span>
      <button
        v-for="x in places[row.at].filter((p) => !p.taken)"
        :key="x.id"
        type="button"
        class="touch"
        :class="{ chosen: x.id === on[row.at] }"
        :aria-pressed="x.id === on[row.at]"
        @click="$emit('choose', row.at, x.id)"
      >
        {{ x.name }}
      </button>
      <span v-if="places[row.at].some((p) => p.taken)" class="soft taken">{{
        taken(places[row.at])
      }}</span>
    </p>
  </div>
</template>

<style scoped>
.hob {
  flex: 1 1 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 0 44px;
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  font-size: 17px;
}
.touch {
  min-height: 40px;
}
.taken {
  font-size: 16px;
}
.chosen {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-color: var(--cobalt);
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
@media (max-width: 900px) {
  .touch {
    min-height: 56px;
  }
}
</style>
