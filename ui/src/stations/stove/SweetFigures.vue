<script setup lang="ts">
import { computed } from 'vue'
import type { LiveSweet } from '@/api/kitchen'
import type { SweetBatch } from '@/api/client'
import { countdown, grams, minutes } from '@/say'
import { ran } from '@/shell/now'
import { stepLeft } from './glance'
import { inWords, lateIn, lateOf, loadNow, takes } from './steps'
import WeighMidway from './WeighMidway.vue'

/** The one figure of a sweet that is made: the clock of the step in hand, else its pieces; what else runs; what it ends as. */
type Step = SweetBatch['steps'][number]
const props = defineProps<{
  batch: LiveSweet
  first: Step | undefined
  /** The step in hand is drawn with its own pan. */
  drawn: boolean
  also: Step[]
  /** The pan that the step in hand cooks in. */
  pan: { name: string; mass_kg: number } | undefined
}>()
defineEmits<{ done: [step: Step]; midway: [step: Step, kg: number, lateIn: boolean] }>()
const left = (s: Step) => stepLeft(props.batch, s)
const told = computed(() => countdown(props.first ? left(props.first) : 0))
const over = computed(() => Boolean(props.first && left(props.first) < 0))
const byWeight = computed(() => {
  const [s, gone] = [props.first?.left_s, ran(props.batch)]
  if (!s || !s.high) return ''
  const [low, high] = [Math.max(0, s.low - gone), Math.max(0, s.high - gone)]
  return told.value.unit === 'hours'
    ? `${(low / 3600).toFixed(1)}–${(high / 3600).toFixed(1)} h`
    : `${minutes(low)}–${minutes(high)} min`
})
/** Pieces as they are told now. */
const range = computed(() => {
  const { low, likely, high } = props.batch.told_pieces
  return low === high ? likely : `${likely} (${low}–${high})`
})
</script>

<template>
  <div class="things" :class="{ wide: drawn && !also.length }">
    <div>
      <template v-if="drawn" />
      <template v-else-if="first && first.phase === 'running'">
        <p class="huge" :class="{ over }">{{ told.figure }}</p>
        <p class="under">{{ told.unit }} {{ over ? 'over its time' : 'left' }}</p>
        <p v-if="byWeight" class="second">{{ byWeight }} by its weight</p>
        <p v-if="loadNow(first, left(first))" class="second">{{ loadNow(first, left(first)) }}</p>
      </template>
      <template v-else-if="first && !batch.finished">
        <p class="huge soft">{{ takes(first)[0] }}</p>
        <p class="under">{{ takes(first)[1] === 'h' ? 'hours' : 'minutes' }} it will take</p>
      </template>
      <template v-else>
        <p class="huge">{{ batch.counted ?? batch.told_pieces.likely }}</p>
        <p class="under">
          {{ batch.many }}{{ batch.counted === null ? ', as told' : '' }},
          {{ grams(batch.weighed_kg ?? batch.told_kg.likely) }}
        </p>
      </template>
      <p v-if="first?.stop_kg && !batch.finished" class="second">
        keep cooking to {{ grams(first.stop_kg) }}
        <span v-if="pan" class="scale"
          >{{ grams(first.stop_kg + pan.mass_kg) }} on the scale, {{ pan.name }} and all</span
        >
      </p>
      <p v-for="s in also" :key="s.key" class="also">
        <b>{{ inWords(left(s)) }}</b> {{ left(s) < 0 ? 'over: ' : 'left: ' }}{{ s.say }}
        <button type="button" class="touch" @click="$emit('done', s)">
          Done<span class="visually-hidden">: {{ s.say }}</span>
        </button>
      </p>
    </div>
    <div>
      <p class="ends">
        It ends as
        <b>{{ batch.counted ?? range }} {{ batch.many }}</b
        ><template v-if="batch.counted === null"> of {{ grams(batch.each_kg) }}</template
        >: <b>{{ grams(batch.weighed_kg ?? batch.told_kg.likely) }}</b>{{
          batch.weighed_kg === null ? '' : ', weighed'
        }}.
        <span v-if="batch.stop_kg && !batch.done" class="soft"
          >Cooked down, it weighs <span class="figure">{{ grams(batch.stop_kg) }}</span> in the
          pan.</span
        >
        <span class="soft legend-line">
          <b class="sure">weighed</b> or told, until you weigh it; the stream is as wide as what is
          in it.
        </span>
      </p>
      <WeighMidway
        v-if="first?.stop_kg && first.phase === 'running' && !batch.finished"
        :stop-kg="first.stop_kg"
        :late-kg="first.late_kg"
        :late-of="lateOf(batch, first)"
        :late="lateIn(batch, first, left(first))"
        :pan="pan"
        @weigh="(kg, late) => $emit('midway', first!, kg, late)"
      />
    </div>
  </div>
</template>

<style scoped>
.things {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 34px;
  align-items: start;
  margin: 12px 6px 20px;
}
.things.wide > div:first-child {
  display: none;
}
.things.wide {
  grid-template-columns: minmax(0, 1fr);
}
.huge {
  font-size: 124px;
  line-height: 112px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -5px;
  margin-bottom: -14px;
}
.huge.soft {
  color: var(--ink-soft);
  font-weight: 600;
}
.under {
  font-size: 21px;
}
.second {
  margin-top: 10px;
  font-size: 30px;
  line-height: 38px;
  font-weight: 680;
  color: var(--cobalt);
}
.scale {
  display: block;
  font: 450 18px/24px var(--figures);
  color: var(--ink);
}
.also {
  margin-top: 10px;
  font-size: 18px;
}
.also b {
  font-size: 22px;
}
.ends {
  font: 400 22px/31px var(--words);
}
.ends b,
.figure {
  white-space: nowrap;
}
.legend-line {
  display: block;
  font: 450 14px/22px var(--figures);
}
.sure {
  color: var(--leaf);
}
@media (max-width: 900px) {
  .things {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  .huge {
    font-size: 110px;
    line-height: 112px;
  }
}
</style>
