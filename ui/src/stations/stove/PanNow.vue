<script setup lang="ts">
import { computed } from 'vue'
import type { LiveBatch } from '@/api/kitchen'
import PanDrawing from '@/pan/PanDrawing.vue'
import SpoonDrawing from '@/pan/SpoonDrawing.vue'
import { clock, cm, minutes, stageDoes, stopwatch, weight } from '@/say'
import { livePan, loudness } from '@/shell/live'
import { ran } from '@/shell/now'
import { milkColour } from '@/theme/milk'
import { secondsToBoil, secondsToStop, sinceStirred } from './need'

/** One pan to read from across the room: the minutes, the level now and to stop at, the stir clock around it. */
const props = defineProps<{ batch: LiveBatch; narrow?: boolean; chosen?: boolean }>()

const onFire = computed(() => ['heating', 'boiling'].includes(props.batch.phase))
const paused = computed(() => props.batch.paused_at_s !== null)
const big = computed(() => {
  const b = props.batch
  if (b.phase === 'heating') return { range: secondsToBoil(b)!, of: 'minutes to the first boil' }
  if (b.phase === 'boiling') return { range: secondsToStop(b)!, of: 'minutes to the stop' }
  return null
})
const sinceBoil = computed(() => {
  const b = props.batch
  return b.boiled_at_s ? b.now_s - b.boiled_at_s + ran(b) : null
})
const past = computed(() => {
  const b = props.batch
  return b.past_stop_s > 0 ? b.past_stop_s + ran(b) : null
})
/** The stir or scrape that comes next, as a clock along the pan. */
const hands = computed(() => {
  const b = props.batch
  if (b.phase !== 'boiling' || paused.value || !b.stir_every_s) return null
  const now = livePan(b).nowS()
  const scrape = b.nudges.find((n) => n.key === 'scrape' && loudness(n, now) !== 'wait')
  const rested = sinceStirred(b)
  const share = scrape ? 1 : Math.min(1, rested / b.stir_every_s)
  return {
    share,
    due: share >= 1,
    told: scrape
      ? stopwatch(now - scrape.due_at_s)
      : share >= 1
        ? stopwatch(rested)
        : stopwatch(b.stir_every_s - rested),
    words: scrape ? 'scrape is over by' : share >= 1 ? 'since you stirred' : 'until a stir',
  }
})
</script>

<template>
  <section
    class="pan-now"
    :class="{ narrow, chosen }"
    :aria-label="`${batch.name}, ${batch.pan.name}`"
  >
    <div class="figures">
      <template v-if="big">
        <p class="huge" :class="{ long: big.range.likely >= 5970, over: past !== null }">
          {{ minutes(past ?? big.range.likely) }}
        </p>
        <div class="beside">
          <h2>
            {{ batch.name }}<template v-if="narrow">, in {{ batch.pan.name }}</template>
          </h2>
          <p>{{ past !== null ? 'minutes past the stop' : big.of }}</p>
          <p class="range">{{ minutes(big.range.low) }}–{{ minutes(big.range.high) }}</p>
          <p v-if="sinceBoil !== null && !narrow" class="soft small">
            {{ minutes(sinceBoil) }} min since the first boil
          </p>
        </div>
      </template>
      <div v-else class="beside">
        <h2>{{ batch.name }}</h2>
        <p v-if="batch.off_at_s">off the fire at {{ clock(batch.off_at_s) }}</p>
        <p class="range">{{ weight(batch.served_kg.low) }}–{{ weight(batch.served_kg.high) }}</p>
        <p class="soft small">was forecast. Chill within 2 hours, then keep at or below 5 °C.</p>
      </div>
    </div>
    <div class="pan-side">
      <PanDrawing
        :pan="batch.pan"
        :now="batch.depth_m.likely"
        :stop="batch.stop_depth_m"
        :concentration="batch.concentration"
        :stop-concentration="batch.concentration"
        :flame="onFire && !paused ? batch.flame : undefined"
        :height="narrow ? 300 : 352"
        :largest-scale="narrow ? 940 : undefined"
        :stirred="hands?.share ?? null"
        quiet
      />
      <dl class="levels">
        <dt>cm now</dt>
        <dd>{{ cm(batch.depth_m.likely) }}</dd>
        <dt class="goal">cm stop</dt>
        <dd class="goal">{{ cm(batch.stop_depth_m) }}</dd>
        <template v-if="hands">
          <dt class="soft">{{ hands.words }}</dt>
          <dd class="stirred" :class="{ due: hands.due }">{{ hands.told }}</dd>
        </template>
      </dl>
    </div>
    <p v-if="batch.phase === 'boiling'" class="sign soft">
      <SpoonDrawing
        :stage="batch.stop_spoon_stage"
        :colour="milkColour(batch.concentration)"
        aria-hidden="true"
      />
      <span>
        Done when, hot, it {{ stageDoes(batch.stop_spoon_stage) }}: {{ batch.stop_sign }}.
        <template v-if="batch.last_change && !narrow">
          Last reading: {{ batch.last_change }}.</template
        >
      </span>
    </p>
  </section>
