<script setup lang="ts">
import { computed } from 'vue'
import type { EventIn } from '@/api/client'
import type { LiveBatch } from '@/api/kitchen'
import { serverNow } from '@/api/outbox'
import { clock } from '@/say'
import type { Asked, Live } from '@/shell/live'
import { ran, steadyNow } from '@/shell/now'
import { VERBS } from './answers'
import type { Need } from './need'

/** The most urgent act of all that goes on, seen from one pan or from none, in words to read from across the room, with the one button for it. */
const props = defineProps<{ lives: Live[]; now: Need; batch?: LiveBatch }>()
const emit = defineEmits<{
  answer: [due: Asked]
  later: [due: Asked]
  tell: [event: EventIn]
  weigh: []
}>()

const isChosen = (l: Live) => l.of === 'pan' && l.id === props.batch?.id
/** So many find room beside the other ways; the chosen one is among them, all stand on the page of everything. */
const MOST_NAMED = 4
const named = computed(() => {
  const first = props.lives.slice(0, MOST_NAMED)
  const chosen = props.lives.find(isChosen)
  return !chosen || first.includes(chosen) ? first : [...first.slice(0, -1), chosen]
})

/** What the button does when nothing is due. */
const usual = computed<{ text: string; key: string; run: () => void } | null>(() => {
  const b = props.batch
  if (!b) return null
  if (b.paused_at_s !== null)
    return { text: 'Back on the fire', key: 'P', run: () => emit('tell', { kind: 'resumed' }) }
  if (b.phase === 'heating')
    return { text: 'First boil', key: 'B', run: () => emit('tell', { kind: 'first_boil' }) }
  if (b.phase === 'boiling')
    return { text: 'Stirred', key: 'S', run: () => emit('tell', { kind: 'stirred' }) }
  if (b.phase === 'off') return { text: 'Weigh it', key: '', run: () => emit('weigh') }
  return null
})
const verb = computed(() => (props.now.due ? VERBS[props.now.due.nudge.answer] : undefined))
/** Single keys act on the chosen pan: beside a nudge of another they would mislead. */
const ofChosen = computed(
  () => props.now.due?.live.of === 'pan' && props.now.due.live.id === props.batch?.id,
)
const icon = computed(() => {
  const key = props.now.due?.nudge.key ?? ''
  if (['stop', 'off', 'chill', 'paused'].includes(key))
    return 'M8 30h28M12 30V14h20v16M22 12V2M17 7l5-5 5 5'
  if (['boilover', 'flame'].includes(key))
    return 'M22 4c8 8 12 14 12 20a12 12 0 0 1-24 0c0-5 3-8 6-12 1 4 3 6 5 6 2-4 2-9 1-14z'
  if (key === 'sugar') return 'M10 34h24l-4-20H14zM14 14l4-8h8l4 8M18 22h8'
  if (key === 'check') return 'M22 4v30M16 34h12M22 10h6M22 16h9M22 22h6M22 28h9'
  return 'M6 12c1 16 8 23 16 23s15-7 16-23M22 26 34 4'
})
</script>

<template>
  <section
    class="tray words-tray"
    :class="{ hands: now.now }"
    aria-label="What to do now"
    aria-live="polite"
  >
    <p class="legend">
      <slot name="legend">
        <RouterLink to="/stove" :class="{ here: !batch }">everything</RouterLink>
        <RouterLink
          v-for="l in named"
          :key="l.path"
          :to="l.path"
          class="name"
          :class="{ here: isChosen(l) }"
          >{{ l.name }}</RouterLink
        >
        <RouterLink v-if="named.length < lives.length" to="/stove" class="more"
          >{{ lives.length - named.length }} more</RouterLink
        >
        <RouterLink to="/stove/rehearse">rehearse</RouterLink>
        <RouterLink to="/stove/across">across the room</RouterLink>
      </slot>
    </p>
    <p class="legend right">
      <b>{{ clock(batch ? batch.now_s + ran(batch) : (steadyNow, serverNow())) }}</b>
    </p>
    <div v-if="now.now" class="now" :class="{ hazard: now.due?.nudge.kind === 'hazard' }">
      <svg width="44" height="40" viewBox="0 0 44 40" aria-hidden="true"><path :d="icon" /></svg>
      now
    </div>
    <p class="big-words">
      <b>{{ now.act }}</b> {{ now.then }}
    </p>
    <div class="verb">
      <template v-if="now.due && verb">
        <button type="button" class="plate" @click="emit('answer', now.due)">
          {{ verb.text }} <kbd v-if="verb.key && ofChosen">{{ verb.key }}</kbd>
        </button>
        <button type="button" class="touch" @click="emit('later', now.due)">
          {{ now.due.nudge.kind === 'hazard' ? 'I see it: 90 seconds' : 'In two minutes' }}
          <kbd>L</kbd>
        </button>
      </template>
      <button v-else-if="usual" type="button" class="plate" @click="usual.run()">
        {{ usual.text }} <kbd v-if="usual.key">{{ usual.key }}</kbd>
      </button>
      <RouterLink v-else-if="batch" class="plate" :to="`/book/${batch.id}`"
        >Open the Book</RouterLink
      >
      <slot />
    </div>
  </section>
</template>

<style scoped>
.words-tray {
  display: flex;
  align-items: center;
  gap: 26px;
  min-height: 108px;
}
.hands {
  padding-left: 6px;
}
.now {
  display: grid;
  place-items: center;
  align-self: stretch;
  flex: 0 0 118px;
  margin: -7px 0 -9px;
  border-radius: 14px;
  background: var(--saffron-fill);
  color: var(--on-saffron);
  font-size: 27px;
  font-weight: 750;
  line-height: 1;
  padding: 8px 0 4px;
}
.now.hazard {
  background: var(--madder);
  color: var(--enamel);
}
.now svg {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.big-words {
  flex: 1;
  font: 400 30px/39px var(--words);
}
.verb {
  display: grid;
  justify-items: center;
  gap: 2px;
}
.legend {
  max-width: calc(100% - 140px);
  overflow: hidden;
  white-space: nowrap;
}
.legend .name {
  display: inline-block;
  max-width: 21ch;
  overflow: hidden;
  text-overflow: ellipsis;
  vertical-align: top;
}
.legend a.here {
  color: var(--ink);
  font-weight: 700;
}
@media (max-width: 900px) {
  .words-tray {
    flex-wrap: wrap;
    gap: 10px 14px;
    min-height: 0;
  }
  .hands {
    padding-left: 5px;
  }
  .now {
    flex-basis: 76px;
    margin: -5px 0;
    font-size: 20px;
  }
  .big-words {
    flex: 1 1 60%;
    font-size: 21px;
    line-height: 29px;
  }
  .verb {
    flex: 1 1 100%;
    justify-items: stretch;
  }
  .plate {
    min-height: 58px;
  }
  .legend:not(.right) {
    max-width: calc(100% - 106px);
  }
  /* the strip above has them all */
  .legend .name,
  .legend .more {
    display: none;
  }
}
</style>
