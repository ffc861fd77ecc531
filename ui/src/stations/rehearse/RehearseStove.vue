<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import { useRoute } from 'vue-router'
import type { EventIn } from '@/api/client'
import { cm, stopwatch, weight } from '@/say'
import { useKeys } from '@/shell/keys'
import { livePan, type Asked } from '@/shell/live'
import { need } from '../stove/need'
import NowTray from '../stove/NowTray.vue'
import PanNow from '../stove/PanNow.vue'
import ReadPanel from '../stove/ReadPanel.vue'
import ClockLine from './ClockLine.vue'
import { usePanSound } from './panSound'
import { useDo, type LiveRehearsal, type Shown } from './rehearsal'

/** The Stove on a simulated pan: the same sentence, figures and readings; beside them what eyes and nose would tell. */
const props = defineProps<{ rehearsal: LiveRehearsal }>()
const route = useRoute()
const doing = useDo(() => props.rehearsal.id)
const acid = ref('')

const r = computed(() => props.rehearsal)
const batch = computed(() => r.value.live)
const pan = computed(() => r.value.vessels[0]!)
const covered = computed(() => (pan.value.view.lid ?? 0) > 0)
usePanSound(
  computed(() => r.value.vessels),
  toRef(() => r.value.speed === 0),
)
const lives = computed(() =>
  batch.value ? [{ ...livePan(batch.value), path: route.path, name: 'The rehearsal' }] : [],
)
const now = computed(() => (batch.value ? need(lives.value, batch.value) : null))
const onFire = computed(() => ['heating', 'boiling'].includes(batch.value?.phase ?? ''))
const sugarLeft = computed(() =>
  batch.value ? Math.max(0, batch.value.sugar_kg - batch.value.sugar_in_kg) : 0,
)
const away = computed(() => r.value.away)

const tell = (event: EventIn) => doing.mutate({ event })
const sugarIn = () => sugarLeft.value > 0 && tell({ kind: 'sugar_in', mass_kg: sugarLeft.value })
const pause = () => tell({ kind: batch.value?.paused_at_s !== null ? 'resumed' : 'paused' })
const lower = () =>
  tell({ kind: 'flame_changed', flame: batch.value?.flame === 'strong' ? 'medium' : 'gentle' })
const fold = () => doing.mutate({ act: { do: 'fold' } })
const lid = () => doing.mutate({ act: { do: 'lid', on: !covered.value } })
const pour = () =>
  doing.mutate({ act: { do: 'acid', amount: acid.value } }, { onSuccess: () => (acid.value = '') })

function answer(due: Asked) {
  const events: Record<string, () => unknown> = {
    first_boil: () => tell({ kind: 'first_boil' }),
    stirred: () => tell({ kind: 'stirred' }),
    scraped: () => tell({ kind: 'scraped' }),
    sugar_in: sugarIn,
    off: () => tell({ kind: 'off' }),
    flame_changed: lower,
    resumed: pause,
    reading: () => take(shown.value.find((i) => i.how === 'weight' || i.how === 'depth')),
  }
  events[due.nudge.answer]?.()
}
function later(due: Asked) {
  tell({ kind: 'snoozed', nudge: due.nudge.key, episode: due.nudge.episode, seconds: 120 })
}

const shown = computed(() => pan.value.instruments)
function said(i: Shown): string {
  if (i.value === null) return 'shows nothing'
  if (i.unit === 'kg') return weight(i.value)
  if (i.unit === 'm') return `${cm(i.value)} cm`
  return `${i.value.toFixed(1)} ${i.unit}`
}
/** Log what an instrument shows as a reading. */
function take(i: Shown | undefined) {
  if (i?.how && i.value !== null)
    tell({ kind: 'reading', how: i.how as 'weight', value: i.value, sure: false })
}

const boiling = computed(() => batch.value?.phase === 'boiling')
useKeys([
  { key: 's', does: 'stirred', run: () => tell({ kind: 'stirred' }) },
  { key: 'c', does: 'scraped the sides', run: () => tell({ kind: 'scraped' }) },
  { key: 'b', does: 'first boil', run: () => tell({ kind: 'first_boil' }) },
  { key: 'f', does: 'flame down', run: lower },
  { key: 'i', does: 'sugar in', run: () => void sugarIn() },
  { key: 'k', does: 'fold the skin in', run: fold },
  { key: 'p', does: 'off the fire for a while, and back', run: pause },
  { key: 'o', does: 'take it off', run: () => tell({ kind: 'off' }) },
])
</script>

