<script setup lang="ts">
import { computed } from 'vue'
import SlideKnob from '@/charts/SlideKnob.vue'
import {
  angleAt,
  colourAt,
  GOALS,
  grains,
  onRim,
  rimPiece,
  shadeAt,
  shadeOf,
  SHADES,
} from './shades'

/**
 * The sugar from above: the pool in its own shade, the shades along the right half of the rim, where it is now, where the
 * flame goes off, and where it ends by itself. The knob chooses the shade to stop at.
 */
const props = defineProps<{
  celsius: number | null
  off: number
  ends: number
  goal: string
  told: boolean
  movable?: boolean
}>()
const emit = defineEmits<{ goal: [shade: string] }>()

const CX = 178
const CY = 196
const R = 150
const [INNER, OUTER] = [R + 12, R + 38]
const at = computed(() => props.celsius ?? props.ends)
const now = computed(() => onRim(CX, CY, OUTER + 8, at.value))
const hub = computed(() => onRim(CX, CY, 96, at.value))
const knob = computed(() => onRim(CX, CY, OUTER + 34, props.off))
const inside = computed(() => onRim(CX, CY, 118, props.off))
const end = computed(() => onRim(CX, CY, 118, props.ends))
const label = (c: number) => onRim(CX, CY, OUTER + 14, c)
const place = computed(() => GOALS.findIndex((s) => s.key === props.goal))
function step(by: number) {
  const to = GOALS[place.value + by]
  if (to) emit('goal', to.key)
}
</script>

<template>
  <svg viewBox="14 0 462 392" role="group" aria-label="The sugar from above">
    <defs>
      <pattern id="grains" width="10" height="10" patternUnits="userSpaceOnUse">
        <path d="M5 1l4 4-4 4-4-4z" />
      </pattern>
    </defs>
    <path class="handle" :d="`M${CX - 52} ${CY - R - 6}c6-26 98-26 104 0`" />
    <path class="handle" :d="`M${CX - 52} ${CY + R + 6}c6 26 98 26 104 0`" />
    <circle class="pan" :cx="CX" :cy="CY" :r="R" :fill="colourAt(at)" />
    <circle
      v-if="grains(at) > 0.02"
      class="grains"
      :cx="CX - 40"
      :cy="CY - 14"
      :r="110 * Math.sqrt(grains(at))"
    />
    <path
      v-for="s in SHADES"
      :key="s.key"
      class="shade"
      :class="{ goal: s.key === goal }"
      :d="rimPiece(CX, CY, INNER, OUTER, s.from, s.to)"
      :fill="s.colour"
      :role="movable && GOALS.includes(s) ? 'button' : undefined"
      :aria-label="movable && GOALS.includes(s) ? `stop at ${s.text}` : undefined"
      @click="movable && GOALS.includes(s) && emit('goal', s.key)"
    />
    <template v-for="s in SHADES" :key="s.key">
      <text
        :x="label((s.from + s.to) / 2)[0]"
        :y="label((s.from + s.to) / 2)[1] + 5"
        class="name"
        :class="{ goal: s.key === goal }"
      >
        {{ s.text }}
      </text>
    </template>
    <path
      class="carry"
      :d="`M${inside.join(' ')}A118 118 0 0 ${angleAt(ends) > angleAt(off) ? 1 : 0} ${end.join(' ')}`"
    />
    <circle class="ends" :cx="end[0]" :cy="end[1]" r="8" :fill="shadeAt(ends).colour" />
    <g v-if="celsius !== null" class="now" :class="{ deep: shadeAt(at).deep }">
      <line :x1="hub[0]" :y1="hub[1]" :x2="now[0]" :y2="now[1]" />
      <circle :cx="hub[0]" :cy="hub[1]" r="6" />
      <text :x="hub[0] - 14" :y="hub[1] + 5" text-anchor="end">
        {{ told ? 'about now' : 'now' }}
      </text>
    </g>
    <SlideKnob
      v-if="movable"
      :x="knob[0]"
      :y="knob[1]"
      label="the shade to stop at"
      upright
      downward
      :max="GOALS.length - 1"
      :now="place"
      :text="`${shadeOf(goal).text}, off the flame at ${Math.round(off)} °C`"
      @step="step"
    >
      <line class="off" :x1="inside[0]" :y1="inside[1]" :x2="knob[0]" :y2="knob[1]" />
      <text class="off" :x="knob[0] + 24" :y="knob[1] + 5">off here</text>
    </SlideKnob>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  overflow: visible;
}
.pan,
.handle {
  stroke: var(--iron);
  stroke-width: 6;
}
.handle {
  fill: none;
  stroke-linecap: round;
}
.grains {
  fill: url(#grains);
}
pattern path {
  fill: #fdfcf7;
  stroke: #1b2444;
  stroke-width: 0.8;
}
.shade {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.shade[role='button'] {
  cursor: pointer;
}
.shade.goal {
  stroke-width: 3.4;
}
.name {
  font-size: 15px;
}
.name.goal {
  font-weight: 700;
}
.carry {
  fill: none;
  stroke: #27408b;
  stroke-width: 2.6;
  stroke-dasharray: 1 6;
  stroke-linecap: round;
}
.ends {
  stroke: #27408b;
  stroke-width: 3;
}
.now line {
  stroke: #1b2444;
  stroke-width: 3;
  stroke-linecap: round;
}
.now circle,
.now text {
  fill: #1b2444;
}
.now text {
  font-size: 16px;
  font-weight: 700;
  paint-order: stroke;
  stroke: #f6f0d6;
  stroke-width: 5px;
}
.now.deep line {
  stroke: #fdfcf7;
}
.now.deep circle,
.now.deep text {
  fill: #fdfcf7;
  stroke: none;
}
line.off {
  stroke: var(--plate);
  stroke-width: 3.4;
  stroke-linecap: round;
}
text.off {
  font-size: 16px;
  font-weight: 650;
  fill: var(--cobalt);
}
</style>
