<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { grams } from '@/say'
import { columnsOf, lanesOf, placesOf, reaches as stretches } from './river'
import type { Shown } from './reaches'
import VesselGlyph from './VesselGlyph.vue'

/**
 * A making as a river: each reach where its milk flows, as wide as what is in it; told until it is weighed. What goes in
 * stands under the step that it goes into. On a phone the same steps are a list.
 */
const props = defineProps<{ reaches: Shown[]; name: string; low?: boolean; past?: boolean }>()
defineSlots<{ act?(props: { reach: Shown }): unknown }>()

const holder = ref<HTMLElement>()
const { width } = useElementSize(holder, { width: 1220, height: 400 })
/** Where nothing is weighed into a step and nothing is to be done, its lane is low. */
const lane = computed(() => (props.low ? 152 : 246))
const BANK = 56
const WIDEST = 34
const places = computed(() => placesOf(props.reaches))
const columns = computed(() => columnsOf(places.value))
const lanes = computed(() => lanesOf(places.value))
const column = computed(() => width.value / columns.value)
const drawn = computed(() =>
  stretches(props.reaches, places.value, {
    column: column.value,
    lane: lane.value,
    bank: BANK,
    widest: WIDEST,
  }),
)
const byKey = computed(() => new Map(props.reaches.map((s) => [s.key, s])))
/** It leaves its lane for that of the step it goes on into. */
const leaves = (s: Shown) => {
  const into = places.value.get(s.into)
  return into !== undefined && into.lane !== places.value.get(s.key)!.lane
}
const style = (s: Shown) => {
  const p = places.value.get(s.key)!
  return { '--column': p.column, '--lane': p.lane }
}
</script>

<template>
  <div
    ref="holder"
    class="river"
    :style="{
      '--columns': columns,
      '--lanes': lanes,
      '--lane-px': `${lane}px`,
      '--bank': `${BANK}px`,
    }"
  >
    <svg class="water" :width="width" :height="lanes * lane" aria-hidden="true">
      <path
        v-for="r in drawn"
        :key="r.key"
        :d="r.path"
        :class="[byKey.get(r.key)?.phase, { milk: byKey.get(r.key)?.milk, past }]"
      />
    </svg>
    <ol class="steps" :aria-label="name">
      <li
        v-for="s in reaches"
        :key="s.key"
        :class="[s.phase, { here: s.here, over: s.over, leaves: leaves(s) }]"
        :style="style(s)"
        :aria-current="s.here ? 'step' : undefined"
      >
        <span class="glyph"
          ><VesselGlyph
            :kind="s.glyph"
            :full="s.phase !== 'waits'"
            :lit="s.phase === 'running'"
            :faint="s.phase === 'waits'"
        /></span>
        <span class="gives" :class="{ sure: s.weighed }"
          >{{ grams(s.out_kg) }}<small>{{ s.mark }}</small></span
        >
        <span class="what" :title="s.say">{{ s.say }}</span>
        <span class="time">{{ s.time }}</span>
        <span v-if="s.leaves" class="off">{{ s.leaves }}</span>
        <span class="act"><slot name="act" :reach="s" /></span>
        <ul v-if="s.rows.length" class="rows" :aria-label="`into it: ${s.say}`">
          <li v-for="r in s.rows.slice(0, 4)" :key="r.number" :class="{ in: r.in }">
            <span>{{ r.name }}</span>
            <b>{{ r.amount }}</b>
          </li>
          <li v-if="s.rows.length > 4">and {{ s.rows.length - 4 }} more</li>
        </ul>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.river {
  position: relative;
  height: calc(var(--lanes) * var(--lane-px));
  margin: 6px 0 16px;
}
.water {
  position: absolute;
  inset: 0;
}
.water path {
  fill: color-mix(in srgb, var(--water-line) 34%, var(--counter));
  stroke: var(--water-line);
  stroke-width: 1;
}
.water .milk {
  fill: var(--enamel);
  stroke: var(--ink-soft);
}
.water .done:not(.past) {
  fill: color-mix(in srgb, var(--leaf) 30%, var(--counter));
}
.water .running {
  fill: color-mix(in srgb, var(--saffron-fill) 46%, var(--enamel));
}
.steps > li {
  position: absolute;
  left: calc(100% / var(--columns) * var(--column));
  top: calc(var(--lane) * var(--lane-px));
  width: calc(100% / var(--columns));
  height: var(--lane-px);
  padding: calc(var(--bank) + 40px) calc(14% / var(--columns)) 0 6px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: 14px;
  line-height: 17px;
  overflow: hidden;
}
.steps > li::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: calc(var(--bank) - 3px);
  border-top: 3px solid var(--iron);
}
.steps > .leaves::before {
  right: 12%;
}
.glyph {
  position: absolute;
  left: 8px;
  top: calc(var(--bank) - 55px);
}
.gives {
  position: absolute;
  left: 90px;
  top: calc(var(--bank) - 26px);
  color: var(--ink-soft);
  font-weight: 600;
  font-size: 15px;
  white-space: nowrap;
}
.gives small {
  font-size: 12.5px;
  font-weight: 450;
}
.gives.sure {
  color: var(--leaf);
  font-weight: 700;
}
.what {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
  flex-shrink: 0;
  font: 550 16px/19px var(--words);
}
.here .what {
  font-weight: 700;
  color: var(--cobalt);
}
.done .what {
  color: var(--ink-soft);
}
.time {
  color: var(--ink-soft);
}
.running .time {
  font-size: 19px;
  line-height: 24px;
  font-weight: 700;
  color: var(--ink);
}
.off {
  flex-shrink: 0;
  font-size: 13px;
  color: var(--ink-soft);
}
.over .time {
  color: var(--saffron-ink);
}
.act {
  display: flex;
  flex-wrap: wrap;
  flex-shrink: 0;
  gap: 0 12px;
}
.act :deep(.standing) {
  font-size: 14px;
  line-height: 18px;
}
.rows {
  width: 100%;
  padding-top: 3px;
  font-size: 13px;
  line-height: 16px;
}
.rows li {
  display: flex;
  justify-content: space-between;
  gap: 6px;
  white-space: nowrap;
}
.rows span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.rows .in {
  color: var(--leaf);
}
@media (max-width: 900px) {
  .river {
    height: auto;
  }
  .water,
  .glyph {
    display: none;
  }
  .steps > li {
    position: relative;
    left: auto;
    top: auto;
    width: 100%;
    height: auto;
    display: grid;
    grid-template-columns: minmax(0, 1fr) max-content;
    gap: 2px 12px;
    padding: 8px 10px 6px;
    border-left: 4px solid var(--ridge);
    font-size: 15px;
    overflow: visible;
  }
  .steps > li::before {
    display: none;
  }
  .steps > .running,
  .steps > .ready {
    border-color: var(--cobalt);
  }
  .steps > .done {
    border-color: var(--leaf);
  }
  .steps > .here {
    background: var(--cobalt-wash);
  }
  .gives {
    position: static;
    grid-column: 2;
    grid-row: 1;
  }
  .what {
    grid-column: 1;
    grid-row: 1;
  }
  .time,
  .off {
    grid-column: 1;
  }
  .act {
    grid-column: 1 / -1;
  }
  .act :deep(button),
  .act :deep(a) {
    min-height: 40px;
    display: inline-flex;
    align-items: center;
  }
  .rows {
    display: none;
  }
}
</style>
