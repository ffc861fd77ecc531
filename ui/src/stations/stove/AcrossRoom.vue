<script setup lang="ts">
import { computed } from 'vue'
import { clock, countdown } from '@/say'
import { serverNow } from '@/api/outbox'
import { asked, inTime, useLives } from '@/shell/live'
import { steadyNow } from '@/shell/now'

/** A second screen across the room: what is due first, over everything that runs, and one figure. */
const lives = useLives()
const all = computed(() => (steadyNow.value, asked(lives.value)))
const first = computed(() => all.value[0])
const due = computed(() => first.value !== undefined && first.value.left <= 0)
const figure = computed<[string, string]>(() => {
  const left = first.value?.left
  if (left === undefined) return [clock((steadyNow.value, serverNow())), '']
  const told = countdown(left)
  return [told.figure, left < 0 ? `${told.unit} over` : told.unit]
})
const next = computed(() => all.value.slice(1, 3))
</script>

<template>
  <div class="page" :class="{ due, hazard: due && first?.nudge.kind === 'hazard' }">
    <h1 class="visually-hidden">Stove: across the room</h1>
    <template v-if="first">
      <p class="who">{{ first.live.name }}</p>
      <p class="act" aria-live="polite">{{ first.nudge.act }}</p>
      <p class="figure">
        {{ figure[0] }} <small>{{ figure[1] }}</small>
      </p>
      <ul>
        <li v-for="a in next" :key="`${a.live.path}${a.nudge.key}`">
          {{ a.live.name }}: {{ a.nudge.strip }} {{ inTime(a.left) }}
        </li>
      </ul>
    </template>
    <template v-else>
      <p class="act">Nothing asks for hands.</p>
      <p class="figure">{{ figure[0] }}</p>
    </template>
    <p class="back"><RouterLink to="/stove">back to the Stove</RouterLink></p>
  </div>
</template>

<style scoped>
.page {
  min-height: calc(100vh - 90px);
  display: flex;
  flex-direction: column;
  justify-content: center;
  border-radius: 18px;
}
.due {
  background: color-mix(in srgb, var(--saffron-fill) 40%, var(--counter));
}
.hazard {
  background: var(--madder-wash);
}
.who {
  font-size: clamp(24px, 3vw, 40px);
}
.act {
  font: 650 clamp(38px, 6vw, 84px) / 1.16 var(--words);
}
.figure {
  font-size: clamp(120px, 23vw, 330px);
  line-height: 1;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -0.03em;
}
.figure small {
  font-size: 0.2em;
  font-weight: 550;
  letter-spacing: 0;
}
li {
  font-size: clamp(20px, 2.4vw, 32px);
}
.back {
  margin-top: 18px;
  font-size: 17px;
}
</style>
