<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import VesselGlyph from '@/making/VesselGlyph.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import type { Asked, Live } from '@/shell/live'
import { VERBS } from './answers'
import type { Glance } from './glance'

/** One thing that goes on, on the worktop: its figure, the vessel that it stands in, what it asks for next. */
defineProps<{
  live: Live
  /** The sweet that it is a base of, or its own bases are beside it. */
  of: string
  glance: Glance
  next: { says: string; due: boolean }
  /** What it asks for now, where the sentence speaks of something else. */
  due?: Asked
  burner?: string
}>()
defineEmits<{ answer: [due: Asked] }>()
/** One scale for all vessels of a screen. */
const narrow = useMediaQuery('(max-width: 900px)')
</script>

<template>
  <li :class="{ due: next.due, chained: of }">
    <RouterLink :to="live.path" class="place">
      <span class="figure" :class="{ over: glance.over, long: glance.figure.length > 4 }">{{
        glance.figure
      }}</span>
      <span class="unit">{{ glance.unit }}</span>
      <span class="soft more">{{ glance.more }}</span>
      <span class="vessel">
        <PanDrawing
          v-if="glance.pan"
          :pan="glance.pan.pan"
          :now="glance.pan.now"
          :stop="glance.pan.stop"
          :concentration="glance.pan.thick"
          :stop-concentration="glance.pan.thick"
          :flame="glance.pan.flame"
          :height="150"
          :largest-scale="narrow ? 350 : 560"
          quiet
        />
        <span v-else class="glyph">
          <VesselGlyph :kind="glance.glyph" full :lit="live.onFire" />
          <b v-if="glance.holds">{{ glance.holds }}</b>
        </span>
      </span>
      <b class="name">{{ live.name }}</b>
      <span v-if="of" class="soft of">{{ of }}</span>
      <span v-if="next.says !== 'runs'" class="says">{{ next.says }}</span>
      <span v-if="burner" class="soft">{{ burner }}</span>
    </RouterLink>
    <button
      v-if="due && VERBS[due.nudge.answer]"
      type="button"
      class="plate line"
      @click="$emit('answer', due)"
    >
      {{ VERBS[due.nudge.answer]!.text }}<span class="visually-hidden">: {{ live.name }}</span>
    </button>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.place {
  display: grid;
  grid-template-rows: 76px 22px 20px 176px auto;
  color: var(--ink);
  font-weight: 400;
}
.place:hover {
  text-decoration: none;
}
.place:hover .name {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.figure {
  padding-left: 8px;
  font-size: 84px;
  line-height: 84px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -3px;
}
.figure.long {
  font-size: 62px;
}
.figure.over {
  color: var(--madder);
}
.unit,
.more,
.name,
.of,
.says,
.place > .soft {
  padding: 0 10px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.unit {
  font-size: 18px;
  font-weight: 600;
}
.more {
  font-size: 15px;
}
.vessel {
  display: grid;
  align-items: end;
  justify-items: center;
  overflow: hidden;
  border-bottom: 4px solid var(--iron);
}
.vessel > :deep(.pan) {
  width: 100%;
}
.glyph {
  position: relative;
  display: grid;
  justify-items: center;
}
.glyph :deep(svg) {
  width: 148px;
  height: 101px;
}
.glyph b {
  position: absolute;
  top: 48%;
  font-size: 20px;
  color: #1b2444;
}
.name {
  padding-top: 8px;
  font: 650 18px/24px var(--words);
}
.says {
  font-size: 16px;
}
.due .says {
  justify-self: start;
  margin-left: 6px;
  padding: 0 9px;
  border-radius: 12px;
  background: var(--saffron-fill);
  color: var(--on-saffron);
  font-weight: 650;
}
.plate {
  margin: 8px 10px 0;
  min-height: 46px;
}
@media (max-width: 900px) {
  .place {
    grid-template-rows: 68px 22px 20px 150px auto;
  }
  .figure {
    font-size: 70px;
    line-height: 72px;
  }
  .figure.long {
    font-size: 48px;
  }
  .plate {
    min-height: 56px;
  }
}
</style>
