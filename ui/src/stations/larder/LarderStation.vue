<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { NModal, useMessage } from 'naive-ui'
import { reactive, ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import PanMini from '@/pan/PanMini.vue'
import { volume } from '@/say'
import AddMilk from './AddMilk.vue'
import AddPan from './AddPan.vue'

const larder = useLarder()
const client = useQueryClient()
const message = useMessage()
const adding = ref<'milk' | 'pan' | null>(null)

const CUPS = [
  ['cup_ml', 'a cup'],
  ['glass_ml', 'a glass'],
  ['katori_ml', 'a katori'],
  ['tablespoon_ml', 'a tablespoon'],
  ['teaspoon_ml', 'a teaspoon'],
] as const
const typed = reactive<Record<string, string>>({})
watch(
  larder.data,
  (k) => {
    if (k)
      for (const [key] of [...CUPS, ['altitude_m', '']] as const)
        typed[key] = String(k.kitchen[key])
  },
  { immediate: true },
)
const keep = useMutation({
  mutationFn: () => {
    const k = larder.data.value!.kitchen
    const n = (key: string) => Number(typed[key]!.replace(',', '.'))
    return unwrap(
      api.PUT('/api/larder/kitchen', {
        body: {
          name: k.name,
          room_c: k.room_c,
          milk_c: k.milk_c,
          altitude_m: n('altitude_m'),
          cup_ml: n('cup_ml'),
          glass_ml: n('glass_ml'),
          katori_ml: n('katori_ml'),
          tablespoon_ml: n('tablespoon_ml'),
          teaspoon_ml: n('teaspoon_ml'),
        },
      }),
    )
  },
  onSuccess: (k) => {
    client.setQueryData(['larder'], k)
    message.success('Kept')
  },
})
function added() {
  adding.value = null
  void client.invalidateQueries({ queryKey: ['larder'] })
}
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Larder</h1>
    <template v-if="larder.data.value">
      <section class="tray" aria-label="The kitchen">
        <p class="legend">
          <span class="soft">The kitchen:</span> <b>{{ larder.data.value.kitchen.name }}</b>
        </p>
        <form @submit.prevent="keep.mutate()">
          <p class="sentence">
            Here
            <template v-for="([key, name], i) in CUPS" :key="key"
              >{{ i === 4 ? 'and ' : '' }}{{ name }} holds
              <label
                ><span class="visually-hidden">{{ name }}, ml</span
                ><input v-model="typed[key]" inputmode="decimal" size="4"
              /></label>
              ml{{ i < 4 ? ', ' : '.' }}</template
            >
            We stand
            <label
              ><span class="visually-hidden">height above the sea, m</span
              ><input v-model="typed.altitude_m" inputmode="decimal" size="5"
            /></label>
            m above the sea, where water boils at {{ larder.data.value.kitchen.boils_water_c }} °C.
            <button type="submit" class="plate">Keep it</button>
          </p>
          <p v-if="keep.error.value" class="problem" role="alert">{{ keep.error.value.message }}</p>
        </form>
      </section>
      <h2 class="heading shelf">
        Pans <button type="button" class="touch" @click="adding = 'pan'">Add a pan</button>
      </h2>
      <ul class="pans">
        <li v-for="p in larder.data.value.pans" :key="p.id ?? p.name">
          <PanMini :pan="p" />
          <p>
            <b>{{ p.name }}</b> holds {{ volume(p.capacity_m3) }}
          </p>
          <p class="soft">
            {{ p.made_of }}, {{ (p.height_m * 100).toFixed(1) }} cm deep, {{ p.mass_kg }} kg
          </p>
        </li>
        <li v-if="!larder.data.value.pans.length" class="soft">
          No pan yet. Two inside measures are enough.
        </li>
      </ul>
      <section class="tray" aria-label="Milks">
        <p class="legend"><b>Milks</b></p>
        <table>
          <thead>
            <tr>
              <th scope="col">milk</th>
              <th scope="col">fat</th>
              <th scope="col">SNF</th>
              <th scope="col">total solids</th>
              <th scope="col">density</th>
              <th scope="col">spread</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in larder.data.value.milks" :key="m.id">
              <th scope="row" class="words">{{ m.name }}</th>
              <td>{{ m.fat_pct }} %</td>
              <td>{{ m.snf_pct }} %</td>
              <td>{{ m.total_solids_pct }} %</td>
              <td>{{ (m.density_kg_m3 / 1000).toFixed(3) }} g/ml</td>
              <td class="soft">{{ m.spread }}</td>
            </tr>
          </tbody>
        </table>
        <button type="button" class="touch" @click="adding = 'milk'">Add a milk</button>
      </section>
      <NModal :show="adding !== null" @update:show="adding = null">
        <AddMilk v-if="adding === 'milk'" :kinds="larder.data.value.milk_kinds" @done="added" />
        <AddPan v-else :materials="larder.data.value.pan_materials" @done="added" />
      </NModal>
    </template>
  </div>
</template>

<style scoped>
.sentence input {
  width: auto;
  border: 0;
  border-bottom: 2px solid var(--cobalt);
  background: none;
  color: var(--cobalt);
  font: 600 25px/32px var(--words);
  text-align: center;
  field-sizing: content;
  min-width: 2ch;
}
.sentence .plate {
  vertical-align: middle;
  margin-left: 10px;
  min-height: 42px;
}
.shelf {
  display: flex;
  gap: 18px;
  align-items: baseline;
  margin: 14px 32px 0;
}
.shelf .touch {
  font: 550 16px var(--figures);
}
.pans {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 70px;
  align-items: end;
  margin: 4px 32px 26px;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 4px 0;
}
th,
td {
  padding: 7px 14px 5px 0;
  text-align: left;
  font-weight: 400;
  font-size: 17px;
}
thead th {
  color: var(--ink-soft);
  font-size: 14px;
}
tbody th {
  font-size: 20px;
  font-weight: 600;
}
tbody tr {
  border-top: 1px solid var(--ridge);
}
@media (max-width: 900px) {
  .sentence input {
    font-size: 19px;
  }
  th:nth-child(n + 5),
  td:nth-child(n + 5) {
    display: none;
  }
}
</style>
