<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap, type Flame, type PanOut, type ReduceIn } from '@/api/client'
import { minutes } from '@/say'

/** Which pan, which flame? Every pan of the kitchen on every flame of this burner; a touch takes one. */
const props = defineProps<{ plan: ReduceIn; pans: PanOut[] }>()
const emit = defineEmits<{ take: [pan: number, flame: Flame] }>()

const FLAMES: Flame[] = ['gentle', 'medium', 'strong']
const asked = useQuery({
  queryKey: ['compare', computed(() => JSON.stringify(props.plan))],
  queryFn: ({ signal }) => unwrap(api.POST('/api/bench/compare', { body: props.plan, signal })),
  placeholderData: keepPreviousData,
  retry: false,
})
const rows = computed(() =>
  props.pans.map((pan) => ({
    pan,
    unfit: asked.data.value?.unfit.find((u) => u.pan_id === pan.id)?.why,
    ways: FLAMES.map((flame) =>
      asked.data.value?.ways.find((w) => w.pan_id === pan.id && w.flame === flame),
    ),
  })),
)
const stirring = (seconds: number) =>
  seconds < 20 ? 'stir without a pause' : `stir every ${Math.round(seconds)}\u00a0s`
</script>

<template>
  <section class="tray" aria-label="Which pan, which flame">
    <p class="legend"><b>Which pan, which flame?</b></p>
    <table v-if="asked.data.value">
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">pan</span></th>
          <th v-for="f in FLAMES" :key="f" scope="col">{{ f }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.pan.id ?? row.pan.name">
          <th scope="row" class="words">{{ row.pan.name }}</th>
          <td v-if="row.unfit" colspan="3" class="soft">{{ row.unfit }}</td>
          <template v-else>
            <td v-for="(way, i) in row.ways" :key="FLAMES[i]">
              <button
                v-if="way"
                type="button"
                :class="{
                  best: way.best,
                  chosen: plan.pan === row.pan.id && plan.flame === way.flame,
                }"
                :aria-pressed="plan.pan === row.pan.id && plan.flame === way.flame"
                @click="emit('take', row.pan.id!, way.flame)"
              >
                <b>{{ minutes(way.total_s.likely) }} min</b>
                <span class="range"
                  >{{ minutes(way.total_s.low) }}–{{ minutes(way.total_s.high) }}</span
                >
                <span class="how">{{ stirring(way.shortest_stir_s) }}</span>
                <span v-if="way.best" class="mark">least of your time</span>
              </button>
              <span v-else class="soft">no</span>
            </td>
          </template>
        </tr>
      </tbody>
    </table>
    <p class="soft note">
      Minutes from lighting it, and the shortest rest between two stirs on the way. A touch takes
      that pan and flame.
    </p>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  padding: 6px 12px 4px 0;
  text-align: left;
  font-weight: 600;
}
thead th {
  color: var(--ink-soft);
  font-size: 14px;
  font-weight: 450;
  padding-left: 9px;
}
tbody tr {
  border-top: 1px solid var(--ridge);
}
tbody th {
  font-size: 18px;
}
td {
  padding: 3px 4px 3px 0;
}
td button {
  display: grid;
  grid-template-columns: max-content 1fr;
  column-gap: 8px;
  width: 100%;
  padding: 5px 8px 3px;
  border: 2px solid transparent;
  border-radius: 8px;
  text-align: left;
  align-items: baseline;
}
td b {
  color: var(--cobalt);
  font-size: 19px;
  font-weight: 680;
}
.range,
.how {
  font-size: 13.5px;
  color: var(--ink-soft);
}
.how,
.mark {
  grid-column: 1 / -1;
}
.mark {
  color: var(--leaf);
  font-size: 13.5px;
  font-weight: 650;
}
.chosen {
  border-color: var(--cobalt);
}
td button:hover {
  background: var(--cobalt-wash);
}
.note {
  margin-top: 6px;
  font-size: 13.5px;
}
@media (max-width: 900px) {
  table {
    table-layout: fixed;
  }
  thead th:first-child {
    width: 72px;
  }
  tbody th {
    font-size: 16px;
    line-height: 19px;
  }
  td button {
    grid-template-columns: 1fr;
    padding-inline: 3px;
  }
  td b {
    font-size: 17px;
  }
  .how,
  .mark {
    line-height: 16px;
  }
}
</style>
