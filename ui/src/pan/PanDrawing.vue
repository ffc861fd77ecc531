<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { PanOut } from '@/api/client'
import { cm, volume } from '@/say'
import DepthGauge from './DepthGauge.vue'
import { frameOf } from './geometry'
import PanBody from './PanBody.vue'
import StopLevel from './StopLevel.vue'

/**
 * A pan in section, to scale, on its burner: the milk now, the level to stop at, how far the boil climbs.
 * The stop can be dragged, tapped, or moved with the arrow keys.
 */
const props = withDefaults(
  defineProps<{
    pan: PanOut
    now: number
    nowVolume?: number
    stop: number
    stopVolume?: number
    climb?: number
    spare?: number
    concentration?: number
    stopConcentration?: number
    flame?: string
    draggable?: boolean
    lowest?: number
    highest?: number
    height?: number
    stirred?: number | null
    quiet?: boolean
    largestScale?: number
  }>(),
  {
    nowVolume: undefined,
    stopVolume: undefined,
    climb: undefined,
    spare: undefined,
    concentration: 1,
    stopConcentration: 2,
    flame: undefined,
    lowest: 0,
    highest: 1,
    height: 296,
    stirred: null,
    largestScale: undefined,
  },
)
const emit = defineEmits<{ drag: [depth: number]; drop: [depth: number] }>()

const holder = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(holder, { width: 676, height: 332 })
const frame = computed(() =>
  frameOf(props.pan, width.value, props.height, Boolean(props.quiet), props.largestScale),
)
/** Lacy bubbles along the level that the boil climbs to. */
const foam = computed(() => {
  if (props.climb === undefined) return ''
  const { x0, y, half } = frame.value
  const r = half(Math.min(props.climb, props.pan.height_m)) - 8
  let x = x0 - r
  let d = `M${x} ${y(props.climb)}`
  for (let i = 0; x < x0 + r - 14; i++) {
    const w = 16 + ((i * 37) % 22)
    d += `a${w / 2} ${w / 2.6} 0 0 1 ${w} 0`
    x += w
  }
  return d
})
const tight = computed(() => props.spare !== undefined && props.spare < 0.01)

const clamp = (d: number) => Math.min(props.highest, Math.max(props.lowest, d))
let dragging = false

function depthAt(event: PointerEvent): number {
  const box = svg.value!.getBoundingClientRect()
  const { y0, tall, scale } = frame.value
  return clamp((y0 - ((event.clientY - box.top) * tall) / box.height) / scale)
}
function down(event: PointerEvent) {
  if (!props.draggable) return
  dragging = true
  svg.value!.setPointerCapture(event.pointerId)
  emit('drag', depthAt(event))
}
function move(event: PointerEvent) {
  if (dragging) emit('drag', depthAt(event))
}
function up(event: PointerEvent) {
  if (!dragging) return
  dragging = false
  emit('drop', depthAt(event))
}
</script>

<template>
  <div ref="holder" class="pan">
    <svg
      ref="svg"
      :width="frame.width"
      :height="frame.tall"
      :viewBox="`0 0 ${frame.width} ${frame.tall}`"
      :class="{ grab: draggable }"
      role="group"
      :aria-label="`${pan.name} in section: ${cm(now)} cm now, stop at ${cm(stop)} cm`"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
    >
      <PanBody
        :pan="pan"
        :frame="frame"
        :now="now"
        :stop="stop"
        :stop-shown="draggable || stop < now"
        :concentration="concentration"
        :stop-concentration="stopConcentration"
        :flame="flame"
        :stirred="stirred"
        :quiet="quiet"
      />
      <path v-if="foam" :d="foam" class="foam" :class="{ tight }" />
      <DepthGauge :pan="pan" :frame="frame" :now="now" :quiet="quiet" />
      <line
        :x1="frame.x0 - frame.half(now)"
        :x2="frame.x0 + frame.half(now)"
        :y1="frame.y(now)"
        :y2="frame.y(now)"
        class="level"
      />
      <template v-if="!quiet">
        <text
          :x="frame.x0 - frame.half(now) * 0.86"
          :y="frame.y(stop) - frame.y(now) < 34 ? frame.y(now) - 8 : frame.y(now) + 25"
          class="figure"
          :class="{ milky: frame.y(stop) - frame.y(now) >= 34 }"
        >
          {{ cm(now) }}
          <tspan class="unit" dx="4">cm now</tspan>
        </text>
        <text
          v-if="nowVolume !== undefined && !frame.small && frame.y(stop) - frame.y(now) > 52"
          :x="frame.x0 - frame.half(now - 46 / frame.scale) * 0.9"
          :y="frame.y(now) + 46"
          class="note milky"
        >
          {{ volume(nowVolume) }}
        </text>
        <g v-if="climb !== undefined && spare !== undefined">
          <text
            v-if="!frame.small"
            :x="frame.x0 - 30"
            :y="frame.y(climb) - 14"
            text-anchor="end"
            class="note"
          >
            the boil climbs to {{ cm(climb) }} cm
          </text>
          <text :x="frame.x0 + 20" :y="frame.y(climb) - 14" class="spare" :class="{ tight }">
            {{ cm(spare) }} cm to spare{{ tight ? ': too tight' : '' }}
          </text>
        </g>
      </template>
      <StopLevel
        :frame="frame"
        :stop="stop"
        :stop-volume="stopVolume"
        :draggable="draggable"
        :lowest="lowest"
        :highest="highest"
        @set="emit('drop', clamp($event))"
      />
    </svg>
  </div>
</template>

<style scoped>
.pan {
  min-width: 0;
}
svg {
  overflow: visible;
}
.grab {
  touch-action: none;
  cursor: ns-resize;
}
.level {
  stroke: var(--ink);
  stroke-linecap: round;
}
.foam {
  fill: none;
  stroke: var(--foam);
  stroke-width: 1.4;
}
.foam.tight {
  stroke: var(--madder);
}
.level {
  stroke-width: 2;
}
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
.spare {
  font-size: 14.5px;
  font-weight: 600;
  fill: var(--leaf);
}
.spare.tight {
  fill: var(--madder);
}
</style>
