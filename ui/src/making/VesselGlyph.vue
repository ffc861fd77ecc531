<script setup lang="ts">
import type { GlyphKind } from './glyphs'

/** What milk stands in, on the bank or the hob: a pan on its flame, a cloth, a bowl, a cold box, hands. */
defineProps<{ kind: GlyphKind; full?: boolean; lit?: boolean; faint?: boolean }>()
</script>

<template>
  <svg width="76" height="52" viewBox="0 0 76 52" aria-hidden="true" :class="{ faint }">
    <template v-if="kind === 'pan'">
      <path v-if="full" class="milk" d="M15 20h46c-3 12-10 17-23 17s-20-5-23-17z" />
      <path class="line" d="M10 8c2 20 8 29 28 29s26-9 28-29M4 12h8M64 12h8" />
      <path
        v-if="lit"
        class="flame"
        d="M30 48c-4-4 1-6 0-9 5 3 5 6 3 9zM44 48c-4-4 1-6 0-9 5 3 5 6 3 9z"
      />
      <path class="line thin" d="M22 50h32" />
    </template>
    <template v-else-if="kind === 'cloth'">
      <path class="line" d="M22 4h32M38 4v6" />
      <path class="milk stroked" d="M38 10c-12 8-19 16-19 25a19 15 0 0 0 38 0c0-9-7-17-19-25z" />
    </template>
    <template v-else-if="kind === 'cold'">
      <path class="line" d="M10 50V8h56v42z" />
      <path class="line thin" d="M38 14v28M26 21l24 14M50 21 26 35" />
    </template>
    <template v-else-if="kind === 'lid'">
      <path class="line" d="M12 24h52M16 24c1 16 8 26 22 26s21-10 22-26M30 24c0-9 16-9 16 0" />
    </template>
    <template v-else>
      <path v-if="full" class="milk" d="M17 30h42c-3 12-9 19-21 19s-18-7-21-19z" />
      <path class="line" d="M12 22c1 18 9 28 26 28s25-10 26-28M58 6 42 34" />
    </template>
  </svg>
</template>

<style scoped>
.line {
  fill: none;
  stroke: var(--iron);
  stroke-width: 3.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.thin {
  stroke-width: 2;
}
.milk {
  fill: #fbeed3;
}
.stroked {
  stroke: var(--iron);
  stroke-width: 3.4;
}
.flame {
  fill: var(--saffron);
}
.faint {
  opacity: 0.55;
}
</style>
