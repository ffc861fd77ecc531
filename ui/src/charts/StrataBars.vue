<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Forecast } from '@/api/client'
import { grams } from '@/say'
import LayerPatterns from './LayerPatterns.vue'

/** Before and after on one scale in grams: the solids stay put, the water's right edge walks in. */
const props = defineProps<{
  before: Forecast['before']
  after: Forecast['after']
  steam: number
  served: number
}>()

const frame = ref<HTMLElement>()
const { width } = useElementSize(frame, { width: 512, height: 100 })
const LAYERS = [
  ['fat_kg', 'fat'],
  ['protein_kg', 'protein'],
  ['lactose_kg', 'lactose'],
  ['minerals_kg', 'minerals'],
  ['sugar_kg', 'sugar'],
  ['water_kg', 'water'],
] as const

const scale = computed(
  () =>
    Math.max(60, width.value - 2) /
    Math.max(props.before.total_kg, props.after.total_kg + props.steam),
)
/** Milk's own minerals are a tenth of its solids at most: more is starch that went in. */
const MOST_MINERALS = 0.15
function bars(strata: Forecast['before']) {
  let x = 1
  const starchy =
    strata.minerals_kg > MOST_MINERALS * (strata.total_kg - strata.water_kg - strata.sugar_kg)
  return LAYERS.map(([key, name]) => {
    const w = strata[key] * scale.value
    x += w
    const said = key === 'minerals_kg' && starchy ? 'starch, ash' : name
    return { name, said, x: x - w, w, kg: strata[key] }
  })
}
const top = computed(() => bars(props.before))
const bottom = computed(() => bars(props.after))
const solidsEnd = (list: { x: number }[]) => list[5]!.x
const end = (list: { x: number; w: number }[]) => list[5]!.x + list[5]!.w
</script>

<template>
  <figure ref="frame" class="strata">
    <figcaption>
      <span
        ><b>{{ grams(before.total_kg) }}</b> of milk</span
      >
      <span class="soft">of it {{ grams(before.water_kg) }} water</span>
    </figcaption>
    <svg
      :width="width"
      height="90"
      role="img"
      :aria-label="`${grams(before.total_kg)} of milk become ${grams(after.total_kg)}`"
    >
      <defs>
        <LayerPatterns />
      </defs>
      <path
        :d="`M${solidsEnd(top)} 32L${solidsEnd(bottom)} 59H${end(bottom)}L${end(top)} 32z`"
        fill="var(--water)"
        opacity=".35"
      />
      <path
        :d="`M${end(top)} 32L${end(bottom)} 59M${solidsEnd(top)} 32L${solidsEnd(bottom)} 59`"
        class="fall"
      />
      <g v-for="(list, i) in [top, bottom]" :key="i" :transform="`translate(0 ${i * 57})`">
        <rect
          v-for="b in list"
          :key="b.name"
          :x="b.x"
          y="1"
          :width="b.w"
          height="31"
          :fill="`url(#p-${b.name})`"
          class="layer"
        >
          <title>{{ b.said }}: {{ grams(b.kg) }}</title>
        </rect>
        <rect x="1" y="1" :width="Math.max(0, end(list) - 1)" height="31" class="frame" />
      </g>
      <rect
        :x="end(bottom)"
        y="58"
        :width="Math.max(0, steam * scale - 1)"
        height="31"
        fill="url(#p-steam)"
      />
      <text
        v-if="steam * scale > 96"
        :x="end(bottom) + (steam * scale) / 2"
        y="79"
        text-anchor="middle"
        class="steam"
      >
        {{ grams(steam) }} steam
      </text>
    </svg>
    <ul>
      <li v-for="b in bottom" :key="b.name">
        <svg width="14" height="14" aria-hidden="true">
          <rect x=".5" y=".5" width="13" height="13" :fill="`url(#p-${b.name})`" class="layer" />
        </svg>
        {{ b.said }}<b>{{ grams(b.kg) }}</b>
      </li>
      <li class="total">
        <b>{{ grams(served) }}</b>to serve
      </li>
    </ul>
  </figure>
</template>

<style scoped>
figcaption {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin-bottom: 4px;
}
figcaption .soft {
  font-size: 13.5px;
}
.layer {
  stroke: var(--on-milk);
  stroke-width: 0.8;
}
.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.fall {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.steam {
  font-size: 14px;
  font-weight: 550;
  paint-order: stroke;
  stroke: var(--counter);
  stroke-width: 5px;
}
ul {
  display: flex;
  justify-content: space-between;
  gap: 4px;
  margin-top: 8px;
  font-size: 13.5px;
  line-height: 18px;
}
li {
  position: relative;
  padding-left: 19px;
}
li svg {
  position: absolute;
  left: 0;
  top: 1px;
}
li b {
  display: block;
  font-weight: 650;
  white-space: nowrap;
}
.total {
  padding: 0;
  text-align: right;
}
@media (max-width: 900px) {
  ul {
    flex-wrap: wrap;
    justify-content: flex-start;
    gap: 8px 18px;
  }
  .total {
    text-align: left;
  }
}
</style>
