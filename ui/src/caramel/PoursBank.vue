<script setup lang="ts">
import { computed } from 'vue'
import type { CaramelOut } from '@/api/client'
import { cm, grams } from '@/say'

/** What goes in, in its order, on the bank of a river that thickens with each: butter, the milk's pours, condensed milk. */
const props = defineProps<{
  told: CaramelOut
  added: Record<string, number>
  next: { what: string; number: number; of: number; mass_kg: number } | null
  stop: number
  onScale: number
}>()

interface Thing {
  key: string
  name: string
  kg: number
  note: string
  danger?: string
}
const things = computed<Thing[]>(() => {
  const t = props.told
  const made: Thing[] = []
  if (t.butter_kg)
    made.push({ key: 'butter', name: 'butter', kg: t.butter_kg, note: 'off the flame, at once' })
  if (t.milk_kg)
    made.push({
      key: 'milk',
      name: 'milk, warm',
      kg: t.milk_kg,
      note: `${grams(t.pour_kg)} at a time, ${t.pours} pours`,
      danger: `spits; climbs to ${cm(t.climbs_m)} of ${Math.round(t.pan_height_m * 100)} cm`,
    })
  if (t.condensed_kg)
    made.push({
      key: 'condensed',
      name: 'condensed milk',
      kg: t.condensed_kg,
      note: 'no sugar grain from the wall: wipe it wet',
    })
  return made
})
const share = (key: string) => {
  const of = things.value.find((x) => x.key === key)
  return of ? Math.min(1, (props.added[key] ?? 0) / of.kg) : 0
}
/** Depth of the river below each thing, px: as much as there is by then. */
const bed = computed(() => {
  const all = props.told.mixed_kg
  let kg = props.told.sugar_kg
  const made = [6 + (26 * kg) / all]
  for (const thing of things.value) {
    kg += thing.kg
    made.push(6 + (26 * kg) / all)
  }
  return [...made, 6 + (26 * props.stop) / all]
})
const slots = computed(() => things.value.length + 1)
const river = computed(() => {
  const depths = bed.value
  const points = depths.map((d, i) => `${(i / (depths.length - 1)) * 100},${d.toFixed(1)}`)
  return `0,0 100,0 ${points.reverse().join(' ')}`
})
</script>

<template>
  <div class="bank" :style="{ '--slots': slots }">
    <div class="vessels" aria-hidden="true">
      <svg
        v-for="t in things"
        :key="t.key"
        viewBox="0 0 90 84"
        :class="{ done: share(t.key) > 0.97 }"
      >
        <template v-if="t.key === 'butter'">
          <path class="line" d="M14 74h62l-8 8H22z" />
          <path v-if="share('butter') < 0.97" class="butter" d="M30 52h32v22H30z" />
        </template>
        <template v-else-if="t.key === 'milk'">
          <path class="milk" :d="`M24 ${22 + 56 * share('milk')}h40V80H24z`" />
          <path class="line" d="M18 14l6 8v58h40V14M64 28c16-2 16 34 0 32" />
          <path
            v-for="i in Math.max(0, told.pours - 1)"
            :key="i"
            class="dash"
            :d="`M24 ${22 + (56 * i) / told.pours}h40`"
          />
        </template>
        <template v-else>
          <path class="condensed" :d="`M28 ${30 + 50 * share('condensed')}h36V80H28z`" />
          <path class="line" d="M26 22h40M28 26v54h36V26" />
        </template>
      </svg>
      <svg viewBox="0 0 90 84">
        <path class="line" d="M20 32v38h50V32M10 70h70v11H10z" />
        <path class="pot" d="M23 48h44v19H23z" />
      </svg>
    </div>
    <svg class="river" viewBox="0 0 100 40" preserveAspectRatio="none" aria-hidden="true">
      <polygon :points="river" />
    </svg>
    <ol class="texts">
      <li v-for="t in things" :key="t.key">
        <b class="words">{{ next?.what === t.key ? `next: ${t.name}` : t.name }}</b>
        <span class="amount">{{ grams(t.kg) }}</span>
        <span v-if="added[t.key]" class="in">{{ grams(added[t.key]!) }} in</span>
        <span v-if="t.danger" class="danger">{{ t.danger }}</span>
        <span class="soft">{{ t.note }}</span>
      </li>
      <li>
        <b class="words">stop at</b>
        <span class="stop">{{ grams(stop) }}</span>
        <span class="soft">{{ grams(onScale) }} on the scale, pan and all</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.vessels,
.texts {
  display: grid;
  grid-template-columns: repeat(var(--slots), minmax(0, 1fr));
  gap: 14px;
}
.vessels svg {
  height: 84px;
  justify-self: start;
}
.line {
  fill: none;
  stroke: var(--iron);
  stroke-width: 3.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.butter {
  fill: #f4dc8c;
  stroke: var(--iron);
  stroke-width: 2.4;
}
.milk {
  fill: #fdfcf7;
}
.condensed {
  fill: #f3e3b8;
}
.pot {
  fill: #c79a5b;
}
.dash {
  fill: none;
  stroke: #1b2444;
  stroke-width: 1.6;
  stroke-dasharray: 4 4;
}
.done {
  opacity: 0.45;
}
.river {
  width: 100%;
  height: 40px;
  border-top: 3px solid var(--iron);
}
.river polygon {
  fill: var(--water);
}
.texts li {
  display: grid;
  align-content: start;
  gap: 1px;
}
.texts .words {
  font-size: 19px;
  line-height: 24px;
  font-weight: 650;
}
.amount {
  font-size: 17px;
  font-weight: 680;
}
.in {
  color: var(--leaf);
  font-weight: 600;
}
.danger {
  color: var(--madder);
  font-weight: 600;
}
.stop {
  font-size: 38px;
  line-height: 44px;
  font-weight: 700;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .vessels {
    display: none;
  }
  .river {
    height: 26px;
  }
  .texts {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