<template>
  <template v-if="batch && now">
    <NowTray
      :lives="lives"
      :batch="batch"
      :now="now"
      @answer="answer"
      @later="later"
      @tell="tell($event as EventIn)"
    >
      <template #legend>
        <RouterLink to="/stove/rehearse">Rehearsal</RouterLink>
        <span class="soft">level {{ r.level }}, {{ r.level_says }}, seed {{ r.seed }}</span>
      </template>
    </NowTray>
    <p v-if="away" class="away" role="status">
      You are away: {{ away.who }} has you for another <b>{{ stopwatch(away.left_s) }}</b>.
    </p>
    <div class="things"><PanNow :batch="batch" /></div>
    <ClockLine :rehearsal="r" @do="doing.mutate($event)" />
    <section class="tray doing" aria-label="Readings and hands">
      <div>
        <ul class="sees" aria-label="What you see">
          <li v-for="s in pan.sees" :key="s.says" :class="{ calls: s.calls }">{{ s.says }}</li>
        </ul>
        <ReadPanel
          v-if="boiling"
          :batch="batch"
          :several="false"
          :busy="doing.isPending.value"
          plain
          @tell="tell"
        />
        <p v-if="doing.error.value" class="problem" role="alert">
          {{ doing.error.value.message }}
        </p>
      </div>
      <div class="instruments" aria-label="Instruments" role="group">
        <p v-for="i in shown" :key="i.channel">
          <span class="soft">{{ i.name }}</span>
          <b :class="{ none: i.value === null }">{{ said(i) }}</b>
          <button
            v-if="boiling && i.how && i.how !== 'temperature' && i.value !== null"
            type="button"
            class="touch"
            :aria-label="`log the ${i.name}`"
            @click="take(i)"
          >
            log it
          </button>
        </p>
      </div>
      <div class="acts">
        <button type="button" class="plate line" @click="tell({ kind: 'stirred' })">
          Stir <kbd>S</kbd>
        </button>
        <button type="button" class="plate line" @click="tell({ kind: 'scraped' })">
          Scrape <kbd>C</kbd>
        </button>
        <button type="button" class="plate line" @click="fold">Fold skin <kbd>K</kbd></button>
        <button type="button" class="plate line" :aria-pressed="covered" @click="lid">
          {{ covered ? 'Lid off' : 'Lid on' }}
        </button>
        <button v-if="sugarLeft > 0" type="button" class="plate line" @click="sugarIn">
          Sugar in <kbd>I</kbd>
        </button>
        <button v-if="onFire" type="button" class="plate line" @click="pause">
          {{ batch.paused_at_s === null ? 'Pause' : 'Go on' }} <kbd>P</kbd>
        </button>
        <button type="button" class="plate line" @click="tell({ kind: 'off' })">
          Take it off <kbd>O</kbd>
        </button>
        <form class="acid" @submit.prevent="pour">
          <input v-model="acid" aria-label="Lemon juice" placeholder="lemon, 1 tbsp" />
          <button type="submit" class="touch" :disabled="!acid.trim()">pour</button>
        </form>
      </div>
    </section>
  </template>
</template>

<style scoped>
.away {
  margin: 8px 0 0;
  padding: 6px 18px 4px;
  border-radius: 12px;
  background: var(--madder);
  color: var(--enamel);
  font: 600 21px/30px var(--words);
}
.things {
  margin: 10px 0 14px;
  padding-bottom: 8px;
  border-bottom: 2px solid var(--ink);
}
.doing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px 270px;
  gap: 26px;
}
.sees {
  font: 500 20px/28px var(--words);
  margin-bottom: 6px;
}
.sees li {
  display: inline;
}
.calls {
  font-weight: 700;
}
.sees li + li::before {
  content: ' ';
}
.instruments {
  border-left: 1px solid var(--ridge);
  padding-left: 24px;
}
.instruments p {
  display: grid;
  grid-template-columns: 132px 1fr auto;
  gap: 8px;
  align-items: baseline;
}
.instruments b {
  font-size: 20px;
  line-height: 27px;
}
.instruments .none {
  font-size: 15px;
  font-weight: 400;
  color: var(--ink-soft);
}
.acts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-content: start;
  gap: 8px;
}
.acts .plate {
  min-height: 40px;
  padding-inline: 6px;
  font-size: 15.5px;
}
.acid {
  display: flex;
  gap: 8px;
  align-items: center;
  grid-column: 1 / -1;
}
.acid input {
  min-width: 0;
  flex: 1;
  height: 38px;
  padding: 2px 10px 0;
  border: 1.5px solid var(--ink-soft);
  border-radius: 8px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
@media (max-width: 900px) {
  .things {
    margin: 6px 8px 12px;
  }
  .doing {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .instruments {
    border: 0;
    padding: 0;
  }
  .acts .plate {
    min-height: 54px;
  }
}
</style>
