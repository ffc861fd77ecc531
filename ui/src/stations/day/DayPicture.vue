<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { DayOut } from '@/api/client'
import { clock } from '@/say'
import { coldBars, dayScale, handsLane, nearHours, staysOf, type Stay } from './day'
import { useDrag } from './drag'
import { coldRows, hoursOf, nightsOf, stepsOf } from './picture'
import type { Move } from './useMoves'

/**
 * The day as it is worked: hands, each burner, the cold. Hours with something to do are drawn wide; a bar is as high as its
 * flame. All of it stands as a list beneath, for who cannot see it. On a phone it stands upright. Bars can be dragged, or
 * moved by arrow keys, where the plan may still change.
 */
const props = defineProps<{
  plan: DayOut
  now?: number
  chosen?: number
  movable?: boolean
  was?: Map<string, number>
  pins?: string[]
}>()
const emit = defineEmits<{ choose: [sweet: number]; move: [to: Move] }>()
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const LEFT = 118
const TOP = 34
const HANDS = 84
const LANE = 66
const ROW = 27

const wide = computed(() => Math.max(560, width.value))
const scale = computed(() => dayScale(props.plan, wide.value - LEFT - 30))
const x = (s: number) => LEFT + scale.value(s)
const near = computed(() => nearHours(props.plan))
const stays = computed(() => staysOf(props.plan))
const bars = computed(() => coldBars(props.plan))
const hands = computed(() => handsLane(props.plan))
const hobY = (i: number) => TOP + HANDS + 22 + i * LANE
const rows = computed(() => coldRows(bars.value))
const count = computed(() => Math.max(0, ...rows.value.map((r) => r.row + 1)))
const coldY = computed(() => hobY(props.plan.hobs.length) + 6)
const height = computed(() => coldY.value + count.value * ROW + 18)
const LANES = ['fridge', 'freezer'] as const
const lanes = computed(() =>
  LANES.flatMap((at) => {
    const mine = rows.value.filter((r) => r.bar.at === at).map((r) => r.row)
    return mine.length ? [{ at, y: coldY.value + Math.min(...mine) * ROW }] : []
  }),
)

const HIGH = 42
/** A stay as steps of its flame. */
const outline = (s: Stay, floor: number) =>
  `M${stepsOf(s)
    .map((c) => `${x(c.s)} ${floor - HIGH * c.share}`)
    .join('L')}Z`
const name = (sweet: number) => props.plan.sweets[sweet]?.name ?? ''
const room = (a: number, b: number) => x(b) - x(a)
const fits = (text: string, px: number) => text.length * 6.6 < px - 8
/** A name that finds no room in its bar stands over it, unless another one stands there. */
const over = computed(() => {
  const shown = new Set<Stay>()
  props.plan.hobs.forEach((_, hob) => {
    let until = 0
    const mine = stays.value.filter((s) => s.hob === hob).sort((a, b) => a.start_s - b.start_s)
    for (const s of mine) {
      if (fits(name(s.sweet), room(s.start_s, s.end_s))) continue
      if (x(s.start_s) < until) continue
      shown.add(s)
      until = x(s.start_s) + name(s.sweet).length * 7 + 4
    }
  })
  return shown
})
/** All hands that are ever there fill the lane, and what is wanted beyond them stands out of it. */
const most = computed(() => (props.plan.helped?.length ? 200 : 100))
const scaleY = (load: number) => (Math.min(load, most.value * 1.3) / most.value) * (HANDS - 22)

const drag = useDrag({
  plan: () => props.plan,
  at: (s) => scale.value(s),
  hobAt: (dy, from) =>
    Math.min(props.plan.hobs.length - 1, Math.max(0, from + Math.round(dy / LANE))),
  moved: (to) => emit('move', to),
  touched: (stay) => emit('choose', stay.sweet),
})
const { ghost } = drag
const on = (s: Stay) =>
  props.movable
    ? {
        pointerdown: (e: PointerEvent) => drag.down(s, e),
        pointermove: drag.drag,
        pointerup: () => drag.up(s),
        pointercancel: drag.leave,
        blur: drag.leave,
        keydown: (e: KeyboardEvent) => drag.key(s, e),
      }
    : { click: () => emit('choose', s.sweet) }
