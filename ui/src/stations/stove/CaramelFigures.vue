<script setup lang="ts">
import { computed } from 'vue'
import type { CaramelBatch } from '@/api/client'
import { STAGES } from '@/api/shared'
import { shadeOf } from '@/caramel/shades'
import { grams, minutes, since, stageDoes, stopwatch } from '@/say'

/** The one figure that matters now: how hot it is, what goes in next, how long yet, what it gave. `gone`: s since it was told. */
const props = defineProps<{ batch: CaramelBatch; celsius: number | null; gone: number }>()
const b = computed(() => props.batch)
const told = computed(() => b.value.read_at_s === null)
const melting = computed(() => b.value.phase === 'melting')
const range = computed(() => (melting.value ? b.value.off_in_s : b.value.left_s))
const left = computed(() => (range.value ? Math.max(0, range.value.likely - props.gone) : null))
const spread = computed(() => {
  if (!range.value) return ''
  const low = Math.max(0, range.value.low - props.gone)
  const high = Math.max(0, range.value.high - props.gone)
  return high < 90
    ? `${Math.round(low)}–${Math.round(high)} s`
    : `${minutes(low)}–${minutes(high)} min`
})
</script>

<template>
  <div class="rows">
    <div v-if="melting && celsius !== null" class="large">
      <p class="huge">{{ Math.round(celsius) }}</p>
      <p class="beside">
        <b>°C {{ told ? 'about' : 'now' }}</b>
        <span>{{ Math.max(0, Math.round((b.rise_k_s ?? 0) * 60)) }} °C a minute</span>
        <span class="soft">{{
          told ? 'by the clock: tell a shade' : `read ${since(b.now_s + gone - b.read_at_s!)}`
        }}</span>
        <span class="left"
          ><b>{{ !left ? 'off now' : left < 90 ? stopwatch(left) : minutes(left) }}</b>
          <template v-if="left"
            >&nbsp;{{ left < 90 ? '' : 'min ' }}to off, {{ spread }}</template
          ></span
        >
      </p>
    </div>
    <div v-else-if="b.next_pour" class="large">
      <p class="huge">{{ Math.round(b.next_pour.mass_kg * 1e3) }}</p>
      <p class="beside">
        <b>g of {{ b.next_pour.what === 'condensed' ? 'condensed milk' : b.next_pour.what }}</b>
        <span v-if="b.next_pour.of > 1">pour {{ b.next_pour.number }} of {{ b.next_pour.of }}</span>
        <span class="soft">then stir until it is smooth</span>
      </p>
    </div>
    <div v-else-if="b.phase === 'simmering' && left !== null" class="large">
      <p class="huge">{{ left < 90 ? stopwatch(left) : minutes(left) }}</p>
      <p class="beside">
        <b>{{ left < 90 ? 'to go' : 'min to go' }}</b>
        <span>{{ spread }}</span>
        <span class="soft">{{ grams(b.in_pan_kg ?? 0) }} in the pan, about</span>
      </p>
    </div>
    <div v-else class="large">
      <p class="huge">{{ Math.round((b.weighed_kg ?? b.told_kg.likely) * 1e3) }}</p>
      <p class="beside">
        <b>g</b>
        <span>{{ b.weighed_kg === null ? 'as told' : 'weighed' }}</span>
        <span class="soft"
          >cold it
          {{ stageDoes(STAGES.indexOf(b.told.cold_name as (typeof STAGES)[number])) }}</span
        >
      </p>
    </div>
    <dl v-if="melting || b.phase === 'opening'" class="targets">
      <div v-if="melting" class="cobalt">
        <dt>°C, off here</dt>
        <dd>{{ Math.round(b.told.off_c.likely) }}</dd>
      </div>
      <div class="brown">
        <dt>°C, where it ends: {{ shadeOf(b.ends_shade).text }}</dt>
        <dd>{{ Math.round(b.ends_c.likely) }}</dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
.rows {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px 26px;
}
.large {
  display: flex;
  gap: 22px;
  align-items: center;
}
.huge {
  font-size: 132px;
  line-height: 128px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -4px;
}
.beside {
  display: grid;
  font-size: 17px;
  line-height: 23px;
}
.beside b {
  font-size: 19px;
}
.left b {
  font-size: 30px;
  line-height: 34px;
}
.targets {
  display: grid;
  gap: 6px;
  align-content: center;
}
.targets div {
  display: flex;
  flex-direction: row-reverse;
  justify-content: flex-end;
  gap: 12px;
  align-items: center;
}
.targets dd {
  font-size: 52px;
  line-height: 54px;
  font-weight: 700;
}
.targets dt {
  max-width: 150px;
  font-size: 16px;
}
.cobalt dd {
  color: var(--cobalt);
}
.brown dd {
  color: var(--saffron-ink);
}
@media (max-width: 900px) {
  .huge {
    font-size: 96px;
    line-height: 98px;
  }
}
</style>
