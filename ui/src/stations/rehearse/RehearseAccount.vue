<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { capital, weight } from '@/say'
import { lasted, minute } from './account'
import RunChart from './RunChart.vue'
import RunSlider from './RunSlider.vue'
import RehearseForm from './RehearseForm.vue'
import { useAccount, useBegin } from './rehearsal'

/** What a rehearsal came to: points, what cost what, what the senses said, and the same milk in practised hands. */
const props = defineProps<{ id: number }>()
const router = useRouter()
const account = useAccount(() => props.id)
const begin = useBegin()
const asking = ref(false)
const vessel = ref(0)
const at = ref(0)
const a = computed(() => account.data.value)
const score = computed(() => a.value!.yours.score)
const traces = computed(() => a.value!.yours.traces)
const yours = computed(() => traces.value[vessel.value]!)
const expert = computed(() => a.value!.expert.traces[vessel.value]!)
const rows = computed(() =>
  score.value.parts.map((part, i) => ({ ...part, expert: a.value!.expert.score.parts[i]! })),
)
/** What was noticed late or never: what a quick hand does within the minute needs no line. */
const LATE_S = 60
const late = computed(() => {
  const told = new Set<string>()
  return a
    .value!.notices.filter((n) => n.after_s === null || n.after_s > LATE_S)
    .filter((n) => !told.has(n.says) && told.add(n.says))
    .slice(0, 6)
})
/** One looks first at how it ended. */
watch(
  [a, vessel],
  () => {
    if (a.value) at.value = yours.value.at_s.at(-1) ?? 0
  },
  { immediate: true },
)
const signed = (n: number) => `${n > 0 ? '+' : '−'}${Math.abs(Math.round(n))}`
function again() {
  const { lesson, words } = a.value!
  if (lesson) begin.mutate({ lesson: lesson.key, level: 2 })
  else if (words) asking.value = true
  else void router.push('/stove/rehearse')
}
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
        <RouterLink to="/stove/rehearse">Rehearse</RouterLink>
        <b>{{ a.name }}</b>
        <span class="soft level">{{ a.level_says }}, seed {{ a.seed }}</span>
      </p>
      <p class="points">
        <b>{{ Math.round(score.points) }}</b> <span class="soft">of 100</span>
      </p>
      <p class="sentence">
        It gave <b>{{ score.outcome }}</b>, after <b>{{ lasted(score.total_s) }}</b>.
        <span class="soft">{{ a.truth.join(' ') }}</span>
        <span v-if="a.changed" class="soft"> This lesson has been changed since.</span>
      </p>
      <button type="button" class="plate" :disabled="begin.isPending.value" @click="again">
        {{ a.lesson || a.words ? 'Once more' : 'To the board' }}
      </button>
    </section>
    <p v-if="begin.error.value" class="problem" role="alert">{{ begin.error.value.message }}</p>
    <p v-if="traces.length > 1" class="which" role="group" aria-label="Which vessel">
      <button
        v-for="(t, i) in traces"
        :key="i"
        type="button"
        class="touch"
        :aria-pressed="vessel === i"
        @click="vessel = i"
      >
        {{ t.name }}
      </button>
    </p>
    <RunChart class="chart" :yours="yours" :expert="expert" :at="at" />
    <RunSlider v-model="at" :yours="yours" :expert="expert" />
    <section class="tray told" aria-label="What cost what">
      <div>
        <h2 class="heading">What cost what</h2>
        <ol v-if="a.slips.length" class="lessons">
          <li v-for="l in a.slips" :key="l.what">
            <b :class="{ worse: l.points < 0 }">{{ signed(l.points) }}</b>
            <span
              >{{ capital(l.what)
              }}<span class="soft"
                ><template v-if="l.was !== l.then">. {{ l.part }}: {{ l.then }}</template
                ><template v-if="Math.abs(l.standing_s) >= 45"
                  >, {{ signed(l.standing_s / 60) }} min of your time</template
                ><template v-if="Math.abs(l.yield_kg) >= 0.005"
                  >, {{ l.yield_kg > 0 ? '+' : '−' }}{{ weight(Math.abs(l.yield_kg)) }}</template
                ></span
              ></span
            >
          </li>
        </ol>
        <p v-else class="words">No single change would have been worth a point.</p>
        <p class="soft note">
          Points that the very same run would have had with this one thing different.
        </p>
        <template v-if="late.length">
          <h2 class="heading">What was said, and heard late</h2>
          <ul class="late">
            <li v-for="n in late" :key="n.at_s + n.says">
              <b>{{ minute(n.at_s) }}</b>
              <span
                >“{{ n.says }}”
                <span class="soft">{{
                  n.after_s === null ? 'nothing was done' : `done ${minute(n.after_s)} later`
                }}</span></span
              >
            </li>
          </ul>
        </template>
        <template v-if="a.lesson">
          <h2 class="heading">What a good hand does</h2>
          <p class="words">{{ a.lesson.good }}</p>
        </template>
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
          <tr v-for="row in rows" :key="row.key">
            <th scope="row">{{ row.name }}</th>
            <td class="figure">{{ Math.round(row.points) }}</td>
            <td>{{ row.says }}</td>
            <td class="soft">{{ row.expert.says }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <NModal v-model:show="asking">
      <RehearseForm v-if="a.words" :asked="{ plan: a.words }" @cancel="asking = false" />
    </NModal>
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
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 12px 32px 0;
}
.which [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
.chart {
  margin: 14px 4px;
}
.told {
  display: grid;
  grid-template-columns: 1fr 1.2fr;
  gap: 40px;
}
.lessons li,
.late li {
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
.late b {
  min-width: 3em;
  text-align: right;
}
.note {
  margin: 6px 0 12px;
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
  .level {
    display: none;
  }
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
