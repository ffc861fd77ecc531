<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { DayOut } from '@/api/client'
import { clock } from '@/say'
import { coldBars, dayScale, handsLane, nearHours, staysOf, type Stay } from './day'
import { coldRows, hoursOf, nightsOf, stepsOf } from './picture'

/**
 * The day upright, as on a phone: time runs down, hands at the left bank, then each burner, then the cold; a stream is as
 * wide as its flame. Names run along their streams.
 */
const props = defineProps<{
  plan: DayOut
  now?: number
  chosen?: number
  was?: Map<string, number>
  pins?: string[]
  /** A phone scrolls where a mouse drags: here steps are moved from the list. */
  movable?: boolean
}>()
const emit = defineEmits<{ choose: [sweet: number] }>()
const box = ref<HTMLElement>()
const { width } = useElementSize(box, { width: 350, height: 0 })
const TOP = 40
const LEFT = 50
const HANDS = 46
/** A near hour is so tall. */
const HOUR = 118
const LEAST = 420

const near = computed(() => nearHours(props.plan))
const tall = computed(() =>
  Math.max(LEAST, (near.value.reduce((sum, [a, b]) => sum + b - a, 0) / 3600) * HOUR),
)
const scale = computed(() => dayScale(props.plan, tall.value))
const y = (s: number) => TOP + scale.value(s)
const room = (a: number, b: number) => Math.max(1, y(b) - y(a))
const stays = computed(() => staysOf(props.plan))
const hands = computed(() => handsLane(props.plan))
const cold = computed(() => coldRows(coldBars(props.plan)))
const columns = computed(() => Math.max(0, ...cold.value.map((r) => r.row + 1)))
/** What is left beside hours and hands is shared: a burner is worth two bowls of the fridge. */
const unit = computed(
  () =>
    (width.value - LEFT - HANDS - 18) / (2 * props.plan.hobs.length + Math.max(1, columns.value)),
)
const hobX = (i: number) => LEFT + HANDS + 10 + i * unit.value * 2
const coldX = computed(() => hobX(props.plan.hobs.length) + 8)
const lane = computed(() => Math.min(42, unit.value * 2 - 8))
const heads = computed(() => {
  const first = (at: string) => cold.value.find((r) => r.bar.at === at)?.row
  return (['fridge', 'freezer'] as const).flatMap((at) => {
    const row = first(at)
    return row === undefined ? [] : [{ at, x: coldX.value + row * unit.value }]
  })
})
const outline = (s: Stay) =>
  `M${stepsOf(s)
    .map((c) => `${hobX(s.hob) + lane.value * c.share} ${y(c.s)}`)
    .join('L')}Z`
