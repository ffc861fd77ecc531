<script setup lang="ts">
import { cm, volume } from '@/say'
import type { Frame } from './geometry'

/** The level to stop at: its line, and the knob that moves it with a finger or the arrow keys. */
const props = defineProps<{
  frame: Frame
  stop: number
  stopVolume?: number
  draggable?: boolean
  lowest: number
  highest: number
}>()
const emit = defineEmits<{ set: [depth: number] }>()

function key(event: KeyboardEvent) {
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  emit('set', (Math.round(props.stop * 1000) + by * (event.shiftKey ? 5 : 1)) / 1000)
}
</script>

<template>
  <g class="stop follows">
    <line
      :x1="frame.x0 - frame.half(stop)"
      :x2="frame.x0 + frame.half(stop) + (draggable ? 30 : 6)"
      :y1="frame.y(stop)"
      :y2="frame.y(stop)"
    />
    <g
      v-if="draggable"
      class="knob"
      role="slider"
      tabindex="0"
      aria-label="Level to stop at"
      aria-orientation="vertical"
      :aria-valuemin="Number(cm(lowest))"
      :aria-valuemax="Number(cm(highest))"
      :aria-valuenow="Number(cm(stop))"
      :aria-valuetext="`${cm(stop)} cm${stopVolume === undefined ? '' : ', ' + volume(stopVolume)}`"
      @keydown="key"
    >
      <circle :cx="frame.x0 + frame.half(stop) + 30" :cy="frame.y(stop)" r="26" class="halo" />
      <circle :cx="frame.x0 + frame.half(stop) + 30" :cy="frame.y(stop)" r="16" />
      <path
        :d="`M${frame.x0 + frame.half(stop) + 24} ${frame.y(stop) - 3}l6-6 6 6M${frame.x0 + frame.half(stop) + 24} ${frame.y(stop) + 3}l6 6 6-6`"
      />
    </g>
    <g
      v-if="draggable && !frame.small"
      :transform="`translate(${frame.x0 + frame.half(stop) + 56} ${frame.y(stop)})`"
    >
      <text class="big" y="14">{{ cm(stop) }}</text>
      <text y="38" class="caption">cm, stop here</text>
      <text v-if="stopVolume !== undefined" y="58" class="note">{{ volume(stopVolume) }}</text>
    </g>
    <text
      v-else-if="draggable && frame.small"
      :x="frame.x0 - 14"
      text-anchor="end"
      :y="frame.y(stop) + 22"
      class="figure milky"
    >
      {{ cm(stop) }}
      <tspan class="unit" dx="4">cm stop</tspan>
    </text>
  </g>
</template>

<style scoped>
.milky {
  fill: var(--on-milk);
}
.figure {
  font-size: 21px;
  font-weight: 680;
}
.unit,
.note {
  font-size: 14px;
  font-weight: 450;
}
.stop > line {
  stroke: #27408b;
  stroke-width: 2.6;
  stroke-linecap: round;
}
.knob circle {
  fill: var(--plate);
}
.knob .halo {
  fill: transparent;
}
.knob path {
  fill: none;
  stroke: var(--plate-ink);
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.knob:focus-visible {
  outline: none;
}
.knob:focus-visible .halo {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 2;
}
.big {
  font-size: 46px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -1px;
  fill: var(--cobalt);
}
.caption {
  font-size: 15px;
  font-weight: 600;
  fill: var(--cobalt);
}
</style>
