<script setup lang="ts">
import { computed } from 'vue'
import LessonDrawing from './LessonDrawing.vue'
import type { Lesson } from './rehearsal'

/** A lesson on its shelf: what it is about, what the last try cost, and every try along a groove. */
const props = defineProps<{ lesson: Lesson; chosen: boolean }>()
defineEmits<{ choose: [] }>()

const at = (points: number) => 8 + (146 * Math.min(100, Math.max(0, points))) / 100
const cost = computed(() => Math.round(props.lesson.cost ?? 0))
</script>

<template>
  <li>
    <button
      type="button"
      class="cell"
      :class="{ chosen }"
      :aria-pressed="chosen"
      @click="$emit('choose')"
    >
      <span class="top">
        <LessonDrawing class="drawing" :draws="lesson.draws" />
        <span class="about">
          <span class="name">{{ lesson.name }}</span>
          <span>{{ lesson.practises }}</span>
          <span v-if="lesson.best === null" class="soft">not tried yet</span>
          <span v-else-if="cost < 1" class="soft">last time it cost nothing</span>
          <span v-else class="cost"
            ><span class="soft">last time</span> <b>−{{ cost }}</b> {{ lesson.cost_says }}</span
          >
        </span>
      </span>
      <span class="under">
        <span v-if="lesson.best === null" class="play">play it</span>
        <span v-else class="best"
          ><b>{{ Math.round(lesson.best) }}</b> <span class="soft">best</span></span
        >
        <svg
          class="groove"
          viewBox="0 0 162 16"
          role="img"
          :aria-label="`${lesson.tries.length} tries`"
        >
          <rect x="0" y="1" width="162" height="14" rx="7" />
          <line
            v-for="(t, i) in lesson.tries"
            :key="i"
            :x1="at(t)"
            :x2="at(t)"
            y1="3.500"
            y2="12.500"
          />
          <circle v-if="lesson.best !== null" :cx="at(lesson.best)" cy="8" r="6.500" />
        </svg>
      </span>
    </button>
  </li>
</template>

<style scoped>
.cell {
  display: flex;
  flex-direction: column;
  width: 100%;
  height: 100%;
  padding: 8px 10px 6px;
  border-radius: 14px;
  text-align: left;
}
.cell:hover {
  background: color-mix(in srgb, var(--cobalt-wash) 50%, transparent);
}
.cell.chosen {
  background: var(--cobalt-wash);
}
.top {
  display: grid;
  grid-template-columns: 102px minmax(0, 1fr);
  gap: 12px;
  align-items: end;
  flex: 1;
  min-height: 104px;
  border-bottom: 2px solid var(--ink);
}
.drawing {
  width: 102px;
  overflow: visible;
}
.about {
  display: grid;
  gap: 1px;
  padding-bottom: 5px;
  font-size: 14px;
  line-height: 18px;
}
.name {
  font: 650 19px/22px var(--words);
  color: var(--cobalt);
  text-wrap: balance;
}
.cost {
  font-size: 15px;
}
.cost b {
  font-size: 17px;
}
.under {
  display: grid;
  grid-template-columns: 102px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  min-height: 42px;
}
.best b {
  font-size: 32px;
  line-height: 38px;
  font-weight: 700;
  letter-spacing: -1px;
}
.play {
  font-weight: 600;
  color: var(--cobalt);
}
.groove {
  width: 100%;
  max-width: 200px;
}
.groove rect {
  fill: var(--groove);
}
.groove line {
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linecap: round;
}
.groove circle {
  fill: var(--ink);
}
</style>
