<script setup lang="ts">
import { capital, clock, spoken } from '@/say'
import BowlRow from './BowlRow.vue'
import type { Cause, Line } from './mend'

/** The causes in their order: how likely, the line of the record behind each, and what speaks against it. */
defineProps<{
  causes: Cause[]
  cleared: string[]
  lit: string
  /** Bowls as they would be if the answer that is pointed at were given. */
  preview: Record<string, number> | null
  /** There is a batch to write the finding to. */
  kept: boolean
}>()
const emit = defineEmits<{ light: [key: string]; held: [cause: Cause] }>()
const rows = defineModel<HTMLElement[]>('rows', { required: true })

const from = (line: Line) =>
  line.origin === 'log' && line.at_s
    ? `${clock(line.at_s)} ${line.text}`
    : line.origin === 'said'
      ? `you said: ${line.text}`
      : line.origin === 'larder'
        ? `${line.text}, by your Larder`
        : line.text
const all = (lines: Line[]) => lines.map(from).join('; ')
</script>

<template>
  <section aria-label="Why">
    <h2 class="heading">Why <span class="soft">the fuller the bowls, the likelier</span></h2>
    <ol class="causes">
      <li
        v-for="(c, at) in causes"
        :key="c.key"
        :ref="(el) => (rows[at] = el as HTMLElement)"
        :class="{ lit: lit === c.key, faint: (preview?.[c.key] ?? c.bowls) < 1.5 && !c.confirmed }"
        @mouseenter="emit('light', c.key)"
        @mouseleave="emit('light', '')"
      >
        <BowlRow :bowls="preview?.[c.key] ?? c.bowls" :word="spoken(c.word)" />
        <div>
          <p class="why">{{ capital(c.why) }}</p>
          <p v-if="c.speaks.length">{{ all(c.speaks) }}.</p>
          <p class="soft">
            <template v-if="c.against.length">against: {{ all(c.against) }}</template>
            <template v-else-if="c.unknown.length">not known: {{ within(c.unknown[0]!) }}</template>
            <template v-else>against: nothing</template>
          </p>
        </div>
        <button
          v-if="kept"
          type="button"
          class="touch"
          :aria-pressed="c.confirmed"
          :aria-label="`That was it: ${c.why}`"
          @click="emit('held', c)"
        >
          {{ c.confirmed ? '✓ that was it' : 'that was it' }}
        </button>
      </li>
    </ol>
    <p v-if="cleared.length" class="cleared"><b>✓</b> Cleared: {{ cleared.join('; ') }}.</p>
  </section>
</template>

<script lang="ts">
const within = (ask: string) => ask.charAt(0).toLowerCase() + ask.slice(1)
</script>

<style scoped>
.heading .soft {
  font: 400 13.5px var(--figures);
  margin-left: 8px;
}
.causes li {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  grid-template-rows: auto 1fr;
  gap: 2px 16px;
  align-items: start;
  padding: 12px 8px 10px 4px;
  border-radius: 8px;
  font-size: 15px;
  line-height: 20px;
}
.causes li + li {
  border-top: 1px solid var(--ridge);
}
.causes li.lit {
  background: var(--cobalt-wash);
}
.causes svg {
  margin-top: 4px;
}
.causes div {
  grid-column: 2;
  grid-row: 1 / 3;
}
.why {
  font-size: 17px;
  line-height: 22px;
  font-weight: 680;
}
.faint .why {
  color: var(--ink-soft);
}
.soft {
  font-size: 13.5px;
}
.touch {
  font-size: 14px;
  white-space: nowrap;
  justify-self: start;
}
[aria-pressed='true'] {
  color: var(--leaf);
  font-weight: 700;
}
.cleared {
  margin: 14px 4px 0;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.cleared b {
  color: var(--leaf);
  font-size: 17px;
}
@media (max-width: 900px) {
  .causes li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px 12px;
  }
  .causes svg {
    grid-column: 1;
  }
  .causes div {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .touch {
    grid-row: 1;
    grid-column: 2;
  }
}
</style>