const name = (sweet: number) => props.plan.sweets[sweet]?.name ?? ''
const fits = (text: string, px: number) => text.length * 6.7 < px - 10
/** A name that finds no room in its stream stands below it, while nothing else comes on that burner there. */
function below(s: Stay): boolean {
  const next = stays.value.find((o) => o.hob === s.hob && o.start_s >= s.end_s)
  return fits(name(s.sweet), (next ? y(next.start_s) : end.value) - y(s.end_s))
}
const most = computed(() => (props.plan.helped?.length ? 200 : 100))
const reach = (load: number) => (Math.min(load, most.value * 1.3) / most.value) * (HANDS - 12)
const ticks = computed(() => hoursOf(props.plan, y, 22))
const nights = computed(() => nightsOf(props.plan))
const end = computed(() => TOP + tall.value)
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
const hob = (called: string) => capital(called.replace(/ burner$/, ''))
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="end + 22"
      :viewBox="`0 0 ${width} ${end + 22}`"
      role="img"
      aria-label="The day, time running down: hands, burners, fridge and freezer. Every act stands in the list below."
    >
      <defs>
        <linearGradient id="day-milk" x1="0" x2="0" y1="0" y2="1">
          <stop offset="0" stop-color="#fffef8" />
          <stop offset="1" stop-color="#ecd7a6" />
        </linearGradient>
        <pattern id="day-over" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 6L6 0" stroke="var(--madder)" stroke-width="1.4" />
        </pattern>
      </defs>
      <rect
        v-for="[a, b] in near"
        :key="a"
        :x="LEFT"
        :y="y(a)"
        :width="Math.max(0, width - LEFT)"
        :height="room(a, b)"
        class="near"
      />
      <g v-for="n in nights" :key="n.s">
        <path :d="`M${LEFT} ${y(n.s)}H${width}`" class="midnight" />
        <text :x="width - 2" :y="y(n.s) - 4" text-anchor="end" class="soft">{{ n.text }}</text>
      </g>
      <text :x="LEFT + 2" y="16" class="head">Hands</text>
      <text v-for="(h, i) in plan.hobs" :key="h" :x="hobX(i)" y="16" class="head">
        {{ hob(h) }}
      </text>
      <text
        v-for="h in heads"
        :key="h.at"
        :x="h.x > width - 60 ? width - 2 : h.x"
        :y="h.at === 'fridge' ? 16 : 33"
        :text-anchor="h.x > width - 60 ? 'end' : 'start'"
        class="head"
      >
        {{ capital(h.at) }}
      </text>
      <path :d="`M${LEFT} ${TOP}V${end}`" class="line" />
      <g v-for="t in ticks" :key="t.s">
        <path :d="`M${LEFT} ${y(t.s)}h-7`" class="line" />
        <text :x="LEFT - 10" :y="y(t.s) + 5" text-anchor="end" :class="t.due ? 'due' : 'soft'">
          {{ t.text }}
        </text>
      </g>
      <path :d="`M${LEFT + reach(100)} ${TOP}V${end}`" class="pair" />
      <g v-for="h in hands" :key="h.start_s">
        <rect
          :x="LEFT"
          :y="y(h.start_s)"
          :width="reach(h.load)"
          :height="room(h.start_s, h.end_s)"
          class="looks"
        />
        <rect
          :x="LEFT"
          :y="y(h.start_s)"
          :width="reach(h.busy)"
          :height="room(h.start_s, h.end_s)"
          class="busy"
        />
        <rect
          v-if="h.load > h.there"
          :x="LEFT + reach(h.there)"
          :y="y(h.start_s)"
          :width="reach(h.load) - reach(h.there)"
          :height="room(h.start_s, h.end_s)"
          class="over"
        />
      </g>
      <path
        v-for="(h, i) in plan.hobs"
        :key="`bank-${h}`"
        :d="`M${hobX(i)} ${TOP}V${end}`"
        class="bank"
      />
      <g
        v-for="s in stays"
        :key="`${s.hob}-${s.start_s}-${s.sweet}`"
        class="stream"
        :class="{
          chosen: chosen === s.sweet,
          other: chosen !== undefined && chosen !== s.sweet,
          moved: s.parts.some((t) => was?.has(t.key)),
        }"
        @click="emit('choose', s.sweet)"
      >
        <path :d="outline(s)" class="milk" />
        <circle
          v-if="s.parts.some((t) => pins?.includes(t.key))"
          :cx="hobX(s.hob)"
          :cy="y(s.start_s)"
          r="5"
          class="pin"
        />
        <text
          v-if="fits(name(s.sweet), room(s.start_s, s.end_s))"
          :transform="`translate(${hobX(s.hob) + 5} ${y(s.start_s) + 6}) rotate(90)`"
          class="on-milk"
        >
          {{ name(s.sweet) }}
        </text>
        <text
          v-else-if="below(s)"
          :transform="`translate(${hobX(s.hob) + 5} ${y(s.end_s) + 6}) rotate(90)`"
        >
          {{ name(s.sweet) }}
        </text>
        <title>
          {{ name(s.sweet) }}, {{ plan.pots[s.pot] }}: {{ clock(s.start_s) }} to
          {{ clock(s.end_s) }}
        </title>
      </g>
      <g
        v-for="r in cold"
        :key="`${r.row}-${r.bar.start_s}`"
        class="stream"
        :class="{
          chosen: chosen === r.bar.sweet,
          other: chosen !== undefined && chosen !== r.bar.sweet,
        }"
        @click="emit('choose', r.bar.sweet)"
      >
        <path
          :d="`M${coldX + r.row * unit} ${y(r.bar.start_s)}L${coldX + (r.row + 1) * unit - 4} ${y(Math.min(r.bar.ready_s, r.bar.end_s))}V${y(r.bar.end_s)}H${coldX + r.row * unit}Z`"
          class="bowl"
        />
        <text
          v-if="fits(name(r.bar.sweet), room(r.bar.start_s, r.bar.end_s))"
          :transform="`translate(${coldX + r.row * unit + Math.min(9, unit / 2 - 5)} ${y(r.bar.end_s) - 6}) rotate(90)`"
          text-anchor="end"
        >
          {{ name(r.bar.sweet) }}
        </text>
        <title>
          {{ name(r.bar.sweet) }}: {{ clock(r.bar.start_s) }} to {{ clock(r.bar.end_s) }}
        </title>
      </g>
      <path
        v-for="s in plan.sweets"
        :key="s.key"
        :d="`M${LEFT - 8} ${y(s.due_s)}H${width}`"
        class="serve"
      />
      <path
        v-if="now !== undefined && now >= plan.start_s && now <= plan.end_s"
        :d="`M${LEFT - 8} ${y(now)}H${width}`"
        class="now"
      />
    </svg>
  </div>
</template>

<style scoped>
text {
  font-size: 13.5px;
}
.head {
  font-weight: 650;
}
.due {
  font-size: 15px;
}
.bank {
  stroke: var(--ridge);
  stroke-width: 1.5;
}
.stream {
  cursor: pointer;
}
.stream path {
  stroke: var(--cobalt);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.stream.moved path {
  stroke-dasharray: 7 3;
}
.pin {
  fill: var(--leaf);
}
.milk {
  fill: url(#day-milk);
}
.bowl {
  fill: var(--enamel);
}
.stream text {
  font-weight: 600;
}
.stream .on-milk {
  fill: #1b2444;
}
</style>
<!-- after the streams: the one that is chosen has the wider line -->
<style scoped src="./picture.css"></style>
