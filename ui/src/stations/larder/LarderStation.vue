<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import type { PanOut } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import { RouterLink } from 'vue-router'
import { may, useMe } from '@/door/me'
import AsideNote from '@/form/AsideNote.vue'
import PanMini from '@/pan/PanMini.vue'
import { money, volume } from '@/say'
import CopiesTray from './CopiesTray.vue'
import CupboardTray from './CupboardTray.vue'
import BurnerDialog from './BurnerDialog.vue'
import KitchenTray from './KitchenTray.vue'
import LactometerDialog from './LactometerDialog.vue'
import MaterialsShelf from './MaterialsShelf.vue'
import MilkDialog from './MilkDialog.vue'
import PanDialog from './PanDialog.vue'
import ShelfTray from './ShelfTray.vue'
import ShoppingTray from './ShoppingTray.vue'

const { me } = useMe()
const query = useLarder()
const larder = computed(() => query.data.value)

/** What stands open: a new thing has no number. */
const open = ref<{ what: 'milk' | 'pan' | 'burner' | 'lactometer'; id?: number } | null>(null)
const milk = computed(() => larder.value?.milks.find((m) => m.id === open.value?.id))
const pan = computed(
  () =>
    larder.value?.pans.find((p) => p.id === open.value?.id) as
      (PanOut & { id: number }) | undefined,
)
const burner = computed(() => larder.value?.burners.find((b) => b.id === open.value?.id))
const close = () => (open.value = null)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Larder</h1>
    <template v-if="larder">
      <AsideNote :names="larder.aside" />
      <ShelfTray />
      <ShoppingTray :currency="larder.kitchen.currency" />
      <CupboardTray />
      <KitchenTray :kitchen="larder.kitchen" />
      <div class="shelves">
        <section aria-label="This kitchen’s pans">
          <h2 class="heading shelf">
            Pans
            <button type="button" class="touch" @click="open = { what: 'pan' }">Add a pan</button>
          </h2>
          <ul class="pans">
            <li v-for="p in larder.pans" :key="p.id ?? p.name">
              <PanMini :pan="p" />
              <p>
                <button type="button" class="touch name" @click="open = { what: 'pan', id: p.id! }">
                  {{ p.name }}
                </button>
                holds {{ volume(p.capacity_m3) }}
              </p>
              <p class="soft">
                {{ p.made_of }}, {{ (p.height_m * 100).toFixed(1) }} cm deep,
                {{ p.mass_kg }} kg<template v-if="p.kind === 'measured'"
                  >, fitted by pouring</template
                >
              </p>
            </li>
            <li v-if="!larder.pans.length" class="soft">
              No pan yet. Two inside measures are enough.
            </li>
          </ul>
        </section>
        <section aria-label="This kitchen’s burners">
          <h2 class="heading shelf">
            Burners
            <button type="button" class="touch" @click="open = { what: 'burner' }">
              Add a burner
            </button>
          </h2>
          <ul class="burners">
            <li v-for="b in larder.burners" :key="b.id">
              <button type="button" class="touch name" @click="open = { what: 'burner', id: b.id }">
                {{ b.name }}
              </button>
              <p class="soft">
                {{ b.kind_name }}; strong gives {{ Math.round(b.strong_w.low / 10) * 10 }}–{{
                  Math.round(b.strong_w.high / 10) * 10
                }}
                W, {{ b.ln_sd ? 'timed with water' : 'not timed yet' }}
              </p>
            </li>
          </ul>
        </section>
      </div>
      <section class="tray" aria-label="Milks">
        <p class="legend"><b>Milks</b></p>
        <table class="listed">
          <thead>
            <tr>
              <th scope="col">milk</th>
              <th scope="col">fat</th>
              <th scope="col">SNF</th>
              <th scope="col">total solids</th>
              <th scope="col">density</th>
              <th scope="col">pack</th>
              <th scope="col">spread</th>
              <th scope="col"><span class="visually-hidden">check</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in larder.milks" :key="m.id">
              <th scope="row">
                <button type="button" class="touch name" @click="open = { what: 'milk', id: m.id }">
                  {{ m.name }}
                </button>
                <span v-if="m.uht" class="soft flag">UHT</span>
                <span v-else-if="m.homogenised" class="soft flag">homogenised</span>
              </th>
              <td>{{ m.fat_pct }} %</td>
              <td>{{ m.snf_pct }} %</td>
              <td>{{ m.total_solids_pct }} %</td>
              <td>{{ (m.density_kg_m3 / 1000).toFixed(3) }} g/ml</td>
              <td>
                {{ m.pack_ml ? `${m.pack_ml} ml` : ''
                }}{{ m.price ? ` at ${money(m.price, larder.kitchen.currency)}` : '' }}
              </td>
              <td class="soft">{{ m.spread }}</td>
              <td>
                <button
                  v-if="m.species !== 'coconut'"
                  type="button"
                  class="touch"
                  @click="open = { what: 'lactometer', id: m.id }"
                >
                  lactometer
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <button type="button" class="touch" @click="open = { what: 'milk' }">Add a milk</button>
      </section>
      <MaterialsShelf :larder="larder" />
      <CopiesTray v-if="may('keep')" />
      <section v-if="me?.here" class="tray" aria-label="The door">
        <p class="legend"><b>The door</b></p>
        <p class="answer">
          {{
            me.home
              ? 'This kitchen is open to the house: phones that are let in plan, log and read here.'
              : 'Only this computer is served; a phone of the house can be let in too.'
          }}
          <RouterLink class="door" to="/larder/door">To the door</RouterLink>
        </p>
      </section>
      <NModal :show="open !== null" @update:show="close">
        <MilkDialog
          v-if="open?.what === 'milk'"
          :milk="milk"
          :kinds="larder.milk_kinds"
          @done="close"
        />
        <PanDialog
          v-else-if="open?.what === 'pan'"
          :pan="pan"
          :materials="larder.pan_materials"
          @done="close"
        />
        <BurnerDialog
          v-else-if="open?.what === 'burner'"
          :burner="burner"
          :larder="larder"
          @done="close"
        />
        <LactometerDialog v-else-if="milk" :milk="milk" @done="close" />
        <span v-else />
      </NModal>
    </template>
  </div>
</template>

<style scoped>
.shelves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 30px;
  margin: 14px 32px 24px;
}
.shelf {
  display: flex;
  gap: 18px;
  align-items: baseline;
}
.shelf .touch {
  font: 550 16px var(--figures);
}
.pans {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 0 24px;
}
/* all stand on one line, whatever is written below */
.pans li {
  display: grid;
  grid-row: span 3;
  grid-template-rows: subgrid;
  row-gap: 2px;
  margin-bottom: 12px;
}
.pans svg {
  align-self: end;
  max-width: 100%;
}
.burners {
  display: grid;
  gap: 10px;
  margin-top: 8px;
}
.name {
  font: 600 19px var(--words);
}
.flag {
  margin-left: 8px;
  font-size: 13.5px;
}
.door {
  display: inline-block;
  min-height: 40px;
  margin-left: 10px;
  font: 550 17px/40px var(--figures);
}
.tray + .tray {
  margin-top: 24px;
}
@media (max-width: 900px) {
  .shelves {
    grid-template-columns: minmax(0, 1fr);
    margin-inline: 16px;
  }
  th:nth-child(n + 4):nth-child(-n + 7),
  td:nth-child(n + 4):nth-child(-n + 7) {
    display: none;
  }
}
</style>
