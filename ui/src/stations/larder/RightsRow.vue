<script setup lang="ts">
import type { Right } from '@/api/client'
import { RIGHT_DOES, RIGHTS } from '@/door/me'

/** What the chosen right holds, hanging from the rail; soft is not given. */
const props = defineProps<{ allowed: Right; does: Record<Right, string> }>()
const given = (right: Right) => RIGHTS.indexOf(right) <= RIGHTS.indexOf(props.allowed)

/** Spectacles, a spoon, a pencil, a jar (44 px grid). */
const DRAWN: Record<Right, string> = {
  look: 'M22 2 12 22M22 2l10 20M18 30a8 8 0 1 1-16 0 8 8 0 1 1 16 0zM42 30a8 8 0 1 1-16 0 8 8 0 1 1 16 0zM18 28q4-3 8 0',
  log: 'M22 2v22M22 24c7 0 8 16 0 16s-7-16 0-16z',
  cook: 'M22 2v4M17 6h10v26l-5 9-5-9zM17 30h10M17 12h10',
  keep: 'M22 2v4M14 8h16M16 8v5l-4 5v18a4 4 0 0 0 4 4h12a4 4 0 0 0 4-4V18l-4-5V8M12 26h20',
}
</script>

<template>
  <ul class="rights" aria-label="What it may do">
    <li v-for="r in RIGHTS" :key="r" :class="{ not: !given(r) }">
      <svg viewBox="0 0 44 44" aria-hidden="true"><path :d="DRAWN[r]" /></svg>
      <p>
        <b>{{ given(r) ? '' : 'not ' }}{{ RIGHT_DOES[r] }}</b>
        <span class="soft">{{ does[r] }}</span>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.rights {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 22px 20px;
  align-content: start;
}
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 12px;
}
svg {
  width: 58px;
  fill: none;
  stroke: var(--iron);
  stroke-width: 2.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
p {
  padding-top: 14px;
}
b {
  display: block;
  font-size: 18px;
}
.not b {
  color: var(--ink-soft);
  font-weight: 500;
}
.not svg {
  stroke: var(--foam);
  stroke-width: 1.8;
}
@media (max-width: 900px) {
  .rights {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
    margin: 0 16px;
  }
}
</style>
