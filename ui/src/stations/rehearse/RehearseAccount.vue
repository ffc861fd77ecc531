<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { minutes, percent, weight } from '@/say'
import RunChart from './RunChart.vue'
import RehearseForm from './RehearseForm.vue'
import { useAccount, type Run } from './rehearsal'

/** What a rehearsal came to: points, what cost what, and the same milk in practised hands. */
const props = defineProps<{ id: number }>()
const account = useAccount(() => props.id)
const again = ref(false)
const a = computed(() => account.data.value)

const PARTS: Record<string, string> = {
  target: 'the stop',
  scorch: 'the bottom',
  texture: 'texture',
  saved: 'milk saved',
  standing: 'standing',
}
function fact(part: string, run: Run, goal: number): string {
  const s = run.score
  if (part === 'target')
    return Math.abs(s.off_target) < 0.005
      ? `${weight(s.yield_kg)}, just as it should be`
      : `${weight(s.yield_kg)}, ${percent(Math.abs(s.off_target))} ${s.off_target > 0 ? 'more' : 'less'} than ${weight(goal)}`
  if (part === 'scorch')
    return s.scorch > 0.6 ? 'burnt' : s.scorch > 0.2 ? 'it tastes of toast' : 'clean'
  if (part === 'texture')
    return s.split ? 'it split' : s.lumps > 0.3 ? 'lumps' : s.grit_kg > 0.002 ? 'gritty' : 'smooth'
  if (part === 'saved')
    return s.spilt_kg > 0.001
      ? `${weight(s.spilt_kg)} boiled over`
      : `${weight(s.side_kg)} left on the sides`
  return `${minutes(s.standing_s)} of ${minutes(s.total_s)} minutes at the pan`
}
const rows = computed(() =>
  a.value
    ? Object.keys(PARTS).map((part) => ({
        part: PARTS[part]!,
        yours: a.value!.yours.score.parts[part] ?? 0,
        said: fact(part, a.value!.yours, a.value!.goal_kg),
        expert: fact(part, a.value!.expert, a.value!.goal_kg),
      }))
    : [],
)
const signed = (n: number) => `${n > 0 ? '+' : '−'}${Math.abs(Math.round(n))}`
</script>

<template>
  <section v-if="!a" class="tray">
    <p class="sentence" role="status">
      {{ account.error.value?.message ?? 'Running it again, with one thing changed at a time…' }}
    </p>
  </section>
  <template v-else>
    <section class="tray verdict" aria-label="What it came to">
      <p class="legend">
        <RouterLink to="/stove/rehearse">Rehearsal</RouterLink>
        <span class="soft">level {{ a.level }}, {{ a.level_says }}, seed {{ a.seed }}</span>
      </p>
      <p class="points">
        <b>{{ Math.round(a.yours.score.points) }}</b> <span class="soft">of 100</span>
      </p>
      <p class="sentence">
        It gave <b>{{ weight(a.yours.score.yield_kg) }}</b>, {{ a.yours.score.colour }}, after
        <b>{{ minutes(a.yours.score.total_s) }} minutes</b> on the fire.
        <span class="soft">{{ a.truth.join(' ') }}</span>
      </p>
      <button type="button" class="plate" @click="again = true">Once more</button>
    </section>
    <RunChart class="chart" :yours="a.yours" :expert="a.expert" :goal="a.goal_kg" />
    <section class="tray told" aria-label="What cost what">
      <div>
        <h2 class="heading">What cost what</h2>
        <ol v-if="a.lessons.length" class="lessons">
          <li v-for="l in a.lessons" :key="l.what">
            <b :class="{ worse: l.points < 0 }">{{ signed(l.points) }}</b>
            <span
              >{{ l.what
              }}<span v-if="Math.abs(l.standing_s) >= 45" class="soft"
                >, {{ signed(l.standing_s / 60) }} min at the pan</span
              ></span
            >
          </li>
        </ol>
        <p v-else class="words">No single change would have been worth a point.</p>
        <p class="soft note">
          Points that the very same run would have had with this one thing different, stopped at the
          same weight.
        </p>
      </div>
      <table>
        <thead>
          <tr>
            <th scope="col">Points for</th>
            <td />
            <th scope="col">yours</th>
            <th scope="col">in practised hands: {{ Math.round(a.expert.score.points) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.part">
            <th scope="row">{{ row.part }}</th>
            <td class="figure">{{ Math.round(row.yours) }}</td>
            <td>{{ row.said }}</td>
            <td class="soft">{{ row.expert }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <NModal v-model:show="again"><RehearseForm :plan="a.words" @cancel="again = false" /></NModal>
  </template>
</template>

<style scoped>
.verdict {
  display: flex;
  gap: 30px;
  align-items: center;
}
.verdict .sentence {
  flex: 1;
  font-size: 23px;
  line-height: 34px;
}
.points {
  padding-top: 14px;
}
.points b {
  display: block;
  font-size: 104px;
  line-height: 84px;
  font-weight: 700;
  letter-spacing: -4px;
}
.chart {
  margin: 14px 4px;
}
.told {
  display: grid;
  grid-template-columns: 1fr 1.35fr;
  gap: 40px;
}
.lessons li {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 3px 0;
  font-size: 17px;
}
.lessons b {
  min-width: 2.2em;
  text-align: right;
  font-size: 24px;
  color: var(--leaf);
}
.lessons b.worse {
  color: var(--ink-soft);
}
.note {
  margin-top: 6px;
  font-size: 14px;
}
table {
  border-collapse: collapse;
  align-self: start;
}
th,
td {
  padding: 4px 14px 3px 0;
  text-align: left;
  font-weight: 400;
  font-size: 16px;
  vertical-align: baseline;
}
thead th {
  color: var(--ink-soft);
}
thead th:first-child {
  font: 650 21px/28px var(--words);
  color: var(--ink);
  white-space: nowrap;
}
.figure {
  font-size: 22px;
  font-weight: 680;
  text-align: right;
}
@media (max-width: 900px) {
  .verdict {
    flex-direction: column;
    align-items: stretch;
  }
  .told {
    grid-template-columns: minmax(0, 1fr);
  }
  th:last-child,
  td:last-child {
    display: none;
  }
}
</style>
