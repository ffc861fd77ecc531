<script setup lang="ts">
import { computed } from 'vue'

/** Soft and moist to firm and dry, drawn as grains, with what this curd is and what it suits. */
const props = defineProps<{
  texture: { low: number; likely: number; high: number }
  uses: { key: string; name: string; texture: number[]; fault: string }[]
  wanted: string
}>()
const STEPS = [
  { from: 70, name: 'firm, dry', grain: 4.5 },
  { from: 52, name: 'springy', grain: 7 },
  { from: 36, name: 'soft, moist', grain: 9 },
  { from: 0, name: 'weak', grain: 3.2 },
]
const steps = computed(() =>
  STEPS.map((s, i) => {
    const upper = i === 0 ? 101 : STEPS[i - 1]!.from
    const middle = (s.from + upper) / 2
    const at = (u: { texture: number[] }, index: number) =>
      u.texture[0]! <= index && index <= u.texture[1]!
    const here = props.texture.likely >= s.from && props.texture.likely < upper
    // where this curd stands it is the curd itself that decides, elsewhere the middle of the step
    const suited = here
      ? props.uses.filter((u) => at(u, props.texture.likely) && !['wet', 'dry'].includes(u.fault))
      : props.uses.filter((u) => at(u, middle))
    return { ...s, here, uses: suited }
  }),
)
const grains = (size: number, seed: number) => {
  const list = []
  for (let row = 0; row * size * 1.7 < 44; row++)
    for (let col = 0; col * size * 2.1 < 84; col++) {
      const n = (row * 31 + col * 17 + seed * 7) % 11
      list.push({
        cx: 4 + col * size * 2.1 + (row % 2) * size + n * 0.12,
        cy: 4 + row * size * 1.7 + n * 0.15,
        rx: size * (0.8 + n * 0.025),
        ry: size * (0.62 + n * 0.025),
      })
    }
  return list
}
</script>

<template>
  <ul class="scale" aria-label="Texture of the curd">
    <li v-for="(s, i) in steps" :key="s.name" :class="{ here: s.here }">
      <svg width="84" height="44" viewBox="0 0 84 44" aria-hidden="true">
        <ellipse v-for="(g, n) in grains(s.grain, i)" :key="n" v-bind="g" />
      </svg>
      <p>
        <b>{{ s.name }}</b>
        <span>{{
          s.uses.length
            ? 'for ' + s.uses.map((u) => u.name).join(', ')
            : s.from
              ? 'for none of these so moist or dry'
              : 'the whey stays milky'
        }}</span>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.scale {
  display: grid;
  gap: 6px;
  align-content: center;
}
li {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 10px;
  align-items: center;
}
svg {
  overflow: hidden;
  border: 1.4px solid var(--ink-soft);
  border-radius: 7px;
  background: var(--enamel);
}
ellipse {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.here svg {
  border: 2.6px solid var(--ink);
  background: color-mix(in srgb, var(--leaf) 16%, var(--enamel));
}
p {
  font-size: 13.5px;
  line-height: 17px;
}
b {
  display: block;
  font-weight: 450;
  font-size: 15px;
}
.here b {
  font-weight: 700;
}
span {
  color: var(--ink-soft);
}
</style>
