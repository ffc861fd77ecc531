<script setup lang="ts">
import { computed } from 'vue'
import type { SweetOut } from '@/api/client'

/** One mould in section, to scale, filled to its line with room to swell; below it all of them in their racks. */
const props = defineProps<{
  frozen: NonNullable<SweetOut['frozen']>
  count: number
  moulds: number
}>()
const PX = 17 // px a cm of the section
const form = computed(() => {
  const s = props.frozen.shape
  const cm = (name: string) => (s[name] ?? 0) * 100
  const [top, bottom] = {
    stick: [cm('width'), cm('bottom_width')],
    cone: [cm('top'), cm('bottom')],
    pot: [cm('diameter'), cm('diameter')],
    tray: [cm('length'), cm('length')],
  }[props.frozen.kind] ?? [5, 4]
  return { top: top!, bottom: bottom!, deep: props.frozen.depth_m * 100 }
})
const scale = computed(() => Math.min(PX, 130 / form.value.deep, 130 / form.value.top))
const fill = computed(() => props.frozen.answer.fill_m * 100)
function path(px: number, cx: number, foot: number, level?: number): string {
  const { top, bottom, deep } = form.value
  const up = (level ?? deep) * px
  const share = (level ?? deep) / deep
  const wide = (bottom + (top - bottom) * share) * px
  const base = bottom * px
  if (props.frozen.kind === 'pot') {
    const r = (bottom / 2) * px
    const half = (h: number) => Math.sqrt(Math.max(0, r * r - (r - h) * (r - h)))
    const w = half(up)
    return `M${cx - w} ${foot - up}A${r} ${r} 0 ${up > r ? 1 : 0} 0 ${cx + w} ${foot - up}`
  }
  const q = Math.min(8, base / 4)
  return (
    `M${cx - wide / 2} ${foot - up}L${cx - base / 2} ${foot - q}Q${cx - base / 2} ${foot} ` +
    `${cx - base / 2 + q} ${foot}H${cx + base / 2 - q}Q${cx + base / 2} ${foot} ` +
    `${cx + base / 2} ${foot - q}L${cx + wide / 2} ${foot - up}`
  )
}
const hours = computed(() => {
  const { low, high } = props.frozen.answer.freeze_s
  const [from, to] = [Math.round(low / 3600), Math.round(high / 3600)]
  return from === to ? `${to}` : `${from}–${to}`
})
/** In so warm a freezer it never gets hard. */
const soft = computed(() => ['slumps', 'spoon-soft'].includes(props.frozen.answer.hardness))
/** Whether the freezer itself is slower than a mould in it would be. */
const crowded = computed(
  () => props.frozen.answer.crowded_s >= props.frozen.answer.freeze_s.likely * 0.999,
)
const sticks = computed(() => ['stick', 'cone'].includes(props.frozen.kind))
const racks = computed(() => {
  const n = props.count
  const each = Math.min(12, Math.max(1, props.moulds))
  const rows: number[] = []
  for (let left = n; left > 0 && rows.length < 2; left -= each) rows.push(Math.min(each, left))
  return { rows, each, more: props.count - rows.reduce((a, b) => a + b, 0) }
})
const small = computed(() => Math.min(4.6, 36 / form.value.deep, 27 / form.value.top))
const cm1 = (x: number) => (Math.round(x * 10) / 10).toFixed(1)
const ml = computed(() => Math.round(props.frozen.volume_m3 * 1e6))
</script>

<template>
  <figure aria-label="The moulds">
    <svg
      viewBox="0 0 422 206"
      role="img"
      :aria-label="`${ml} ml each, filled ${cm1(fill)} cm deep`"
    >
      <rect v-if="sticks" x="78" y="6" width="15" height="104" rx="7" class="wood" />
      <path :d="path(scale, 86, 180, fill)" class="mix" />
      <rect v-if="sticks" x="78" y="60" width="15" height="52" rx="6.5" class="inside" />
      <path :d="path(scale, 86, 180)" class="wall" />
      <path
        :d="`M${86 - (form.top * scale) / 2 - 9} ${180 - form.deep * scale}h${form.top * scale + 18}`"
        class="rim"
      />
      <path
        :d="`M${86 - (form.top * scale) / 2 + 4} ${180 - fill * scale}h${(form.top * scale) / 2 + 78}`"
        class="level"
      />
      <g class="scale">
        <path :d="`M158 ${180 - form.deep * scale}V180`" />
        <template v-for="c in Math.floor(form.deep)" :key="c">
          <path :d="`M158 ${180 - c * scale}h${c % 2 ? 5 : 9}`" />
          <text v-if="c % 2 === 0" x="172" :y="185 - c * scale">{{ c }}</text>
        </template>
      </g>
      <text x="212" y="62" class="big">{{ ml }}</text>
      <text :x="214 + String(ml).length * 25" y="62" class="unit">ml each</text>
      <text x="212" y="88">
        {{ cm1(fill) }} cm deep, {{ Math.round((form.deep - fill) * 10) }} mm of room:
      </text>
      <text x="212" y="107">it swells as it freezes.</text>
      <text x="212" y="142" class="strong">
        {{ Math.ceil(count / moulds) }} {{ count > moulds ? 'goes' : 'go' }} of
        {{ Math.min(count, moulds) }} moulds
      </text>
      <text x="212" y="161">{{ Math.round(frozen.answer.grams_each) }} g of mix in each</text>
      <text x="212" y="180">
        {{ hours }} h{{ soft ? '; it never gets hard' : ' until the core is hard' }}
      </text>
      <text v-if="crowded" x="212" y="199">the freezer can go no faster</text>
    </svg>
    <svg
      v-for="(n, row) in racks.rows"
      :key="row"
      viewBox="0 0 422 66"
      aria-hidden="true"
      class="rack"
    >
      <g v-for="i in n" :key="i">
        <rect
          v-if="sticks"
          :x="i * 34 - 21 + 3"
          y="2"
          width="4.4"
          height="26"
          rx="2"
          class="wood thin"
        />
        <path :d="path(small, i * 34 - 16 + 3, 54, fill)" class="mix" />
        <path :d="path(small, i * 34 - 16 + 3, 54)" class="wall thin" />
      </g>
      <path
        :d="`M2 ${54 - form.deep * small}v${form.deep * small + 8}h418v-${form.deep * small + 8}`"
        class="shelf"
      />
      <path :d="`M2 ${54 - form.deep * small}h418`" class="shelf" />
    </svg>
    <p v-if="racks.more > 0" class="soft">and {{ racks.more }} more</p>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
}
.rack {
  margin-top: 8px;
}
.wood {
  fill: #ead9b5;
  stroke: var(--on-milk);
  stroke-width: 2.2;
}
.inside {
  fill: none;
  stroke: var(--on-milk);
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}
.mix {
  fill: #f8edcf;
}
.wall {
  fill: none;
  stroke: var(--iron);
  stroke-width: 3.4;
  stroke-linecap: round;
}
.rim {
  stroke: var(--iron);
  stroke-width: 4.4;
  stroke-linecap: round;
}
.thin {
  stroke-width: 1.7;
}
.level {
  stroke: var(--cobalt);
  stroke-width: 2.4;
}
.scale path,
.shelf {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linecap: round;
}
.shelf {
  stroke-width: 2.2;
}
text {
  font-size: 15px;
}
.scale text {
  font-size: 13.5px;
}
.big {
  font-size: 46px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -1px;
}
.unit {
  font-weight: 600;
}
.strong {
  font-weight: 650;
}
</style>