</template>

<style scoped>
.pan-now {
  display: grid;
  grid-template-columns: minmax(330px, 0.9fr) 1.5fr;
  align-items: end;
  gap: 8px 20px;
}
.narrow {
  grid-template-columns: minmax(0, 1fr);
  align-content: end;
  gap: 4px;
}
.figures {
  display: flex;
  gap: 26px;
  align-items: flex-start;
  align-self: center;
}
.huge {
  min-width: 1.2em;
  font-size: 158px;
  line-height: 150px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -6px;
}
.huge.long {
  font-size: 112px;
}
.huge.over {
  color: var(--madder);
}
.narrow .huge {
  font-size: 122px;
  line-height: 108px;
}
.narrow .huge.long {
  font-size: 92px;
}
.beside {
  padding-top: 10px;
  font-size: 19px;
}
.beside h2 {
  font: 650 25px/31px var(--words);
}
.narrow.chosen h2 {
  text-decoration: underline;
  text-decoration-color: var(--cobalt);
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
.range {
  margin-top: 4px;
  font-size: 34px;
  line-height: 42px;
  font-weight: 650;
}
.narrow .range {
  font-size: 28px;
  line-height: 34px;
}
.small {
  font-size: 15px;
}
.pan-side {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  gap: 10px;
  align-items: center;
}
.narrow .pan-side {
  align-items: end;
}
.narrow .figures {
  align-self: end;
  padding-top: 6px;
}
.levels dt {
  font-size: 15px;
  line-height: 16px;
}
.levels dd {
  margin-bottom: 10px;
  font-size: 60px;
  line-height: 62px;
  font-weight: 680;
  font-stretch: 90%;
  letter-spacing: -2px;
}
.narrow .levels dd {
  font-size: 46px;
  line-height: 46px;
}
.levels .goal {
  color: var(--cobalt);
}
.levels .stirred,
.narrow .levels .stirred {
  margin: 0;
  font-size: 34px;
  line-height: 40px;
  letter-spacing: -1px;
}
.levels .due {
  color: var(--saffron-ink);
}
.sign {
  grid-column: 1 / -1;
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 15.5px;
}
.sign :deep(svg) {
  flex: none;
  width: 58px;
  height: 34px;
}
@media (max-width: 900px) {
  .pan-now {
    grid-template-columns: minmax(0, 1fr);
  }
  .huge,
  .narrow .huge {
    font-size: 124px;
    line-height: 120px;
  }
  .beside h2 {
    font-size: 21px;
    line-height: 26px;
  }
  .pan-side {
    grid-template-columns: minmax(0, 1fr);
  }
  .levels {
    order: -1;
    display: grid;
    grid-template-rows: auto auto;
    grid-auto-flow: column;
    justify-content: space-between;
    column-gap: 12px;
    padding-top: 6px;
  }
  .levels dd,
  .narrow .levels dd,
  .levels .stirred {
    margin: 0;
    font-size: 40px;
    line-height: 44px;
  }
}
</style>
