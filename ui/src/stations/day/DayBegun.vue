<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { ApiProblem, api, unwrap, type DayOut, type WayOut } from '@/api/client'
import { useRunning } from '@/api/kitchen'
import { capital, clock } from '@/say'
import { kitchenMinute } from '@/shell/minute'
import { moment } from '@/stations/sweets/serving'
import { doneActs, nextAct } from './begun'
import { numberWord, ofTwenty, spanOf } from './day'
import DayActs from './DayActs.vue'
import DayAhead from './DayAhead.vue'
import DayAfter from './DayAfter.vue'
import { pushed } from './shift'
import { usePicture } from './usePicture'
import { useSlips } from './useSlips'

/** A day that was begun, as it is followed: what is next, and what comes of it when something takes longer. */
const route = useRoute()
const client = useQueryClient()
const id = computed(() => Number(route.params.id))
const asked = useQuery({
  queryKey: ['day-begun', id],
  queryFn: () => unwrap(api.GET('/api/days/{id}', { params: { path: { id: id.value } } })),
  refetchInterval: 15_000,
  retry: false,
})
const kept = computed(() => asked.data.value)
const slips = useSlips(kept, (day) => client.setQueryData(['day-begun', id], day))
const { plan, waiting, refused } = slips
const running = useRunning()
const now = computed(() => kitchenMinute.value / 1000)
const done = computed(() =>
  plan.value && running.isSuccess.value
    ? doneActs(plan.value, kept.value!.batches, running.data.value ?? [], now.value)
    : new Set<string>(),
)
const next = computed(() => plan.value && nextAct(plan.value, done.value))
const left = computed(() => (next.value ? Math.round((next.value.start_s - now.value) / 60) : 0))
const picture = usePicture()
const chosen = ref<number>()
const page = (sweet: number) => `/stove/sweet/${kept.value!.batches[sweet]}`

/** It ends so many minutes later than it would now. */
const LATER = [10, 20, 40]
type Way = WayOut['way']
const NO_NETWORK = 0
/** What comes of it as it is worked out here, where the server cannot be asked. */
function here(task: string, end_s: number): WayOut[] {
  const after = pushed(plan.value!, now.value, task, end_s)
  const before = new Map(plan.value!.tasks.map((t) => [t.key, t.start_s]))
  const moved = after.tasks.filter((t) => t.start_s !== before.get(t.key)).map((t) => t.key)
  return [{ way: 'push', of: '', plan: after, moved, waits: [] }]
}
const slip = useMutation({
  networkMode: 'always',
  mutationFn: async ({ minutes, take }: { minutes: number; take: Way | null }) => {
    const task = next.value!
    const end_s = Math.max(task.end_s, now.value) + minutes * 60
    const body = { task: task.key, end_s, version: kept.value!.version, take }
    try {
      if (waiting.value.length) throw new ApiProblem(NO_NETWORK, '', '', [])
      const path = { id: id.value }
      return await unwrap(api.POST('/api/days/{id}/slip', { params: { path }, body }))
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.status !== NO_NETWORK) throw error
      if (take === 'push') slips.push({ task: task.key, end_s, now_s: now.value })
      else if (take) throw error
      return { day: undefined, ways: take ? [] : here(task.key, end_s) }
    }
  },
  onSuccess: (answer, { take }) => {
    if (!take) return
    slip.reset()
    if (!answer.day) return
    client.setQueryData(['day-begun', id], answer.day)
    void client.invalidateQueries({ queryKey: ['day-begun'] })
  },
})
const alone = computed(() => slip.data.value && !slip.data.value.day)
const ways = computed(() => slip.data.value?.ways ?? [])
const tried = computed(() => slip.variables.value?.minutes ?? 0)
const WAYS = { push: 'Push it all', anew: 'The rest anew' }
const verb = (w: WayOut) =>
  w.way === 'through' ? `Give up ${w.of || 'the hour at table'}` : WAYS[w.way]
const lateThen = (plan: DayOut) =>
  plan.sweets
    .filter((s) => s.ready_s > s.due_s + 30)
    .map((s) => `${s.name} ${spanOf((s.ready_s - s.due_s) / 60)} late`)
    .join(', ')
