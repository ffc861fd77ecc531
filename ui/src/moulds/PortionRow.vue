<script setup lang="ts">
import { computed } from 'vue'

/** Portions of one size, as many as there are: bowls filled with it, or pieces in a row. */
const props = defineProps<{
  count: number
  low: number
  high: number
  grams: number
  one: string
  many: string
  way: string
  colour: string
}>()
const shown = computed(() => Math.min(24, Math.max(1, props.high)))
const per = 8
const state = (i: number) => (i <= props.low ? 'sure' : i <= props.count ? 'likely' : 'maybe')
</script>

<template>
  <figure aria-label="The portions">
    <p class="figure">
      <b>{{ count }}</b> {{ count === 1 ? one : many }} <span class="soft">of {{ grams }} g</span>
    </p>
    <svg
      :viewBox="`0 0 422 ${Math.ceil(shown / per) * 56 + 4}`"
      role="img"
      :aria-label="`${count} ${many}, ${low} to ${high}`"
    >
      <g
        v-for="i in shown"
        :key="i"
        :transform="`translate(${((i - 1) % per) * 52 + 4} ${Math.floor((i - 1) / per) * 56 + 6})`"
        :class="state(i)"
      >
        <template v-if="way === 'serve'">
          <path d="M4 12h38c-1 18-8 28-19 28S5 30 4 12z" :fill="colour" class="shape" />
          <path d="M1 11h44" class="rim" />
        </template>
        <circle v-else cx="23" cy="24" r="17" :fill="colour" class="shape" />
      </g>
    </svg>
    <p class="soft">
      {{ low === high ? 'Sure, if it is weighed out' : `${low} to ${high}: full lines are sure` }}
    </p>
  </figure>
</template>

<style scoped>
.figure {
  font-size: 21px;
}
.figure b {
  font-size: 46px;
  line-height: 54px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -1px;
}
svg {
  width: 100%;
}
.shape {
  stroke: var(--on-milk);
  stroke-width: 2;
}
.rim {
  stroke: var(--iron);
  stroke-width: 3;
  stroke-linecap: round;
}
.likely .shape {
  stroke-dasharray: 4 3;
}
.maybe .shape {
  stroke-dasharray: 1.5 4;
  fill-opacity: 0.35;
}
.maybe .rim {
  opacity: 0.4;
}
</style>
