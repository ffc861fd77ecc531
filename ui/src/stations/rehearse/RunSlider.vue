<script setup lang="ts">
import { computed } from 'vue'
import { markAt, minute } from './account'
import type { Trace } from './rehearsal'
import VesselDrawing from './VesselDrawing.vue'

/** The same milk in two pairs of hands, side by side at one moment. */
const props = defineProps<{ yours: Trace; expert: Trace }>()
const at = defineModel<number>({ required: true })
const end = computed(() => Math.max(props.yours.at_s.at(-1) ?? 0, props.expert.at_s.at(-1) ?? 0))
const pair = computed(() =>
  [props.yours, props.expert].map((run, i) => {
    const mark = markAt(run, at.value)
    return {
      who: i ? 'practised hands' : 'you',
      kind: run.kind,
      view: run.view[mark] ?? {},
      sees: run.sees[mark] ?? [],
      over: (run.at_s.at(-1) ?? 0) <= at.value,
    }
  }),
)
</script>

<template>
  <div class="sides">
    <label class="slider">
      <span class="visually-hidden">minute</span>
      <input
        v-model.number="at"
        type="range"
        min="0"
        :max="end"
        :step="Math.max(1, Math.round(end / 200))"
      />
      <b>{{ minute(at) }}</b>
    </label>
    <figure v-for="p in pair" :key="p.who">
      <figcaption>
        <b>{{ p.who }}</b> <span v-if="p.over" class="soft">done by then</span>
      </figcaption>
      <VesselDrawing :kind="p.kind" :view="p.view" :label="`${p.who}: ${p.sees.join(' ')}`" />
      <p class="words">{{ p.sees.slice(0, 2).join(' ') }}</p>
    </figure>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 60px;
  max-width: 620px;
  margin: 0 auto 16px;
}
.slider {
  grid-column: 1 / -1;
  display: flex;
  gap: 14px;
  align-items: center;
}
.slider input {
  flex: 1;
  min-height: 40px;
  accent-color: var(--cobalt);
}
.slider b {
  min-width: 3.6em;
  font-size: 22px;
}
.words {
  min-height: 46px;
  font-size: 16px;
}
figure {
  min-width: 0;
}
</style>
