<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import { grams, money, weight } from '@/say'
import SeasonStrip from './SeasonStrip.vue'
import { fullest, hours, layers, litres, milksOf, monthName, monthsOf } from './season'
import { WHY } from './told'

/** A year of the Book: milk, sweets, hours and money by month, and how what came stood to what was told. */
const route = useRoute()
const year = computed(() =>
  typeof route.query.year === 'string' && /^\d{4}$/.test(route.query.year)
    ? Number(route.query.year)
    : undefined,
)
const season = useQuery({
  queryKey: ['book', 'season', year],
  queryFn: () =>
    unwrap(api.GET('/api/season', { params: { query: year.value ? { year: year.value } : {} } })),
  // what a former release kept is added up a piece at a time
  refetchInterval: (query) => (query.state.data?.pending ? 400 : false),
})
const told = computed(() => season.data.value)
const larder = useLarder()
const cash = (x: number) => money(x, larder.data.value?.kitchen.currency ?? 'INR')
const months = computed(() => monthsOf(told.value!))
const milks = computed(() => milksOf(told.value!))
const most = computed(() => fullest(told.value!))
const lost = computed(() => Object.entries(told.value!.whole.lost) as [keyof typeof WHY, number][])
const LOST: Record<string, string> = {
  spoiled: 'spoiled',
  spilt: 'spilt',
  'not-liked': 'not liked',
}
const H = 120
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: the season</h1>
    <section v-if="season.error.value" class="tray">
      <p class="sentence problem">{{ season.error.value.message }}</p>
    </section>
    <template v-else-if="told">
      <section class="tray" aria-label="The year in words">
        <p class="legend">
          <RouterLink to="/book">all batches</RouterLink>
          <template v-for="y in told.years" :key="y"
            ><b v-if="y === told.year">{{ y }}</b
            ><RouterLink v-else :to="{ query: { year: y } }">{{ y }}</RouterLink></template
          >
        </p>
        <p v-if="!told.whole.batches" class="sentence">Nothing was finished in {{ told.year }}.</p>
        <p v-else class="sentence">
          In <b>{{ told.year }}</b> you took <b>{{ litres(told.whole.milk_m3) }} of milk</b> and
          made <b>{{ weight(told.whole.made_kg) }}</b> in {{ told.whole.batches }}
          {{ told.whole.batches === 1 ? 'batch' : 'batches' }},
          <b>{{ hours(told.whole.feet_s) }}</b> on your feet<template v-if="told.whole.paid"
            >, for <b>{{ cash(told.whole.paid) }}</b></template
          ><template v-if="told.whole.saved"
            >, {{ cash(Math.abs(told.whole.saved)) }}
            {{ told.whole.saved > 0 ? 'less' : 'more' }} than in the shop</template
          >.
          <template v-if="!lost.length">Nothing was thrown away.</template>
          <template v-else
            >Thrown away:
            <template v-for="([why, kg], i) in lost" :key="why"
              >{{ i ? ', ' : '' }}<b>{{ grams(kg) }}</b> {{ LOST[why] }}</template
            >.</template
          >
        </p>
      </section>
      <p v-if="told.pending" class="soft pending" role="status">
        Adding up older batches: {{ told.pending }} to go.
      </p>
      <ul class="glasses" aria-label="Milk by month">
        <li v-for="m in months" :key="m.index" :class="{ empty: !m.sum }">
          <b v-if="m.sum">{{ litres(m.sum.milk_m3) }}</b>
          <svg viewBox="0 0 60 132" aria-hidden="true">
            <path class="glass" d="M6 4L12 122Q12.5 128 18 128H42Q47.5 128 48 122L54 4Z" />
            <clipPath :id="`glass-${m.index}`">
              <path d="M6 4L12 122Q12.5 128 18 128H42Q47.5 128 48 122L54 4Z" />
            </clipPath>
            <g :clip-path="`url(#glass-${m.index})`">
              <rect
                v-for="l in layers(m.sum, milks, most)"
                :key="l.name"
                x="0"
                width="60"
                :y="128 - (l.from + l.share) * H"
                :height="l.share * H"
                :class="['milk', `milk-${Math.min(3, milks.indexOf(l.name))}`]"
              />
            </g>
            <path class="rim" d="M6 4L12 122Q12.5 128 18 128H42Q47.5 128 48 122L54 4" />
          </svg>
          <span aria-hidden="true">{{ monthName(m.index, 'narrow') }}</span>
          <span class="visually-hidden">{{ monthName(m.index, 'long') }}</span>
        </li>
      </ul>
      <p class="milks">
        <span v-for="(name, i) in milks" :key="name"
          ><i :class="`milk-${Math.min(3, i)}`" />{{ name }}
          <span class="soft">{{ litres(told.whole.milks[name]!) }}</span></span
        >
      </p>
      <p v-if="told.strips.length" class="soft told">
        Each dot is a batch against what was told of it; told four times in five within the pale
        bar.
      </p>
      <div class="strips">
        <SeasonStrip v-for="s in told.strips" :key="s.of + s.milk" :strip="s" />
      </div>
      <section v-if="told.months.length" class="tray table" aria-label="By month" tabindex="0">
        <table>
          <thead>
            <tr>
              <th scope="col">By month</th>
              <th scope="col">milk</th>
              <th scope="col">made</th>
              <th scope="col">from a litre</th>
              <th scope="col">on your feet</th>
              <th scope="col">cost</th>
              <th scope="col">thrown away</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in told.months" :key="m.month">
              <th scope="row">{{ monthName(Number(m.month.slice(5)) - 1, 'long') }}</th>
              <td>{{ litres(m.sum.milk_m3) }}</td>
              <td class="got">{{ weight(m.sum.made_kg) }}</td>
              <td>{{ m.sum.milk_m3 ? grams(m.sum.made_kg / (m.sum.milk_m3 * 1000)) : '' }}</td>
              <td>{{ hours(m.sum.feet_s) }}</td>
              <td>{{ m.sum.paid ? cash(m.sum.paid) : '' }}</td>
              <td>{{ m.sum.lost_kg ? grams(m.sum.lost_kg) : '' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
.pending {
  margin: 10px 32px 0;
}
.glasses {
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
  gap: 6px;
  margin: 18px 32px 0;
  align-items: end;
}
.glasses li {
  display: grid;
  justify-items: center;
  gap: 2px;
  font: 550 15px/20px var(--words);
}
.glasses svg {
  width: min(60px, 100%);
}
.glass {
  fill: color-mix(in srgb, var(--enamel) 40%, var(--counter));
}
.rim {
  fill: none;
  stroke: var(--iron);
  stroke-width: 3;
  stroke-linejoin: round;
}
.empty .rim {
  stroke: var(--ridge);
}
.milk {
  stroke: var(--iron);
  stroke-width: 1.5;
}
.milk-0 {
  fill: var(--enamel);
  background: var(--enamel);
}
.milk-1 {
  fill: color-mix(in srgb, var(--saffron-fill) 55%, var(--enamel));
  background: color-mix(in srgb, var(--saffron-fill) 55%, var(--enamel));
}
.milk-2 {
  fill: color-mix(in srgb, var(--leaf) 32%, var(--enamel));
  background: color-mix(in srgb, var(--leaf) 32%, var(--enamel));
}
.milk-3 {
  fill: color-mix(in srgb, var(--water-line) 60%, var(--enamel));
  background: color-mix(in srgb, var(--water-line) 60%, var(--enamel));
}
.milks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 26px;
  margin: 8px 32px 0;
}
.milks i {
  display: inline-block;
  width: 16px;
  height: 16px;
  margin-right: 8px;
  border: 2px solid var(--iron);
  border-radius: 4px;
  vertical-align: -2px;
}
.told {
  margin: 18px 32px -8px;
}
.strips {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px 40px;
  margin: 20px 32px 16px;
}
.table {
  padding-block: 16px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 4px 14px 2px 0;
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
}
thead th {
  color: var(--ink-soft);
}
thead th:first-child {
  font: 650 21px/28px var(--words);
  color: var(--ink);
}
.got {
  font-size: 20px;
  font-weight: 680;
}
@media (max-width: 900px) {
  .glasses {
    grid-template-columns: repeat(6, minmax(0, 1fr));
  }
  .glasses,
  .told,
  .milks,
  .strips,
  .pending {
    margin-inline: 16px;
  }
  .strips {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
