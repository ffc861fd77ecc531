<script setup lang="ts">
import type { Season } from '@/api/client'
import { day, percent } from '@/say'
import { height, titleOf, verdictOf } from './season'

/** A figure over a year, batch by batch: each against its own told range; within it leaf, beyond it saffron. */
const props = defineProps<{ strip: Season['strips'][number] }>()
const MARKS = ['+40 %', 'told', '−40 %']
const left = (i: number) => `${((i + 0.5) / props.strip.points.length) * 100}%`
</script>

<template>
  <section class="strip" :aria-label="titleOf(strip)">
    <h2>
      {{ titleOf(strip) }} <small>{{ verdictOf(strip) }}</small>
    </h2>
    <div class="frame">
      <span v-for="(label, i) in MARKS" :key="label" class="mark" :style="{ top: `${i * 50}%` }">{{
        label
      }}</span>
      <ol>
        <li
          v-for="(p, i) in strip.points"
          :key="p.batch"
          :class="{ within: p.within }"
          :style="{ left: left(i) }"
        >
          <i
            class="told"
            :style="{
              top: `${height(p.high) * 100}%`,
              height: `${(height(p.low) - height(p.high)) * 100}%`,
            }"
          />
          <RouterLink
            :to="`/book/${p.batch}`"
            :style="{ top: `${height(p.times) * 100}%` }"
            :title="`${p.name}, ${day(p.at_s)}`"
            ><span class="visually-hidden"
              >{{ p.name }}, {{ day(p.at_s) }}: {{ percent(p.times) }} of what was told</span
            ></RouterLink
          >
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
h2 {
  font: 600 17px/24px var(--words);
}
h2 small {
  font: 450 14.5px var(--figures);
  color: var(--ink-soft);
}
.frame {
  margin-top: 9px;
  position: relative;
  padding-left: 52px;
}
.mark {
  position: absolute;
  left: 0;
  width: 44px;
  text-align: right;
  transform: translateY(-50%);
  font: 450 12.5px/14px var(--figures);
  color: var(--ink-soft);
}
ol {
  position: relative;
  height: 92px;
  border-left: 2px solid var(--iron);
  background: linear-gradient(var(--ridge), var(--ridge)) 0 50% / 100% 1.5px no-repeat;
}
li {
  position: absolute;
  inset-block: 0;
  width: 0;
}
.told {
  position: absolute;
  left: -6px;
  width: 12px;
  border-radius: 6px;
  background: color-mix(in srgb, var(--water-line) 30%, var(--counter));
}
a {
  position: absolute;
  width: 40px;
  height: 40px;
  margin: -20px 0 0 -20px;
}
a::after {
  content: '';
  position: absolute;
  inset: 12.5px;
  border-radius: 50%;
  border: 2px solid var(--iron);
  background: var(--saffron-fill);
}
.within a::after {
  background: var(--leaf);
}
</style>