const held = (s: Stay) => s.parts.some((t) => props.pins?.includes(t.key))
const moved = (s: Stay) => s.parts.some((t) => props.was?.has(t.key))
const said = (s: Stay) =>
  `${name(s.sweet)}, ${props.plan.pots[s.pot]}, ${props.plan.hobs[s.hob]}: ${clock(s.start_s)} to ${clock(s.end_s)}`

const ticks = computed(() => hoursOf(props.plan, x, 46))
const nights = computed(() => nightsOf(props.plan))
</script>

<template>
  <div
    ref="box"
    class="box"
    :role="wide > width + 1 ? 'group' : undefined"
    :tabindex="wide > width + 1 ? 0 : undefined"
    :aria-label="wide > width + 1 ? 'The picture of the day' : undefined"
  >
    <svg
      :width="wide"
      :height="height"
      :viewBox="`0 0 ${wide} ${height}`"
      :role="movable ? 'group' : 'img'"
      aria-label="The day: hands, burners, fridge and freezer. Every act stands in the list below."
    >
      <defs>
        <linearGradient id="day-milk" x1="0" x2="1">
          <stop offset="0" stop-color="#fffef8" />
          <stop offset="1" stop-color="#ecd7a6" />
        </linearGradient>
        <pattern id="day-over" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 6L6 0" stroke="var(--madder)" stroke-width="1.4" />
        </pattern>
      </defs>
      <rect
        v-for="[a, b] in near"
        :key="`near-${a}`"
        :x="x(a)"
        :y="TOP"
        :width="room(a, b)"
        :height="height - TOP - 12"
        class="near"
      />
      <g v-for="n in nights" :key="n.s">
        <path :d="`M${x(n.s)} ${TOP}V${height - 12}`" class="midnight" />
        <text :x="x(n.s) + 5" :y="height - 1" class="soft">{{ n.text }}</text>
      </g>
      <path :d="`M${LEFT} ${TOP}H${wide}`" class="line" />
      <g v-for="t in ticks" :key="t.s">
        <path :d="`M${x(t.s)} ${TOP}v-7`" class="line" />
        <text :x="x(t.s)" :y="20" text-anchor="middle" :class="t.due ? 'due' : 'tick'">
          {{ t.text }}
        </text>
      </g>

      <text x="0" :y="TOP + HANDS - 30" class="lane">Hands</text>
      <text x="0" :y="TOP + HANDS - 14" class="soft">
        {{ plan.helped?.length ? 'one pair, a helper' : 'one pair' }}
      </text>
      <path :d="`M${LEFT} ${TOP + HANDS - scaleY(100)}H${wide}`" class="pair" />
      <g v-for="h in hands" :key="`h-${h.start_s}`">
        <rect
          :x="x(h.start_s)"
          :y="TOP + HANDS - scaleY(h.load)"
          :width="Math.max(1, room(h.start_s, h.end_s))"
          :height="scaleY(h.load)"
          class="looks"
        />
        <rect
          :x="x(h.start_s)"
          :y="TOP + HANDS - scaleY(h.busy)"
          :width="Math.max(1, room(h.start_s, h.end_s))"
          :height="scaleY(h.busy)"
          class="busy"
        />
        <rect
          v-if="h.load > h.there"
          :x="x(h.start_s)"
          :y="TOP + HANDS - scaleY(h.load)"
          :width="Math.max(2, room(h.start_s, h.end_s))"
          :height="scaleY(h.load) - scaleY(h.there)"
          class="over"
        />
      </g>
      <path :d="`M${LEFT} ${TOP + HANDS}H${wide}`" class="line" />

      <g v-for="(hob, i) in plan.hobs" :key="`hob-${i}`">
        <text x="0" :y="hobY(i) + 26" class="lane">{{ hob }}</text>
        <path :d="`M${LEFT} ${hobY(i) + 44}H${wide}`" class="line" />
        <g
          v-for="s in stays.filter((s) => s.hob === i)"
          :key="`stay-${s.start_s}-${s.sweet}`"
          class="stay"
          :class="{
            chosen: chosen === s.sweet,
            other: chosen !== undefined && chosen !== s.sweet,
            movable,
            moved: moved(s),
          }"
          :tabindex="movable ? 0 : undefined"
          :role="movable ? 'button' : undefined"
          :aria-label="movable ? `${said(s)}. Arrows move it.` : undefined"
          v-on="on(s)"
        >
          <path :d="outline(s, hobY(i) + 44)" />
          <circle v-if="held(s)" :cx="x(s.start_s)" :cy="hobY(i) + 44" r="5" class="pin" />
          <text
            v-if="fits(name(s.sweet), room(s.start_s, s.end_s))"
            :x="x(s.start_s) + 6"
            :y="hobY(i) + 39"
          >
            {{ name(s.sweet) }}
          </text>
          <text v-else-if="over.has(s)" :x="x(s.start_s)" :y="hobY(i) - 1" class="above">
            {{ name(s.sweet) }}
          </text>
          <title>{{ said(s) }}</title>
        </g>
      </g>
      <g v-if="ghost" class="ghost">
        <path :d="outline(ghost, hobY(ghost.hob) + 44)" />
        <text :x="x(ghost.start_s)" :y="hobY(ghost.hob) - 2">{{ clock(ghost.start_s) }}</text>
      </g>

      <g v-for="l in lanes" :key="l.at">
        <text x="0" :y="l.y + 17" class="lane">{{ l.at === 'fridge' ? 'Fridge' : 'Freezer' }}</text>
      </g>
      <g
        v-for="r in rows"
        :key="`cold-${r.row}-${r.bar.start_s}`"
        class="cold"
        :class="{
          chosen: chosen === r.bar.sweet,
          other: chosen !== undefined && chosen !== r.bar.sweet,
        }"
        @click="emit('choose', r.bar.sweet)"
      >
        <path
          :d="`M${x(r.bar.start_s)} ${coldY + r.row * ROW + 21}L${Math.min(x(r.bar.ready_s), x(r.bar.end_s))} ${coldY + r.row * ROW + 2}H${x(r.bar.end_s)}V${coldY + r.row * ROW + 21}Z`"
        />
        <text
          v-if="fits(name(r.bar.sweet), room(r.bar.start_s, r.bar.end_s))"
          :x="x(r.bar.end_s) - 7"
          :y="coldY + r.row * ROW + 16"
          text-anchor="end"
        >
          {{ name(r.bar.sweet) }}
        </text>
        <text v-else :x="x(r.bar.start_s) - 6" :y="coldY + r.row * ROW + 16" text-anchor="end">
          {{ name(r.bar.sweet) }}
        </text>
        <title>
          {{ name(r.bar.sweet) }}: {{ clock(r.bar.start_s) }} to {{ clock(r.bar.end_s) }}
        </title>
      </g>
      <path
        v-for="s in plan.sweets"
        :key="`due-${s.key}`"
        :d="`M${x(s.due_s)} ${TOP - 8}V${height - 12}`"
        class="serve"
      />
      <g v-if="now !== undefined && now >= plan.start_s && now <= plan.end_s">
        <path :d="`M${x(now)} ${TOP - 8}V${height - 12}`" class="now" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.box {
  overflow-x: auto;
}
text {
  font-size: 13px;
}
.lane {
  font-size: 14.5px;
  font-weight: 650;
}
.tick {
  fill: var(--ink-soft);
}
.due {
  font-size: 16px;
}
.stay,
.cold {
  cursor: pointer;
}
.movable {
  cursor: grab;
  touch-action: none;
}
.movable:focus-visible {
  outline: 3px solid var(--cobalt);
  outline-offset: 3px;
}
.pin {
  fill: var(--leaf);
  stroke: var(--enamel);
  stroke-width: 2;
}
.ghost path {
  fill: color-mix(in srgb, var(--saffron-fill) 55%, transparent);
  stroke: var(--cobalt);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
.ghost text {
  font-size: 20px;
  font-weight: 750;
}
.ghost {
  pointer-events: none;
}
.stay path {
  fill: url(#day-milk);
  stroke: var(--cobalt);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.stay.moved path {
  stroke-dasharray: 7 3;
}
.stay text:not(.above) {
  fill: #1b2444;
  font-weight: 600;
}
.cold path {
  fill: var(--enamel);
  stroke: var(--cobalt);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.cold text {
  font-weight: 600;
}
</style>
<!-- after the bars: the one that is chosen has the wider line -->
<style scoped src="./picture.css"></style>
