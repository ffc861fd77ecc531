<script setup lang="ts">
import { computed, ref } from 'vue'
import type { EventIn, Flame } from '@/api/client'
import type { LiveBatch } from '@/api/kitchen'
import SpoonDrawing from '@/pan/SpoonDrawing.vue'
import { cm, stageName, weight } from '@/say'
import { milkColour } from '@/theme/milk'

/** How deep, or how thick is it? Likely answers as keys, and the flame; what is said back stands in the slot. */
const props = defineProps<{ batch: LiveBatch; busy: boolean; several: boolean; plain?: boolean }>()
const by = ref<'depth' | 'spoon'>('depth')
/** The spoon stages around the one expected. */
const spoons = computed(() => {
  const first = Math.min(4, Math.max(0, props.batch.spoon_stage - 1))
  return [first, first + 1, first + 2, first + 3]
})
const emit = defineEmits<{ tell: [event: EventIn]; type: [] }>()
</script>

<template>
  <div class="read">
    <template v-if="batch.phase === 'boiling'">
      <p class="heading">
        <template v-if="by === 'depth'"
          >How deep is {{ several ? batch.pan.name : 'it' }}?
          <span v-if="!plain">Off the boil, stand the stick at the deepest point.</span></template
        >
        <template v-else>How does it leave the spoon? <span>Hot, lifted once.</span></template>
      </p>
      <div v-if="by === 'spoon'" class="spoons">
        <button
          v-for="s in spoons"
          :key="s"
          type="button"
          class="spoon"
          :class="{ expected: s === batch.spoon_stage }"
          :disabled="busy"
          @click="emit('tell', { kind: 'reading', how: 'spoon', value: s, sure: false })"
        >
          <SpoonDrawing :stage="s" :colour="milkColour(batch.concentration)" />{{ stageName(s) }}
        </button>
      </div>
      <div v-else class="depths">
        <button
          v-for="d in batch.depth_keys_m"
          :key="d"
          type="button"
          class="depth"
          :class="{ expected: cm(d) === cm(batch.depth_m.likely) }"
          :aria-label="`${cm(d)} cm`"
          :disabled="busy"
          @click="emit('tell', { kind: 'reading', how: 'depth', value: d, sure: false })"
        >
          {{ cm(d) }}
        </button>
      </div>
      <p class="under">
        <span v-if="by === 'depth'" class="soft">{{ cm(batch.depth_m.likely) }} is expected.</span>
        <button type="button" class="touch" @click="by = by === 'depth' ? 'spoon' : 'depth'">
          {{ by === 'depth' ? 'By the spoon' : 'By the stick' }}
        </button>
        <button v-if="!plain" type="button" class="touch" @click="emit('type')">
          Another reading <kbd>R</kbd>
        </button>
        <span class="soft">Flame:</span>
        <button
          v-for="f in ['gentle', 'medium', 'strong'] as Flame[]"
          :key="f"
          type="button"
          class="touch flame"
          :aria-pressed="batch.flame === f"
          @click="emit('tell', { kind: 'flame_changed', flame: f })"
        >
          {{ f }}
        </button>
      </p>
    </template>
    <template v-else-if="batch.phase === 'heating'">
      <p class="heading">Milk climbs fast at the first boil.</p>
      <p class="advice">
        Press <b>First boil</b> when it rolls and lifts: every time counts from there. Turn down to
        {{ batch.flame }} in the same moment.
      </p>
    </template>
    <template v-else>
      <p class="heading">
        {{
          batch.phase === 'off' ? 'What did it give?' : `It gave ${weight(batch.weighed_kg ?? 0)}.`
        }}
      </p>
      <p class="advice">It thickens as it cools. Cover it once it stops steaming.</p>
    </template>
    <slot />
  </div>
</template>

<style scoped>
.heading span {
  font-weight: 400;
  font-size: 18px;
}
.advice {
  margin-top: 6px;
  font-size: 17px;
}
.depths {
  display: flex;
  gap: 12px;
  margin: 10px 0 6px;
}
.depth {
  flex: 1;
  max-width: 78px;
  height: 68px;
  padding-top: 5px;
  border: 2px solid var(--cobalt);
  border-radius: 9px;
  color: var(--cobalt);
  font-size: 28px;
  font-weight: 650;
}
.depth.expected {
  background: var(--plate);
  border-color: var(--plate);
  color: var(--plate-ink);
  box-shadow:
    inset 0 0 0 1.5px var(--plate),
    inset 0 0 0 3px var(--plate-ink);
}
.spoons {
  display: flex;
  gap: 12px;
  margin: 8px 0 6px;
}
.spoon {
  flex: 1;
  max-width: 132px;
  padding: 6px 6px 4px;
  border: 2px solid var(--ridge);
  border-radius: 9px;
  color: var(--cobalt);
  font-weight: 600;
}
.spoon.expected {
  border-color: var(--cobalt);
}
.spoon :deep(svg) {
  height: 62px;
  margin: 0 auto;
}
.under {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
}
.flame[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
@media (max-width: 900px) {
  .depths {
    gap: 7px;
  }
  .depth {
    font-size: 21px;
    min-width: 0;
  }
  .depth:first-child,
  .depth:last-child {
    display: none;
  }
  .touch {
    padding: 10px 2px;
  }
}
</style>
