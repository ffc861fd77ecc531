<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { SweetOut } from '@/api/client'
import { grouped } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'

/** What to weigh, in grams and in the cook's own cups, when each goes in; a tap ticks it off. */
const props = defineProps<{ answer: SweetOut; swapping: string; problem?: string }>()
const weighed = defineModel<string>('weighed', { required: true })
/** Keys of what is in the bowl, with ; between. */
const inBowl = defineModel<string>('ticked', { required: true })
const emit = defineEmits<{ swap: [key: string]; kept: []; ticked: [] }>()
type Row = SweetOut['rows'][number]
const ticked = computed(() => new Set(inBowl.value.split(';').filter(Boolean)))
const mark = (r: Row) => [r.key, r.within, r.when].filter(Boolean).join('~')
function tick(r: Row) {
  const all = new Set(ticked.value)
  if (!all.delete(mark(r))) all.add(mark(r))
  inBowl.value = [...all].join(';')
  emit('ticked')
}
/** Rounded as a cook weighs it; a touch shows the figure behind. */
const exact = reactive(new Set<number>())
const amount = (g: number) => `${g >= 100 ? g.toFixed(1) : g.toFixed(2)} g`
const whole = computed(() => props.answer.rows.reduce((sum, r) => sum + r.grams, 0))
const bench = (b: SweetOut['bases'][number]) => ({ path: `/bench${b.route}`, query: b.words })
/** The base a row belongs to: it opens on the Bench. */
const baseOf = (r: Row) => {
  const doing = { 'to reduce': 'reduce', 'to curdle': 'curdle', 'to hang': 'hang' }[r.when]
  return r.within ? undefined : props.answer.bases.find((b) => b.do === doing && !b.ready)
}
</script>

<template>
  <table>
    <caption class="visually-hidden">
      The weighing list,
      {{
        grouped(whole)
      }}
      g in all
    </caption>
    <tbody>
      <tr v-for="r in answer.rows" :key="r.number" :class="{ done: ticked.has(mark(r)) }">
        <td class="box">
          <button
            type="button"
            :aria-pressed="ticked.has(mark(r))"
            :aria-label="`${r.name}: in the bowl`"
            @click="tick(r)"
          >
            <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
              <rect v-if="!ticked.has(mark(r))" x="1.500" y="1.500" width="15" height="15" rx="4" />
              <path v-else d="M2 9.500l4.500 4.500L16 4" />
            </svg>
          </button>
        </td>
        <th scope="row">
          {{ r.name }}<small v-if="r.within">, {{ r.within }}</small>
        </th>
        <td class="n">
          <SentenceWord
            v-if="r.lead"
            v-model="weighed"
            :label="`${r.name}, as weighed`"
            :shown="exact.has(r.number) ? amount(r.grams) : r.said"
            free
            hint="Type what it weighs: everything else follows. Empty: as reckoned."
            :problem="problem"
            @kept="emit('kept')"
          />
          <button
            v-else
            type="button"
            class="exact"
            :aria-pressed="exact.has(r.number)"
            :aria-label="`${r.name}: ${r.said}; exactly ${amount(r.grams)}`"
            @click="exact.has(r.number) ? exact.delete(r.number) : exact.add(r.number)"
          >
            {{ exact.has(r.number) ? amount(r.grams) : r.said }}
          </button>
        </td>
        <td class="cups">{{ r.cups }}</td>
        <td class="when">
          <RouterLink v-if="baseOf(r)" class="touch" :to="bench(baseOf(r)!)"
            >{{ r.when }}{{ baseOf(r)!.goes > 1 ? ` in ${baseOf(r)!.goes} goes` : '' }}, on the
            Bench</RouterLink
          >
          <template v-else>{{ r.when }}</template>
          <template v-if="r.buy_grams > r.grams * 1.02"
            >, buy {{ grouped(r.buy_grams) }} g</template
          >
          <button
            v-if="r.swappable"
            type="button"
            class="touch none"
            :aria-pressed="swapping === r.key"
            @click="emit('swap', r.key)"
          >
            none today?<span class="visually-hidden"> {{ r.name }}</span>
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 15.5px;
}
tr + tr > * {
  border-top: 1px solid var(--ridge);
}
td,
th {
  padding: 5px 12px 3px 0;
  text-align: left;
  font-weight: 450;
  vertical-align: baseline;
}
.box {
  width: 34px;
  padding: 0;
}
.box button {
  display: grid;
  place-items: center;
  width: 30px;
  height: 30px;
}
.box rect {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 1.8;
}
.box path {
  fill: none;
  stroke: var(--leaf);
  stroke-width: 2.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.n {
  text-align: right;
  font-weight: 680;
  font-size: 17px;
  white-space: nowrap;
}
.exact {
  padding: 4px 0;
  font: inherit;
  white-space: nowrap;
}
.exact[aria-pressed='true'] {
  color: var(--cobalt);
}
.cups {
  white-space: nowrap;
}
.when,
small {
  color: var(--ink-soft);
  font-size: 14px;
}
.done th,
.done .cups {
  color: var(--ink-soft);
}
.none {
  margin-left: 8px;
  padding: 0;
  font-size: 14px;
}
.none[aria-pressed='true'] {
  text-decoration: underline;
  text-underline-offset: 4px;
}
@media (max-width: 599px) {
  .cups {
    white-space: normal;
  }
  .when a,
  .none {
    display: block;
    margin-left: 0;
  }
  td,
  th {
    padding-right: 8px;
  }
}
</style>