const acts = (n: number) =>
  n
    ? `${numberWord(n)} ${n === 1 ? 'act begins' : 'acts begin'} at another time`
    : 'nothing else moves'
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Day: as it is followed</h1>
    <section v-if="asked.error.value" class="tray">
      <p class="sentence problem">{{ asked.error.value.message }}</p>
    </section>
    <template v-else-if="kept && plan">
      <section class="tray now" aria-label="What to do now" aria-live="polite">
        <p class="legend">
          <RouterLink to="/day">the Day</RouterLink><b>{{ kept.name }}</b>
          <span class="soft">served {{ moment(kept.serve_s * 1000, kitchenMinute) }}</span>
        </p>
        <template v-if="next">
          <p class="when" :class="{ due: left <= 0 }">
            <b>{{ left <= 0 ? 'now' : clock(next.start_s) }}</b>
            <span v-if="left > 0" class="soft">in {{ spanOf(left) }}</span>
            <span v-else-if="left < -1" class="soft">since {{ spanOf(-left) }}</span>
          </p>
          <p class="words">
            <b>{{ capital(plan.sweets[next.sweet]!.name) }}:</b> {{ next.act }}
          </p>
          <div class="verb">
            <RouterLink class="plate" :to="page(next.sweet)">Go to it</RouterLink>
            <p class="later">
              <span class="soft">later by</span>
              <button
                v-for="m in LATER"
                :key="m"
                type="button"
                class="touch"
                :disabled="slip.isPending.value"
                @click="slip.mutate({ minutes: m, take: null })"
              >
                {{ m }} min
              </button>
            </p>
          </div>
        </template>
        <p v-else class="words"><b>All of it is done.</b> Good appetite.</p>
      </section>

      <section v-if="ways.length && next" class="tray comes" aria-label="What comes of it">
        <p class="legend">
          <b>{{ tried }} minutes later</b>
        </p>
        <div v-for="w in ways" :key="w.way" class="way">
          <p class="words small">
            <b v-if="lateThen(w.plan)" class="late">{{ capital(lateThen(w.plan)) }}</b>
            <b v-else>All is still on time</b>; {{ acts(w.moved.length) }}. {{ w.waits.join(' ') }}
          </p>
          <button
            type="button"
            class="plate line"
            :disabled="slip.isPending.value"
            @click="slip.mutate({ minutes: tried, take: w.way })"
          >
            {{ verb(w) }}
          </button>
        </div>
        <p v-if="alone" class="soft">
          Worked out here, as the server cannot be reached: other ways, and what waits too long, are
          told when it can.
        </p>
        <button type="button" class="touch" @click="slip.reset()">As it was</button>
      </section>
      <p v-if="slip.error.value" class="problem" role="alert">{{ slip.error.value.message }}</p>

      <p v-if="refused" class="problem" role="alert">{{ refused }}</p>
      <p v-if="waiting.length" class="soft waits" role="status">
        Pushed here, and not on the server yet: it hears of it when it can be reached.
      </p>
      <ul v-if="kept.taken?.length" class="taken" aria-label="What was changed">
        <li v-for="t in kept.taken" :key="t.at_s">
          <b>{{ clock(t.at_s) }}</b> {{ t.said }}
        </li>
      </ul>
      <p class="told">
        <template v-if="plan.late_min"
          ><b class="late">{{ plan.said.join(' ') }}</b></template
        >
        <template v-else
          >On time, with <b>{{ spanOf(plan.spare_min) }}</b> to spare;</template
        >
        all of it on time <b>{{ ofTwenty(plan.chance) }}</b> times.
        <RouterLink :to="`/day?${kept.query}`">Again, another day.</RouterLink>
      </p>
      <p class="out">
        <a class="touch" :href="`/api/days/${id}/sheet.pdf`" target="_blank"
          >the sheet for the wall</a
        >
        <a class="touch" :href="`/api/days/${id}/day.ics`">for a calendar, with alarms</a>
        <a class="touch" :href="`/api/days/${id}/day.csv`">as CSV</a>
        <RouterLink class="touch" to="/larder">what to buy</RouterLink>
      </p>
      <DayAfter :id="id" />
      <component
        :is="picture"
        :plan="plan"
        :now="now"
        :chosen="chosen"
        @choose="(at) => (chosen = chosen === at ? undefined : at)"
      />
      <DayAhead :plan="plan" />
      <section class="tray" aria-label="What is done when">
        <p class="legend"><b>what is done when</b></p>
        <DayActs :plan="plan" :done="done" :next="next?.key" :chosen="chosen">
          <template #act="{ task }">
            <RouterLink v-if="task.key === next?.key" :to="page(task.sweet)"
              >on the Stove</RouterLink
            >
          </template>
        </DayActs>
      </section>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 20px;
}
.page > * {
  min-width: 0;
}
.now {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px 26px;
  min-height: 110px;
}
.when {
  display: grid;
  justify-items: center;
  min-width: 128px;
  padding: 8px 14px;
  border-radius: 10px;
}
.when b {
  font: 750 46px/50px var(--figures);
  font-variant-numeric: tabular-nums;
}
.when.due {
  background: var(--saffron-fill);
  color: var(--on-saffron);
}
.when.due .soft {
  color: inherit;
}
.words {
  flex: 1 1 380px;
  font: 400 28px/38px var(--words);
}
.words.small {
  font-size: 21px;
  line-height: 30px;
}
.verb {
  display: grid;
  gap: 6px;
  justify-items: center;
}
.comes {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 32px;
  align-items: start;
}
.way {
  flex: 1 1 340px;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.later {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.out {
  display: flex;
  flex-wrap: wrap;
  gap: 0 22px;
  padding-inline: 4px;
}
.waits {
  padding-inline: 4px;
}
.taken {
  margin: 0;
  padding: 0 4px;
  list-style: none;
  font: 400 18px/26px var(--words);
}
.taken b {
  margin-right: 8px;
  font: 700 18px/26px var(--figures);
  font-variant-numeric: tabular-nums;
}
.told {
  font: 400 20px/29px var(--words);
  padding-inline: 4px;
}
.told b,
.words b {
  font-weight: 700;
}
.late {
  color: var(--madder);
}
@media (max-width: 640px) {
  .words {
    font-size: 21px;
    line-height: 29px;
  }
  .now .plate {
    min-height: 58px;
  }
}
</style>
