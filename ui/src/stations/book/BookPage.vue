<script setup lang="ts">
import { LONGEST_NOTE } from '@/api/shared'
import { NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useLog, useRecord } from '@/api/kitchen'
import BatchCurve from '@/charts/BatchCurve.vue'
import { clock, cm, day, minutes, weight, spoken } from '@/say'
import { reduceAgain } from '@/stations/bench/again'
import ReadingsTray from './ReadingsTray.vue'

const route = useRoute()
const record = useRecord(() => Number(route.params.id))
const log = useLog()
const note = ref('')

const batch = computed(() => record.data.value?.batch)
const told = computed(() => record.data.value?.told)
const took = computed(() =>
  batch.value?.off_at_s && batch.value.boiled_at_s
    ? batch.value.off_at_s - batch.value.boiled_at_s
    : null,
)
const notes = computed(() => batch.value?.log.filter((l) => l.kind === 'note' && !l.undone) ?? [])
const verdict = (value: number, r: { low: number; high: number }, less: string, more: string) =>
  value < r.low ? less : value > r.high ? more : 'as told'
const rows = computed(() => {
  const b = batch.value
  const t = told.value
  if (!b || !t) return []
  const last = b.points.at(-1)
  return [
    {
      what: 'to serve',
      told: `${weight(t.served_kg.likely)} (${weight(t.served_kg.low)}–${weight(t.served_kg.high)})`,
      got: b.weighed_kg === null ? '' : weight(b.weighed_kg),
      how:
        b.weighed_kg === null
          ? 'not weighed'
          : verdict(b.weighed_kg, t.served_kg, 'less than told', 'more than told'),
    },
    {
      what: 'minutes after the first boil',
      told: `${minutes(t.after_boil_s.likely)} (${minutes(t.after_boil_s.low)}–${minutes(t.after_boil_s.high)})`,
      got: took.value === null ? '' : minutes(took.value),
      how:
        took.value === null
          ? 'not off yet'
          : verdict(took.value, t.after_boil_s, 'sooner than told', 'later than told'),
    },
    {
      what: 'depth when it came off, cm',
      told: cm(t.stop_depth_m.likely),
      got: b.off_at_s && last ? cm(last.depth_m) : '',
      how: b.off_at_s ? 'as estimated' : '',
    },
  ]
})
/** What was judged cold is known to be wrong. */
const FAULTS: Record<string, string> = {
  'too-thick': 'too-thick-cold',
  'too-thin': 'too-thin-cold',
}
const wrong = computed(() => ({
  of: batch.value?.id,
  fault: FAULTS[batch.value?.verdict ?? ''],
}))
function write() {
  if (!batch.value || !note.value.trim()) return
  const sent = note.value
  log.mutate(
    { id: batch.value.id, event: { kind: 'note', text: sent.trim() } },
    { onSuccess: () => note.value === sent && (note.value = '') }, // what was typed meanwhile stays
  )
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: one batch</h1>
    <section v-if="record.error.value" class="tray">
      <p class="sentence problem">{{ record.error.value.message }}</p>
    </section>
    <template v-else-if="batch && told">
      <section class="tray" aria-label="The batch in words">
        <p class="legend">
          <RouterLink to="/book">all batches</RouterLink><b>{{ batch.name }}</b>
        </p>
        <p class="sentence">
          On <b>{{ day(batch.created_at_s) }}</b> you took
          <b>{{ batch.amount }} of {{ batch.milk_name }}</b> down in <b>{{ batch.pan.name }}</b> to
          <b>{{ batch.stop }}</b>.
          <template v-if="took !== null"
            >It was on for <b>{{ minutes(took) }} minutes</b> after the first boil</template
          >
          <template v-else>It is still on the fire</template
          ><template v-if="batch.weighed_kg !== null">
            and gave <b>{{ weight(batch.weighed_kg) }}</b></template
          >. <RouterLink :to="reduceAgain(batch.words)">Again, like this time.</RouterLink>
        </p>
      </section>
      <BatchCurve class="curve" :batch="batch" :told="told" />
      <section class="tray doing" aria-label="Told and got">
        <table>
          <thead>
            <tr>
              <th scope="col">Told and got</th>
              <th scope="col">told</th>
              <th scope="col">got</th>
              <td />
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.what">
              <th scope="row">{{ r.what }}</th>
              <td>{{ r.told }}</td>
              <td class="got">{{ r.got }}</td>
              <td class="soft">{{ r.how }}</td>
            </tr>
          </tbody>
        </table>
        <div class="notes">
          <template v-if="batch.phase === 'off' || batch.phase === 'weighed'">
            <h2 class="heading">When it was cold</h2>
            <p class="cold">
              it was
              <button
                v-for="v in ['too-thin', 'right', 'too-thick'] as const"
                :key="v"
                type="button"
                class="touch"
                :aria-pressed="batch.verdict === v"
                @click="log.mutate({ id: batch.id, event: { kind: 'judged', how: v } })"
              >
                {{ spoken(v) }}
              </button>
            </p>
            <p>
              <RouterLink class="touch" :to="{ path: '/book/mend', query: wrong }"
                >What went wrong?</RouterLink
              >
            </p>
            <p v-if="batch.verdict" class="soft">The next plans’ thickness leans on it.</p>
          </template>
          <h2 class="heading">Notes</h2>
          <p v-for="n in notes" :key="n.event_id" class="words">
            <span class="soft">{{ clock(n.at_s) }}</span> {{ n.text }}
          </p>
          <form @submit.prevent="write">
            <NInput
              v-model:value="note"
              :maxlength="LONGEST_NOTE"
              placeholder="How did it turn out cold?"
              :input-props="{ 'aria-label': 'A note' }"
            />
            <button type="submit" class="plate" :disabled="!note.trim()">Write it down</button>
          </form>
          <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
        </div>
      </section>
      <ReadingsTray :batch-id="batch.id" />
    </template>
  </div>
</template>

<style scoped>
.curve {
  margin: 14px 4px 12px;
}
.doing {
  display: grid;
  grid-template-columns: 1.1fr 1fr;
  gap: 40px;
  padding-block: 18px;
}
table {
  border-collapse: collapse;
  align-self: start;
}
th,
td {
  padding: 5px 14px 3px 0;
  text-align: left;
  font-weight: 400;
  font-size: 16px;
}
thead th:first-child {
  font: 650 21px/28px var(--words);
  color: var(--ink);
}
thead th + th {
  color: var(--ink-soft);
}
.got {
  white-space: nowrap;
  font-size: 22px;
  font-weight: 680;
}
.cold {
  display: flex;
  gap: 16px;
  margin-bottom: 6px;
}
.cold [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
.notes .words {
  margin-top: 4px;
  font-size: 18px;
  line-height: 25px;
}
form {
  display: flex;
  gap: 12px;
  margin-top: 12px;
  align-items: center;
}
@media (max-width: 900px) {
  .doing {
    grid-template-columns: minmax(0, 1fr);
  }
  form {
    flex-wrap: wrap;
  }
}
</style>
