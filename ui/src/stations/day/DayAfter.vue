<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { clock } from '@/say'
import { readyWords, stepWords } from './after'
import { spanOf } from './day'

/** What is made of a day beside its plan: when each sweet was ready, how long hands were at it, and what took otherwise. */
const props = defineProps<{ id: number }>()
const asked = useQuery({
  queryKey: ['day-begun', 'after', computed(() => props.id)],
  queryFn: () => unwrap(api.GET('/api/days/{id}/after', { params: { path: { id: props.id } } })),
  refetchInterval: 30_000,
})
const made = computed(() => asked.data.value?.sweets.filter((s) => s.ready_s !== null) ?? [])
const feet = computed(() => ({
  told: made.value.reduce((sum, s) => sum + s.feet_told_s, 0) / 60,
  took: made.value.reduce((sum, s) => sum + s.feet_s, 0) / 60,
}))
const span = ({ low, high }: { low: number; high: number }) =>
  low === high ? low : `${low}–${high}`
</script>

<template>
  <section v-if="made.length" class="tray after" aria-label="As it went">
    <p class="legend"><b>as it went</b></p>
    <p class="words">
      Hands were at it for <b>{{ spanOf(feet.took) }}</b>, told {{ spanOf(feet.told) }}.
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="Each sweet as it went">
      <table>
        <thead>
          <tr>
            <th scope="col">sweet</th>
            <th scope="col">ready</th>
            <th scope="col">told</th>
            <th scope="col">how many</th>
            <th scope="col">what took otherwise</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in made" :key="s.batch">
            <th scope="row">
              <RouterLink :to="`/book/${s.batch}`">{{ s.name }}</RouterLink>
            </th>
            <td class="got">
              {{ clock(s.ready_s!) }}
              <small :class="{ late: s.ready_s! > s.due_s + 30 }">{{ readyWords(s) }}</small>
            </td>
            <td>{{ clock(s.told_s) }}</td>
            <td>
              {{ s.counted ?? '–' }}
              <small>told {{ span(s.told_pieces) }}</small>
            </td>
            <td>
              <span v-for="step in s.steps.slice(0, 3)" :key="step.step" class="step">{{
                stepWords(step)
              }}</span>
              <span v-if="!s.steps.length" class="soft">nothing by much</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="made.some((s) => s.steps.some((x) => x.teaches))" class="soft">
      Steps by hand that were timed set the next plans’ minutes (<RouterLink to="/book/learned"
        >what was learned</RouterLink
      >).
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.words {
  font: 400 22px/30px var(--words);
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 6px 18px 4px 0;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
thead th {
  color: var(--ink-soft);
}
.got {
  font-size: 21px;
  font-weight: 680;
  white-space: nowrap;
}
small {
  display: block;
  font: 450 13.5px/18px var(--figures);
  color: var(--ink-soft);
}
.late {
  color: var(--madder);
}
.step {
  display: block;
  line-height: 22px;
}
</style>
