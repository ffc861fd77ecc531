<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { SweetOut } from '@/api/client'
import { between } from './slide'
import SlideKnob from './SlideKnob.vue'

/** How much of the water is ice along the cold: the freezer's knob slides, the leaf dot is where it eats best. */
const props = defineProps<{ frozen: NonNullable<SweetOut['frozen']>; celsius: number }>()
const emit = defineEmits<{ freezer: [celsius: number] }>()
const W = 384
const H = 322
const L = 34
const B = 46
const COLDEST = 24
const x = (c: number) => L + (-c / COLDEST) * (W - L - 12)
const y = (share: number) => H - B - share * (H - B - 14)
const a = computed(() => props.frozen.answer)
const curve = computed(() => a.value.curve_c.map((c) => -c))
const share = (c: number) => between(curve.value, a.value.curve_of_water as number[], -c)
const line = computed(() =>
  a.value.curve_c
    .map((c, i) => [c, a.value.curve_of_water[i]!] as const)
    .filter(([c]) => c >= -COLDEST)
    .map(([c, s], i) => `${i ? 'L' : 'M'}${x(c).toFixed(1)} ${y(s).toFixed(1)}`)
    .join(''),
)
const dragged = ref<number | null>(null)
watch(
  () => props.frozen,
  () => (dragged.value = null),
)
const now = computed(() => Math.max(-COLDEST, dragged.value ?? props.celsius))
const bands = computed(() => {
  const water = 0.4 / a.value.bite_of_water
  return [0.36 / water, 0.46 / water] as const
})
/** Too little room between the two lines for words. */
const near = computed(() => x(now.value) - x(a.value.bite_c) < 112)
const standing = computed(() => Math.round(a.value.stand_s.likely / 60))

const svg = ref<SVGSVGElement>()
let holding = false
const at = (event: PointerEvent) => {
  const box = svg.value!.getBoundingClientRect()
  const px = ((event.clientX - box.left) * W) / box.width
  return Math.round(Math.min(-6, Math.max(-COLDEST, (-(px - L) / (W - L - 12)) * COLDEST)))
}
function down(event: PointerEvent) {
  holding = true
  svg.value!.setPointerCapture(event.pointerId)
  dragged.value = at(event)
}
function move(event: PointerEvent) {
  if (holding) dragged.value = at(event)
}
function up(event: PointerEvent) {
  if (!holding) return
  holding = false
  emit('freezer', at(event))
}
const minus = (c: number) => String(Math.round(c)).replace('-', '−')
</script>

<template>
  <svg ref="svg" :viewBox="`0 0 ${W} ${H}`" class="ice">
    <text x="0" y="11" class="soft">% of the water is ice</text>
    <rect
      :x="L"
      :y="y(bands[1])"
      :width="W - L - 12"
      :height="y(bands[0]) - y(bands[1])"
      class="good"
    />
    <text :x="L + 8" :y="y(Math.min(0.97, bands[1] + 0.08))">hard</text>
    <text :x="L + 8" :y="(y(bands[0]) + y(bands[1])) / 2 + 5" class="leaf">bites cleanly</text>
    <text :x="L + 8" :y="y(0.3)">drips</text>
    <g v-for="p in [0, 25, 50, 75]" :key="p">
      <path :d="`M${L - 6} ${y(p / 100)}h6`" class="tick" />
      <text :x="L - 10" :y="y(p / 100) + 5" text-anchor="end">{{ p }}</text>
    </g>
    <path :d="`M${L} ${y(0.98)}V${y(0)}H${W - 12}`" class="axis" />
    <path :d="line" class="wall" />
    <path :d="line" class="line" />
    <g v-for="c in [0, -6, -12, -18, -24]" :key="c">
      <path :d="`M${x(c)} ${y(0)}v6`" class="tick" />
      <text :x="x(c)" :y="y(0) + 20" text-anchor="middle">{{ minus(c) }}</text>
    </g>
    <g v-if="a.bite_c > -COLDEST">
      <path :d="`M${x(a.bite_c)} ${y(0)}V${y(share(a.bite_c))}`" class="bite" />
      <circle :cx="x(a.bite_c)" :cy="y(share(a.bite_c))" r="7" class="dot leafy" />
      <text
        :x="x(a.bite_c) + (near ? -12 : 12)"
        :y="near ? y(0.34) : y(share(a.bite_c)) + 30"
        :text-anchor="near ? 'end' : 'start'"
        class="leaf over"
      >
        {{ Math.round(share(a.bite_c) * 100) }} %, eat it
      </text>
      <text
        :x="x(a.bite_c) + (near ? -12 : 12)"
        :y="near ? y(0.34) + 18 : y(share(a.bite_c)) + 48"
        :text-anchor="near ? 'end' : 'start'"
        class="leaf over"
      >
        here, at {{ minus(a.bite_c) }} °C
      </text>
      <template v-if="now < a.bite_c - 2">
        <path :d="`M${x(now) - 4} ${y(0.13)}H${x(a.bite_c) + 7}m7 -5l-7 5l7 5`" class="arrow" />
        <text
          :x="near ? x(a.bite_c) - 8 : (x(now) + x(a.bite_c)) / 2 + 2"
          :y="y(0.13) + (near ? 5 : -9)"
          :text-anchor="near ? 'end' : 'middle'"
          class="strong"
        >
          {{ standing }} min out
        </text>
      </template>
    </g>
    <path :d="`M${x(now)} ${y(0)}V${y(share(now))}`" class="knobline" />
    <circle :cx="x(now)" :cy="y(share(now))" r="7" class="dot" />
    <text :x="x(now)" :y="y(share(now)) - 14" text-anchor="middle" class="strong">
      {{ Math.round(share(now) * 100) }} % ice
    </text>
    <g class="slide" @pointerdown="down" @pointermove="move" @pointerup="up">
      <SlideKnob
        :x="x(now)"
        :y="y(0)"
        label="freezer, °C"
        :max="0"
        :now="now"
        :text="`${minus(now)} °C`"
        @step="(by) => emit('freezer', Math.min(-6, Math.max(-COLDEST, now + by)))"
      />
    </g>
    <text :x="Math.min(W - 62, x(now))" :y="H - 6" text-anchor="middle" class="touchable">
      {{ minus(now) }} °C freezer
    </text>
  </svg>
</template>

<style scoped>
.ice {
  width: 100%;
  overflow: visible;
  touch-action: pan-y;
}
text {
  font-size: 15px;
}
.soft {
  fill: var(--ink-soft);
}
.good {
  fill: color-mix(in srgb, var(--leaf) 15%, var(--counter));
}
.leaf {
  fill: var(--leaf);
  font-weight: 620;
}
.over {
  paint-order: stroke;
  stroke: var(--counter);
  stroke-width: 5px;
}
.strong {
  font-weight: 650;
}
.touchable {
  fill: var(--cobalt);
  font-weight: 620;
}
.axis,
.tick {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 8;
  stroke-linecap: round;
}
.line {
  fill: none;
  stroke: var(--enamel);
  stroke-width: 5.6;
  stroke-linecap: round;
}
.bite {
  stroke: var(--leaf);
  stroke-width: 2.2;
  stroke-dasharray: 2 5;
  stroke-linecap: round;
}
.dot {
  fill: var(--ink);
}
.leafy {
  fill: var(--leaf);
}
.arrow {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linecap: round;
}
.knobline {
  stroke: var(--cobalt);
  stroke-width: 2.2;
}
.slide {
  cursor: ew-resize;
  touch-action: none;
}
</style>
