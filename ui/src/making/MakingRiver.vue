<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { SweetBatch } from '@/api/client'
import { clock, grams } from '@/say'
import { columnsOf, lanesOf, placesOf, reaches } from './river'
import { glyphOf } from './glyphs'
import VesselGlyph from './VesselGlyph.vue'

/**
 * A making as a river: each step where its milk flows, as wide as what is in it; told until it is weighed. What goes in
 * stands under the step that it goes into. On a phone the same steps are a list.
 */
type Step = SweetBatch['steps'][number]
const props = defineProps<{
  batch: SweetBatch
  first: Step | undefined
  /** How long it takes, or what is left of it, in words. */
  time: (step: Step) => string
  over: (step: Step) => boolean
}>()
defineSlots<{ act(props: { step: Step }): unknown }>()

const holder = ref<HTMLElement>()
const { width } = useElementSize(holder, { width: 1220, height: 400 })
const LANE = 228
const BANK = 56
const WIDEST = 34
const places = computed(() => placesOf(props.batch.steps))
const columns = computed(() => columnsOf(places.value))
const lanes = computed(() => lanesOf(places.value))
const column = computed(() => width.value / columns.value)
const drawn = computed(() =>
  reaches(props.batch.steps, places.value, {
    column: column.value,
    lane: LANE,
    bank: BANK,
    widest: WIDEST,
  }),
)
const byKey = computed(() => new Map(props.batch.steps.map((s) => [s.key, s])))
const weighed = (s: Step) => s.base_kg !== null || (!s.into && props.batch.weighed_kg !== null)
const goesIn = (s: Step) => props.batch.rows.filter((r) => r.step === s.key)
const amount = (g: number) => (g >= 10 ? grams(g / 1000) : `${g.toFixed(1)} g`)
/** The first clause says what it is; the whole stands in the sentence above when its turn comes. */
const short = (s: Step) => s.say.replace(/\.$/, '')
/** It leaves its lane for that of the step it goes on into. */
const leaves = (s: Step) => {
  const into = places.value.get(s.into)
  return into !== undefined && into.lane !== places.value.get(s.key)!.lane
}
const style = (s: Step) => {
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
      '--lane-px': `${LANE}px`,
      '--bank': `${BANK}px`,
    }"
  >
    <svg class="water" :width="width" :height="lanes * LANE" aria-hidden="true">
      <path
        v-for="r in drawn"
        :key="r.key"
        :d="r.path"
        :class="[byKey.get(r.key)?.phase, { milk: byKey.get(r.key)?.base }]"
      />
    </svg>
    <ol class="steps" aria-label="The steps">
      <li
        v-for="s in batch.steps"
        :key="s.key"
        :class="[s.phase, { here: s === first, over: over(s), leaves: leaves(s) }]"
        :style="style(s)"
        :aria-current="s === first ? 'step' : undefined"
      >
        <span class="glyph"
          ><VesselGlyph
            :kind="glyphOf(s)"
            :full="s.phase !== 'waits'"
            :lit="s.phase === 'running'"
            :faint="s.phase === 'waits'"
        /></span>
        <span class="gives" :class="{ sure: weighed(s) }"
          >{{ grams(s.out_kg) }}<small>{{ weighed(s) ? ' weighed' : ' told' }}</small></span
        >
        <span class="what" :title="s.say">{{ short(s) }}</span>
        <span class="time">
          <template v-if="s.done_at_s">done at {{ clock(s.done_at_s) }}</template>
          <template v-else>{{ time(s) }}</template>
        </span>
        <span class="act"><slot name="act" :step="s" /></span>
        <ul v-if="goesIn(s).length" class="rows" :aria-label="`into it: ${short(s)}`">
          <li
            v-for="r in goesIn(s).slice(0, 4)"
            :key="r.number"
            :class="{ in: r.weighed_kg !== null || r.in_base }"
          >
            <span>{{ r.name }}</span>
            <b>{{ amount(r.weighed_kg === null ? r.grams : r.weighed_kg * 1000) }}</b>
          </li>
          <li v-if="goesIn(s).length > 4">and {{ goesIn(s).length - 4 }} more</li>
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
.water .done {
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
  .time {
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
