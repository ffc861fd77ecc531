<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap, type AllLearned, type LearnedNumber } from '@/api/client'
import { day } from '@/say'
import LearnedRow from './LearnedRow.vue'
import { axisEnd, groupsOf, marksOf, narrows, shifted, toDo, WHENCE } from './learned'

/** What this kitchen has learned: each number against the table's, what it rests on, and what to measure next. */
const client = useQueryClient()
const learned = useQuery({
  queryKey: ['book', 'learned'],
  queryFn: () => unwrap(api.GET('/api/learned')),
})
const told = computed(() => learned.data.value)
/** Every plan may rest on it. */
const news = (answer: AllLearned) => {
  client.setQueryData(['book', 'learned'], answer)
  void client.invalidateQueries({ predicate: (q) => q.queryKey[1] !== 'learned' })
}
type Own = {
  n: Pick<LearnedNumber, 'family' | 'key'>
  what: 'freeze' | 'thaw' | 'anew' | 'all'
  from?: number
}
const own = useMutation({
  mutationFn: ({ n, what, from }: Own) =>
    unwrap(
      api.PUT('/api/learned', {
        body: { family: n.family, key: n.key, do: what, from_s: from ?? null },
      }),
    ),
  onSuccess: news,
})
const count = useMutation({
  mutationFn: async ({ batches, counts }: { batches: number[]; counts: boolean }) => {
    let answer: AllLearned | undefined
    for (const batch of batches)
      answer = await unwrap(api.PUT('/api/learned/counts', { body: { batch, counts } }))
    return answer!
  },
  onSuccess: news,
})
const leave = (...batches: number[]) => count.mutate({ batches, counts: false })
const groups = computed(() => (told.value ? groupsOf(told.value) : []))
const moved = computed(() => told.value?.numbers.filter((n) => n.drift) ?? [])
const judged = computed(() =>
  Object.values(told.value?.verdicts ?? {}).reduce((sum, n) => sum + n, 0),
)
const problem = computed(() => (own.error.value ?? count.error.value)?.message)
const next = computed(() => told.value?.next[0])
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: what this kitchen has learned</h1>
    <section v-if="learned.error.value" class="tray">
      <p class="sentence problem">{{ learned.error.value.message }}</p>
    </section>
    <template v-else-if="told">
      <section class="tray" aria-label="In words">
        <p class="legend"><RouterLink to="/book">all batches</RouterLink><b>What was learned</b></p>
        <p v-if="!told.numbers.length" class="sentence">
          Nothing of its own yet: every figure is the table’s. A batch that is lit, timed to its end
          and weighed teaches the next.
        </p>
        <p v-else class="sentence">
          <b>{{ told.numbers.length }}</b>
          {{ told.numbers.length === 1 ? 'number is' : 'numbers are' }} this kitchen’s own; all else
          is the table’s.
          <template v-if="next"
            >To know more: <b>{{ toDo(next).what }}</b>. {{ toDo(next).how }}
            {{ narrows(next) }}</template
          >
        </p>
      </section>
      <section
        v-for="n in moved"
        :key="n.key"
        class="tray moved"
        :aria-label="`A shift: ${n.name}`"
      >
        <p class="words">
          <b>{{ n.name }}</b> is {{ shifted(n) }}. {{ WHENCE[n.family] }}
        </p>
        <p class="acts">
          <button
            type="button"
            class="plate"
            @click="own.mutate({ n, what: 'anew', from: n.drift!.since_s })"
          >
            It is the new normal
          </button>
          <button type="button" class="plate line" @click="leave(...n.drift!.batches)">
            A one-off: leave them out
          </button>
        </p>
      </section>
      <section v-for="g in groups" :key="g.family" class="group" :aria-label="g.title">
        <h2 class="heading">
          {{ g.title }} <small>{{ g.unit }}</small>
        </h2>
        <ul>
          <LearnedRow
            v-for="n in g.numbers"
            :key="n.key"
            :number="n"
            :end="axisEnd(g)"
            @own="(what) => own.mutate({ n, what })"
            @leave="leave"
          />
          <li class="axis" aria-hidden="true">
            <span
              ><i
                v-for="m in marksOf(g)"
                :key="m"
                :style="{ left: `${(m / axisEnd(g)) * 100}%` }"
                >{{ m }}</i
              ></span
            >
          </li>
        </ul>
      </section>
      <section v-if="judged" class="group" aria-label="How thick you like it">
        <h2 class="heading">How thick you like it</h2>
        <p class="line">
          <span
            >Judged cold: too thick {{ told.verdicts['too-thick'] ?? 0 }}, right
            {{ told.verdicts['right'] ?? 0 }}, too thin {{ told.verdicts['too-thin'] ?? 0 }}. Your
            batches set <b>{{ told.thickness.likely.toFixed(1) }}</b> of the thickness told.</span
          >
          <button
            type="button"
            class="touch"
            @click="
              own.mutate({
                n: { family: 'thickness', key: '' },
                what: told.thickness_frozen ? 'thaw' : 'freeze',
              })
            "
          >
            {{ told.thickness_frozen ? 'let it learn again' : 'keep it as it is' }}
          </button>
          <button
            type="button"
            class="touch"
            @click="own.mutate({ n: { family: 'thickness', key: '' }, what: 'anew' })"
          >
            begin it anew
          </button>
        </p>
      </section>
      <section v-if="told.next.length > 1" class="group" aria-label="Also worth measuring">
        <h2 class="heading">Also worth measuring</h2>
        <p v-for="m in told.next.slice(1)" :key="m.how + m.key" class="line">
          <span
            ><b>{{ toDo(m).what }}.</b> {{ narrows(m) }}</span
          >
        </p>
      </section>
      <section v-if="told.left_out.length" class="group" aria-label="Left out">
        <h2 class="heading">Left out</h2>
        <p v-for="b in told.left_out" :key="b.batch" class="line">
          <RouterLink :to="`/book/${b.batch}`">{{ b.name }}</RouterLink>
          <span class="soft">{{ day(b.at_s) }}</span>
          <button
            type="button"
            class="touch"
            @click="count.mutate({ batches: [b.batch], counts: true })"
          >
            let it count again<span class="visually-hidden">: {{ b.name }}</span>
          </button>
        </p>
      </section>
      <p class="foot soft">
        <span class="key"><i class="table" />the table alone</span>
        <span class="key"><i class="own" />learned here, four times in five</span>
        Rehearsals and batches that were given up never count.
        <a class="touch" href="/api/learned.csv" download>save as CSV</a>
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </template>
  </div>
