<script setup lang="ts">
import { computed, useId } from 'vue'
import type { PanOut } from '@/api/client'
import { milkColour } from '@/theme/milk'
import { wallPath, type Frame } from './geometry'

/** The pan itself in section on its burner, with the milk in it and the sweep since it was stirred. */
const props = defineProps<{
  pan: PanOut
  frame: Frame
  now: number
  stop: number
  stopShown: boolean
  concentration: number
  stopConcentration: number
  flame?: string
  stirred: number | null
  quiet?: boolean
}>()

const clip = useId()
const flameScale = computed(
  () => ({ gentle: 0.6, medium: 0.82, strong: 1 })[props.flame ?? ''] ?? 0,
)
const inside = computed(
  () => wallPath(props.pan, props.frame.x0, props.frame.y0, props.frame.scale) + 'Z',
)
const stirClock = computed(() => {
  const { x0, y0, scale, wall } = props.frame
  return wallPath(props.pan, x0, y0, scale, wall + 7)
})
</script>

<template>
  <g>
    <!-- worktop, trivet and flame -->
    <line
      v-if="!quiet"
      x1="0"
      :x2="frame.width"
      :y1="frame.tall - 1"
      :y2="frame.tall - 1"
      class="ink"
      stroke-width="2"
    />
    <path
      :d="`M${frame.x0 - 40 * frame.unit} ${frame.y0 + 10}H${frame.x0 - 166 * frame.unit}V${frame.tall - 2}M${frame.x0 + 40 * frame.unit} ${frame.y0 + 10}H${frame.x0 + 166 * frame.unit}V${frame.tall - 2}`"
      class="ink"
      stroke-width="3"
      fill="none"
    />
    <path
      d="M-75 -25a4 4 0 0 1 4-4h142a4 4 0 0 1 4 4v9h-150zM-40 -16h80v14h-80z"
      :transform="`translate(${frame.x0} ${frame.tall}) scale(${frame.unit} 1)`"
      fill="var(--ink)"
    />
    <g
      v-if="flameScale"
      :transform="`translate(${frame.x0} ${frame.tall - 30}) scale(${frame.unit} ${flameScale})`"
    >
      <path
        v-for="i in 7"
        :key="i"
        :d="`M${(i - 4) * 21 - 9} 0c-4-9 4-12 ${6 + (i - 4) * 1.6} -21c${3 - (i - 4) * 0.6} 8 17 12 ${12 - (i - 4)} 21z`"
        class="flame"
      />
    </g>

    <!-- handles -->
    <g
      v-for="s in [-1, 1]"
      :key="s"
      :transform="`translate(${frame.x0 + s * frame.rim.r} ${frame.rim.y}) scale(${s * frame.unit} ${frame.unit})`"
    >
      <template v-if="pan.kind === 'kadhai'">
        <path d="M2 30C22 30 38 20 48 6" class="handle" />
        <path d="M2 30C22 30 38 20 48 6" class="hole" />
      </template>
      <template v-else>
        <path d="M4 22H34" class="handle flat" />
        <path d="M4 22H34" class="hole flat" />
      </template>
    </g>

    <clipPath :id="clip"><path :d="inside" /></clipPath>
    <g :clip-path="`url(#${clip})`">
      <rect
        :width="frame.width"
        :y="frame.rim.y"
        :height="frame.y0 - frame.rim.y + 4"
        x="0"
        fill="var(--hollow)"
      />
      <rect
        x="0"
        :width="frame.width"
        :y="frame.y(now)"
        :height="frame.y0 - frame.y(now) + 4"
        :fill="milkColour(concentration)"
      />
      <rect
        v-if="stopShown"
        x="0"
        :width="frame.width"
        :y="frame.y(stop)"
        :height="frame.y0 - frame.y(stop) + 4"
        :fill="milkColour(stopConcentration)"
        class="follows"
      />
    </g>
    <path
      :d="wallPath(pan, frame.x0, frame.y0, frame.scale, frame.wall / 2)"
      class="wall"
      :stroke-width="frame.wall"
    />
    <circle :cx="frame.x0 - frame.rim.r - 3" :cy="frame.rim.y" r="6" fill="var(--iron)" />
    <circle :cx="frame.x0 + frame.rim.r + 3" :cy="frame.rim.y" r="6" fill="var(--iron)" />
    <template v-if="stirred !== null">
      <path :d="stirClock" class="groove" />
      <path
        :d="stirClock"
        class="stir"
        :class="{ full: stirred >= 1 }"
        pathLength="100"
        :stroke-dasharray="`${Math.min(1, stirred) * 100} 200`"
      />
    </template>
  </g>
</template>

<style scoped>
.ink {
  stroke: var(--ink);
  stroke-linecap: round;
}
.flame {
  fill: #fffef8;
  stroke: #27408b;
  stroke-width: 1.7;
  stroke-linejoin: round;
}
.handle {
  fill: none;
  stroke: var(--iron);
  stroke-width: 24;
  stroke-linecap: round;
}
.hole {
  fill: none;
  stroke: var(--counter);
  stroke-width: 13;
  stroke-linecap: round;
}
.handle.flat {
  stroke-width: 18;
}
.hole.flat {
  stroke-width: 9;
}
.wall {
  fill: none;
  stroke: var(--iron);
  stroke-linejoin: round;
}
.groove {
  fill: none;
  stroke: var(--groove);
  stroke-width: 7;
  stroke-linecap: round;
}
.stir {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 7;
  stroke-linecap: round;
}
.stir.full {
  stroke: var(--saffron);
  stroke-width: 9;
}
</style>
