<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, unwrap, type LarderOut, type MaterialOut } from '@/api/client'
import { money } from '@/say'
import IngredientDialog from './IngredientDialog.vue'

/** The shelf: the cook's own ingredients, and the tables they are copied from, with source and confidence. */
const props = defineProps<{ larder: LarderOut }>()

const tables = useQuery({
  queryKey: ['materials'],
  queryFn: () => unwrap(api.GET('/api/larder/materials')),
  staleTime: Infinity,
})
const sought = ref('')
const groups = computed(() => {
  const wanted = sought.value.trim().toLowerCase()
  const found = new Map<string, MaterialOut[]>()
  for (const m of tables.data.value?.materials ?? [])
    if (!wanted || `${m.name} ${m.group}`.toLowerCase().includes(wanted))
      found.set(m.group, [...(found.get(m.group) ?? []), m])
  return [...found]
})
const open = ref<{ base: MaterialOut; id?: number } | null>(null)
const opened = computed(() => props.larder.ingredients.find((i) => i.id === open.value?.id))
const baseOf = (key: string) => tables.data.value?.materials.find((m) => m.key === key)
const FLAGS: Record<string, string> = {
  protease: 'turns raw milk bitter: heat to 85 °C first',
  sour: 'may curdle hot milk',
  uht: 'UHT',
  homogenised: 'homogenised',
  plant: 'not milk',
}
const remarks = (m: MaterialOut) =>
  [...m.flags.map((f) => FLAGS[f] ?? f), m.ph ? `pH ${m.ph}` : '', m.note]
    .filter(Boolean)
    .join('; ')
</script>

<template>
  <section class="tray" aria-label="Ingredients">
    <p class="legend"><b>Ingredients</b></p>
    <ul v-if="larder.ingredients.length" class="own">
      <li v-for="i in larder.ingredients" :key="i.id">
        <button
          type="button"
          class="touch"
          @click="baseOf(i.base) && (open = { base: baseOf(i.base)!, id: i.id })"
        >
          {{ i.material.name }}
        </button>
        <span class="soft">
          {{ i.material.total_solids_pct }} % solids<template v-if="i.pack_g"
            >, {{ i.pack_g }} g a pack</template
          ><template v-if="i.price"> at {{ money(i.price, larder.kitchen.currency) }}</template>
        </span>
      </li>
    </ul>
    <details>
      <summary>
        All {{ tables.data.value?.materials.length ?? '' }} materials of the tables, to copy and
        change
      </summary>
      <label class="seek"
        >Find <input v-model="sought" type="search" placeholder="sugar, coconut…"
      /></label>
      <div class="scroll" tabindex="0" role="region" aria-label="The tables">
        <table>
          <thead>
            <tr>
              <th scope="col">material</th>
              <th scope="col">solids</th>
              <th scope="col">fat</th>
              <th scope="col">sugars</th>
              <th scope="col">g/ml</th>
              <th scope="col">to know</th>
              <th scope="col">source, confidence</th>
            </tr>
          </thead>
          <tbody v-for="[group, rows] in groups" :key="group">
            <tr class="group">
              <th colspan="7" scope="rowgroup">{{ group }}</th>
            </tr>
            <tr v-for="m in rows" :key="m.key">
              <th scope="row">
                <button type="button" class="touch" @click="open = { base: m }">
                  {{ m.name }}
                </button>
              </th>
              <td>{{ m.total_solids_pct }} %</td>
              <td>{{ m.parts_pct.fat }} %</td>
              <td>{{ m.free_sugars_pct.toFixed(1) }} %</td>
              <td>{{ m.bulk_g_ml }} ±{{ Math.round(m.bulk_sd * 100) }} %</td>
              <td class="soft">{{ remarks(m) }}</td>
              <td class="soft">{{ m.source }}; {{ m.confidence }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
    <NModal :show="open !== null" @update:show="open = null">
      <IngredientDialog v-if="open" :base="open.base" :ingredient="opened" @done="open = null" />
    </NModal>
  </section>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 34px;
  margin-bottom: 8px;
}
.own .touch {
  margin-right: 8px;
  font: 600 18px var(--words);
}
summary {
  color: var(--cobalt);
  font-weight: 550;
  cursor: pointer;
}
.seek {
  display: block;
  margin: 10px 0;
}
.seek input {
  height: 34px;
  padding: 0 10px;
  border: 1.5px solid var(--cobalt);
  border-radius: 7px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.scroll {
  max-height: 520px;
  overflow: auto;
}
table {
  width: 100%;
  min-width: 760px;
  border-collapse: collapse;
  font-size: 14.5px;
}
th,
td {
  padding: 4px 12px 2px 0;
  text-align: left;
  font-weight: 400;
  vertical-align: baseline;
}
thead th {
  color: var(--ink-soft);
}
tbody tr {
  border-top: 1px solid var(--ridge);
}
.group th {
  padding-top: 12px;
  font-weight: 680;
}
td:nth-child(n + 2):nth-child(-n + 5) {
  white-space: nowrap;
}
</style>