</template>

<style scoped>
.moved {
  margin-top: 14px;
  background: color-mix(in srgb, var(--saffron-fill) 22%, var(--enamel));
}
.moved .words {
  font: 400 22px/30px var(--words);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin-top: 8px;
}
.group {
  margin: 16px 32px 0;
}
.heading small {
  font: 450 14.5px var(--figures);
  color: var(--ink-soft);
}
.axis {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 70px minmax(0, 1.5fr) 180px 104px;
  gap: 16px;
  height: 20px;
}
.axis span {
  grid-column: 3;
  position: relative;
  border-top: 1.5px solid var(--iron);
}
.axis i {
  position: absolute;
  transform: translateX(-50%);
  font: 450 13px/19px var(--figures);
  color: var(--ink-soft);
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 18px;
  font-size: 17px;
  line-height: 25px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 20px;
  margin: 18px 32px 0;
}
.key {
  display: flex;
  align-items: center;
  gap: 8px;
}
.key i {
  width: 34px;
  height: 14px;
  border-radius: 7px;
}
.key .table {
  background: color-mix(in srgb, var(--water-line) 34%, var(--counter));
}
.key .own {
  background: var(--enamel);
  border: 2px solid var(--iron);
}
@media (max-width: 900px) {
  .axis {
    grid-template-columns: minmax(0, 1fr);
  }
  .axis span {
    grid-column: 1;
  }
  .group,
  .foot {
    margin-inline: 16px;
  }
}
</style>
