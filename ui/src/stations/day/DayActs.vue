<script setup lang="ts">
import type { DayOut } from '@/api/client'
import { clock, day } from '@/say'
import { sittingsOf, spanOf, type Task } from './day'

/** Every act of the day, one line each, by sittings; what is done is ticked, what was moved says when it was. */
const props = defineProps<{
  plan: DayOut
  done?: Set<string>
  next?: string
  chosen?: number
  was?: Map<string, number>
  pins?: string[]
}>()
defineSlots<{
  act?: (of: { task: Task }) => unknown
  time?: (of: { task: Task }) => unknown
}>()
const rest = (at: number) => {
  const sittings = sittingsOf(props.plan)
  const [here, then] = [sittings[at], sittings[at + 1]]
  return here && then ? (then.start_s - here.end_s) / 60 : 0
}
</script>

<template>
  <div class="acts">
    <section
      v-for="(s, i) in sittingsOf(plan)"
      :key="s.start_s"
      :aria-label="`From ${clock(s.start_s)}`"
    >
      <h2>
        {{ day(s.start_s) }}, <b>{{ clock(s.start_s) }}</b> to <b>{{ clock(s.end_s) }}</b>{{ ' '
        }}<span class="soft">{{ spanOf((s.end_s - s.start_s) / 60) }}</span>
      </h2>
      <table>
        <caption class="visually-hidden">
          What is done when
        </caption>
        <thead class="visually-hidden">
          <tr>
            <th scope="col">at</th>
            <th scope="col">what</th>
            <th scope="col">sweet</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="t in s.acts"
            :key="t.key"
            :class="{
              done: done?.has(t.key),
              next: next === t.key,
              other: chosen !== undefined && chosen !== t.sweet,
            }"
          >
            <th scope="row">
              <slot name="time" :task="t">{{ clock(t.start_s) }}</slot><span
                v-if="done?.has(t.key)"
                class="visually-hidden"
                >, done</span
              >
            </th>
            <td class="what">
              {{ t.act }}
              <span v-if="was?.get(t.key) !== undefined" class="was"
                >was {{ clock(was.get(t.key)!) }}</span
              >
              <span v-if="pins?.includes(t.key)" class="was held">held here</span>
              <slot name="act" :task="t" />
            </td>
            <td class="soft">{{ plan.sweets[t.sweet]!.name }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="rest(i) >= 45" class="soft feet">Feet up for {{ spanOf(rest(i)) }}.</p>
    </section>
  </div>
</template>

<style scoped>
.acts {
  columns: 2 420px;
  column-gap: 44px;
}
section {
  margin-bottom: 20px;
}
h2 {
  font: 500 16px/24px var(--figures);
  break-after: avoid;
}
h2 b {
  font-weight: 700;
}
table {
  width: 100%;
  border-collapse: collapse;
}
tr {
  break-inside: avoid;
  border-bottom: 1px solid color-mix(in srgb, var(--ink) 12%, transparent);
}
th {
  width: 62px;
  white-space: nowrap;
  padding: 6px 0 4px;
  text-align: left;
  vertical-align: baseline;
  font: 700 20px/26px var(--figures);
  font-variant-numeric: tabular-nums;
}
td {
  padding: 6px 0 4px;
  vertical-align: baseline;
}
.what {
  font: 400 18px/25px var(--words);
}
td.soft {
  width: 108px;
  padding-left: 12px;
  font-size: 13.5px;
}
.was {
  white-space: nowrap;
  margin-left: 6px;
  font: 500 14px/20px var(--figures);
  color: var(--ink-soft);
}
.held {
  color: var(--leaf);
}
.done {
  opacity: 0.5;
}
.done th {
  padding-right: 12px;
}
.done th::before {
  content: '✓ ';
  color: var(--leaf);
}
.next th {
  border-radius: 6px;
  background: var(--saffron-fill);
  color: var(--on-saffron);
  padding-left: 6px;
}
.other {
  opacity: 0.4;
}
.feet {
  padding: 6px 0 0 62px;
  font: 400 17px/24px var(--words);
}
@media (max-width: 640px) {
  td.soft {
    width: 78px;
    font-size: 12.5px;
  }
}
</style>
