<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { useMessage } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { api, unwrap, type LarderOut } from '@/api/client'
import { may } from '@/door/me'
import { figure } from '@/form/numbers'
import { CURRENCIES } from '@/api/shared'
import { currencyName } from '@/say'

/** Where the kitchen is and what its cups hold, as sentences whose figures are typed in place. */
const props = defineProps<{ kitchen: LarderOut['kitchen'] }>()
const client = useQueryClient()
const message = useMessage()

const CUPS = [
  ['cup_ml', 'a cup'],
  ['glass_ml', 'a glass'],
  ['katori_ml', 'a katori'],
  ['tablespoon_ml', 'a tablespoon'],
  ['teaspoon_ml', 'a teaspoon'],
] as const
const PLACE = [
  ['altitude_m', 'height above the sea, m'],
  ['room_c', 'room, °C'],
  ['milk_c', 'milk when measured, °C'],
  ['fridge_c', 'fridge, °C'],
  ['freezer_c', 'freezer, °C'],
] as const
const KEYS = [...CUPS, ...PLACE].map(([key]) => key)
type Key = (typeof KEYS)[number]

const typed = reactive({} as Record<Key, string>)
const currency = ref(props.kitchen.currency)
/** As they are named here; the browser knows a few that the server does not. */
const currencies = computed(() =>
  [...CURRENCIES].sort((a, b) => currencyName(a).localeCompare(currencyName(b))),
)
const version = ref(props.kitchen.version)
const changed = ref(false)
function reset() {
  for (const key of KEYS) typed[key] = String(props.kitchen[key])
  currency.value = props.kitchen.currency
  version.value = props.kitchen.version
  changed.value = false
}
reset()
watch(
  () => props.kitchen,
  () => !changed.value && reset(),
)
const theirs = computed(() => changed.value && props.kitchen.version !== version.value)
const keep = useMutation({
  mutationFn: () =>
    unwrap(
      api.PUT('/api/larder/kitchen', {
        body: {
          name: props.kitchen.name,
          ...(Object.fromEntries(KEYS.map((key) => [key, figure(typed[key])])) as Record<
            Key,
            number
          >),
          currency: currency.value,
          version: version.value,
        },
      }),
    ),
  onSuccess: (larder) => {
    changed.value = false
    client.setQueryData(['larder'], larder)
    message.success('Kept')
  },
  onError: () => void client.invalidateQueries({ queryKey: ['larder'] }),
})

const weighing = ref(false)
const trial = reactive({ cup: 'katori_ml' as Key, water: '', celsius: '25', spoons: '' })
const weigh = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/larder/cup-trials', {
        body: trial.water.trim()
          ? {
              water_g: figure(trial.water),
              celsius: figure(trial.celsius),
              spoon_ml: 15,
            }
          : {
              spoons: figure(trial.spoons) || 0,
              celsius: 25,
              spoon_ml: figure(typed.tablespoon_ml),
            },
      }),
    ),
  onSuccess: (answer) => {
    typed[trial.cup] = answer.ml.likely.toFixed(1)
    changed.value = true
  },
})
</script>

<template>
  <section class="tray" aria-label="The kitchen">
    <p class="legend">
      <span class="soft">The kitchen:</span> <b>{{ kitchen.name }}</b>
    </p>
    <form @submit.prevent="keep.mutate()" @input="changed = true">
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
        <template v-for="([key, name], i) in PLACE" :key="key"
          >{{ ['', 'The room has ', 'milk goes on at ', 'the fridge keeps ', 'the freezer '][i]
          }}<label
            ><span class="visually-hidden">{{ name }}</span
            ><input v-model="typed[key]" inputmode="decimal" size="5" /></label
          ><template v-if="i === 0">
            m above the sea, where water boils at {{ kitchen.boils_water_c }} °C. </template
          ><template v-else> °C{{ i < 4 ? ', ' : '.' }}</template></template
        >
        Prices are in
        <label
          ><span class="visually-hidden">the money of all prices</span
          ><select v-model="currency" @change="changed = true">
            <option v-for="code in currencies" :key="code" :value="code">
              {{ currencyName(code) }}
            </option>
          </select></label
        >.
        <button v-if="changed" type="submit" class="plate" :disabled="!may('keep')">Keep it</button>
        {{ ' ' }}
        <button type="button" class="touch" @click="weighing = !weighing">Measure a cup</button>
      </p>
      <p v-if="theirs" class="problem" role="alert">
        It was changed elsewhere meanwhile.
        <button type="button" class="touch" @click="reset">See it as it is now</button>
        <button type="button" class="touch" @click="version = kitchen.version">Keep mine</button>
      </p>
      <p v-else-if="keep.error.value" class="problem" role="alert">
        {{ keep.error.value.message }}
      </p>
    </form>
    <form v-if="weighing" class="trial" @submit.prevent="weigh.mutate()">
      <label
        >Which
        <select v-model="trial.cup">
          <option v-for="[key, name] in CUPS" :key="key" :value="key">{{ name }}</option>
        </select></label
      >
      <label>full of water weighs <input v-model="trial.water" inputmode="decimal" /> g more</label>
      <label>at <input v-model="trial.celsius" inputmode="decimal" /> °C</label>
      <label>or takes <input v-model="trial.spoons" inputmode="decimal" /> level tablespoons</label>
      <button type="submit" class="plate line">Reckon it</button>
      <p v-if="weigh.error.value" class="problem" role="alert">{{ weigh.error.value.message }}</p>
      <p v-else-if="weigh.data.value" aria-live="polite">
        It holds {{ weigh.data.value.ml.likely.toFixed(1) }} ml ({{
          weigh.data.value.ml.low.toFixed(0)
        }}–{{ weigh.data.value.ml.high.toFixed(0) }}). Keep it above.
      </p>
    </form>
  </section>
</template>

<style scoped>
.sentence input {
  width: auto;
  border: 0;
  border-bottom: 2px solid var(--cobalt);
  background: none;
  color: var(--cobalt);
  font: 600 inherit;
  font-family: var(--words);
  font-size: inherit;
  text-align: center;
  field-sizing: content;
  min-width: 2ch;
}
.sentence select {
  border: 0;
  border-bottom: 2px solid var(--cobalt);
  background: none;
  color: var(--cobalt);
  font: inherit;
  font-weight: 600;
  field-sizing: content;
  max-width: 100%;
}
.sentence {
  font-size: 21px;
  line-height: 34px;
}
.sentence .plate {
  vertical-align: middle;
  margin: 0 10px;
  min-height: 38px;
}
.sentence .touch {
  font: 550 16px var(--figures);
}
.trial {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  margin-top: 10px;
}
.trial input {
  width: 74px;
}
.trial input,
.trial select {
  height: 36px;
  padding: 0 8px;
  border: 1.5px solid var(--cobalt);
  border-radius: 7px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.trial p {
  flex-basis: 100%;
}
@media (max-width: 900px) {
  .sentence {
    font-size: 18px;
  }
}
</style>
