<script setup lang="ts">
import { computed } from 'vue'
import { clock } from '@/say'
import type { Moment } from './mend'

/** The record as a thin upright river: only what was logged; a dot tells something, a tick does not. */
const props = defineProps<{ moments: Moment[]; lit: number[] }>()

const ROW = 46
const WIDEST = 46
const PLAIN = 8
const LEFT = 64

const height = computed(() => props.moments.length * ROW)
const mid = (at: number) => (at + 0.5) * ROW
/** How wide it is at each moment: by its grams, where they are known; between them as before. */
const widths = computed(() => {
  const most = Math.max(...props.moments.map((m) => m.kg ?? 0), 0)
  let last = most ? WIDEST : PLAIN
  return props.moments.map((m) => {
    if (m.kg !== null && most) last = Math.max(PLAIN, (m.kg / most) * WIDEST)
    return last
  })
})
const river = computed(() => {
  const w = widths.value
  if (!w.length) return ''
  const right = w.map((width, at) => `${LEFT + width} ${mid(at)}`)
  return `M${LEFT} 0H${LEFT + w[0]!}L${right.join('L')}L${LEFT + w[w.length - 1]!} ${height.value}H${LEFT}Z`
})
const TEXT = LEFT + WIDEST + 14
</script>

<template>
  <section class="record" aria-label="The record">
    <h2 class="heading">The record</h2>
    <p v-if="!moments.length" class="soft">Nothing of it was logged: answer what is asked.</p>
    <div class="drawn" :style="{ height: `${height}px` }">
      <svg :width="TEXT" :height="height" aria-hidden="true">
        <path class="river" :d="river" />
        <template v-for="(m, at) in moments" :key="`${m.batch}-${m.event}`">
          <circle
            v-if="m.readings.length"
            :class="{ lit: lit.includes(at) }"
            :cx="LEFT"
            :cy="mid(at)"
            r="6.5"
          />
          <path v-else class="tick" :d="`M${LEFT - 9} ${mid(at)}h9`" />
        </template>
      </svg>
      <ol>
        <li
          v-for="(m, at) in moments"
          :key="`${m.batch}-${m.event}`"
          :class="{ tells: m.readings.length, lit: lit.includes(at) }"
          :style="{ height: `${ROW}px` }"
        >
          <time>{{ clock(m.at_s) }}</time>
          <span :style="{ marginLeft: `${TEXT - 50}px` }">{{ m.text }}</span>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.drawn {
  position: relative;
  margin-top: 6px;
}
svg {
  position: absolute;
  inset: 0 auto auto 0;
}
.river {
  fill: var(--enamel);
  stroke: var(--iron);
  stroke-width: 1.8;
}
circle {
  fill: var(--ink);
  stroke: var(--counter);
  stroke-width: 2;
}
circle.lit {
  fill: var(--cobalt);
}
.tick {
  stroke: var(--iron);
  stroke-width: 1.6;
}
li {
  display: flex;
  align-items: center;
  position: relative;
  font-size: 15px;
  line-height: 19px;
}
time {
  width: 50px;
  flex: none;
  font-weight: 650;
}
li span {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  overflow: hidden;
}
.tells span {
  font-weight: 650;
}
li.lit span {
  color: var(--cobalt);
}
</style>
