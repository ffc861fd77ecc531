<script setup lang="ts">
import SlideKnob from '@/charts/SlideKnob.vue'
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

/** By a millimetre, or by five. */
const move = (by: number, large: boolean) =>
  emit('set', (Math.round(props.stop * 1000) + by * (large ? 5 : 1)) / 1000)
</script>

<template>
  <g class="stop follows">
    <line
      :x1="frame.x0 - frame.half(stop)"
      :x2="frame.x0 + frame.half(stop) + (draggable ? 30 : 6)"
      :y1="frame.y(stop)"
      :y2="frame.y(stop)"
    />
    <SlideKnob
      v-if="draggable"
      :x="frame.x0 + frame.half(stop) + 30"
      :y="frame.y(stop)"
      label="Level to stop at"
      upright
      :min="Number(cm(lowest))"
      :max="Number(cm(highest))"
      :now="Number(cm(stop))"
      :text="`${cm(stop)} cm${stopVolume === undefined ? '' : ', ' + volume(stopVolume)}`"
      @step="move"
    />
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
