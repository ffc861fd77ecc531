<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { EventIn, Flame } from '@/api/client'
import { useLog, useStove, type LiveBatch } from '@/api/kitchen'
import PanDrawing from '@/pan/PanDrawing.vue'
import { clock, cm, minutes, stopwatch, weight } from '@/say'
import { useKeys } from '@/shell/keys'
import { since } from '@/shell/now'
import { need, secondsToBoil, secondsToStop, sinceStirred } from './need'
import ReadingForm from './ReadingForm.vue'

const route = useRoute()
const stove = useStove()
const log = useLog()

const batches = computed(() => stove.data.value ?? [])
const batch = computed<LiveBatch | undefined>(
  () => batches.value.find((b) => String(b.id) === route.params.id) ?? batches.value[0],
)
const now = computed(() => (batch.value ? need(batch.value) : null))
const onFire = computed(() => ['heating', 'boiling'].includes(batch.value?.phase ?? ''))
const big = computed(() => {
  const b = batch.value
  if (b?.phase === 'heating') return { range: secondsToBoil(b)!, of: 'minutes to the first boil' }
  if (b?.phase === 'boiling') return { range: secondsToStop(b)!, of: 'minutes to the stop' }
  return null
})
const sinceBoil = computed(() => {
  const b = batch.value
  return b?.boiled_at_s ? b.now_s - b.boiled_at_s + since(b.received) : null
})
const serverNow = computed(() =>
  batch.value ? batch.value.now_s + since(batch.value.received) : 0,
)
const sweeten = computed(() =>
  Boolean(
    batch.value &&
    batch.value.sugar_kg > 0 &&
    !batch.value.sugar_in_kg &&
    batch.value.phase !== 'weighed',
  ),
)

function tell(event: EventIn) {
  if (batch.value) log.mutate({ id: batch.value.id, event })
}
const firstBoil = () => tell({ kind: 'first_boil' })
const stirred = () => tell({ kind: 'stirred' })
const off = () => tell({ kind: 'off' })
const sugarIn = () => batch.value && tell({ kind: 'sugar_in', mass_kg: batch.value.sugar_kg })
const undo = () => batch.value?.undo_id && tell({ kind: 'undo', event_id: batch.value.undo_id })
const read = (depth: number, sure = false) =>
  tell({ kind: 'reading', how: 'depth', value: depth, sure })
const flame = (to: Flame) => tell({ kind: 'flame_changed', flame: to })

/** A reading that can hardly be true is asked back; what was read is kept meanwhile. */
const doubt = computed(() => {
  const error = log.error.value
  const sent = log.variables.value?.event
  return error && error.fields[0]?.code === 'unlikely' && sent?.kind === 'reading'
    ? { text: error.message, event: sent }
    : null
})
const typing = ref(false)
const weighing = ref(false)

useKeys([
  { key: 's', does: 'stirred or scraped', run: stirred },
  { key: 'b', does: 'first boil', run: firstBoil },
  { key: 'r', does: 'type a reading', run: () => (typing.value = true) },
  { key: 'u', does: 'undo the last', run: () => void undo() },
  { key: 'o', does: 'take it off', run: off },
])
</script>

<template>
  <div class="page stove">
    <h1 class="visually-hidden">Stove</h1>
    <section v-if="stove.isSuccess.value && !batch" class="tray empty">
      <p class="sentence">
        Nothing is on the fire. <RouterLink to="/bench">Plan a reduction</RouterLink> and light it.
      </p>
    </section>
    <template v-else-if="batch && now">
      <section
        class="tray words-tray"
        :class="{ hands: now.now }"
        aria-label="What to do now"
        aria-live="polite"
      >
        <p class="legend">
          <span class="soft">On the fire:</span>
          <RouterLink
            v-for="b in batches"
            :key="b.id"
            :to="`/stove/${b.id}`"
            :class="{ here: b.id === batch.id }"
            >{{ b.name }}</RouterLink
          >
        </p>
        <p class="legend right">
          <b>{{ clock(serverNow) }}</b>
        </p>
        <div v-if="now.now" class="now">
          <svg width="44" height="40" viewBox="0 0 44 40" aria-hidden="true">
            <path d="M6 12c1 16 8 23 16 23s15-7 16-23M22 26 34 4" />
            <ellipse cx="20.500" cy="28" rx="3.500" ry="5" transform="rotate(28 20.500 28)" />
          </svg>
          now
        </div>
        <p class="big-words">
          <b>{{ now.act }}</b> {{ now.then }}
        </p>
        <div class="verb">
          <button v-if="batch.phase === 'heating'" type="button" class="plate" @click="firstBoil">
            First boil <kbd>B</kbd>
          </button>
          <button
            v-else-if="batch.phase === 'boiling' && now.act.startsWith('Stir in')"
            type="button"
            class="plate"
            @click="sugarIn"
          >
            Sugar in
          </button>
          <button
            v-else-if="batch.phase === 'boiling' && now.act.startsWith('Take')"
            type="button"
            class="plate"
            @click="off"
          >
            Take it off <kbd>O</kbd>
          </button>
          <button
            v-else-if="batch.phase === 'boiling'"
            type="button"
            class="plate"
            @click="stirred"
          >
            Stirred <kbd>S</kbd>
          </button>
          <button
            v-else-if="batch.phase === 'off'"
            type="button"
            class="plate"
            @click="weighing = true"
          >
            Weigh it
          </button>
          <RouterLink v-else class="plate" :to="`/book/${batch.id}`">Open the Book</RouterLink>
        </div>
      </section>

      <div class="things">
        <div class="figures">
          <template v-if="big">
            <p class="huge" :class="{ long: big.range.likely >= 5970 }">
              {{ minutes(big.range.likely) }}
            </p>
            <div class="beside">
              <h2>{{ batch.name }}</h2>
              <p>{{ big.of }}</p>
              <p class="range">{{ minutes(big.range.low) }}–{{ minutes(big.range.high) }}</p>
              <p v-if="sinceBoil !== null" class="soft small">
                {{ minutes(sinceBoil) }} min since the first boil
              </p>
            </div>
          </template>
          <div v-else class="beside">
            <h2>{{ batch.name }}</h2>
            <p>off the fire at {{ clock(batch.off_at_s ?? 0) }}</p>
            <p class="range">
              {{ weight(batch.served_kg.low) }}–{{ weight(batch.served_kg.high) }}
            </p>
            <p class="soft small">
              was forecast. Chill within 2 hours, then keep at or below 5 °C.
            </p>
          </div>
        </div>
        <div class="pan-side">
          <PanDrawing
            :pan="batch.pan"
            :now="batch.depth_m.likely"
            :stop="batch.stop_depth_m"
            :concentration="batch.concentration"
            :stop-concentration="batch.concentration"
            :flame="onFire ? batch.flame : undefined"
            :height="352"
            :stirred="
              batch.phase === 'boiling' && batch.stir_every_s
                ? sinceStirred(batch) / batch.stir_every_s
                : null
            "
            quiet
          />
          <dl class="levels">
            <dt>cm now</dt>
            <dd>{{ cm(batch.depth_m.likely) }}</dd>
            <dt class="goal">cm stop</dt>
            <dd class="goal">{{ cm(batch.stop_depth_m) }}</dd>
            <template v-if="batch.phase === 'boiling'">
              <dt class="soft">since you stirred</dt>
              <dd class="stirred" :class="{ due: now.now }">
                {{ stopwatch(sinceStirred(batch)) }}
              </dd>
            </template>
          </dl>
        </div>
      </div>

      <section class="tray doing" aria-label="Readings and log">
        <div class="read">
          <template v-if="batch.phase === 'boiling'">
            <p class="heading">
              How deep is it? <span>Off the boil, stand the stick at the deepest point.</span>
            </p>
            <div class="depths">
              <button
                v-for="d in batch.depth_keys_m"
                :key="d"
                type="button"
                class="depth"
                :class="{ expected: cm(d) === cm(batch.depth_m.likely) }"
                :aria-label="`${cm(d)} cm`"
                :disabled="log.isPending.value"
                @click="read(d)"
              >
                {{ cm(d) }}
              </button>
            </div>
            <p class="under">
              <span class="soft">{{ cm(batch.depth_m.likely) }} is expected.</span>
              <button type="button" class="touch" @click="typing = true">
                Another reading <kbd>R</kbd>
              </button>
              <span class="soft">Flame:</span>
              <button
                v-for="f in ['gentle', 'medium', 'strong'] as Flame[]"
                :key="f"
                type="button"
                class="touch flame"
                :aria-pressed="batch.flame === f"
                @click="flame(f)"
              >
                {{ f }}
              </button>
            </p>
          </template>
          <template v-else-if="batch.phase === 'heating'">
            <p class="heading">Milk climbs fast at the first boil.</p>
            <p class="advice">
              Press <b>First boil</b> when it rolls and lifts: every time counts from there. Turn
              down to {{ batch.flame }} in the same moment.
            </p>
          </template>
          <template v-else>
            <p class="heading">
              {{
                batch.phase === 'off'
                  ? 'What did it give?'
                  : `It gave ${weight(batch.weighed_kg ?? 0)}.`
              }}
            </p>
            <p class="advice">It thickens as it cools. Cover it once it stops steaming.</p>
          </template>
          <p v-if="doubt" class="problem" role="alert">
            {{ doubt.text }}
            <button
              type="button"
              class="plate line"
              @click="tell({ ...doubt.event, sure: true, key: undefined })"
            >
              I am sure
            </button>
          </p>
          <p v-else-if="log.error.value && !typing && !weighing" class="problem" role="alert">
            {{ log.error.value.message }}
          </p>
        </div>
        <div class="log-side">
          <ol class="log" aria-label="What happened">
            <li v-for="l in batch.log.slice(0, 5)" :key="l.event_id" :class="{ undone: l.undone }">
              <time>{{ clock(l.at_s) }}</time> {{ l.text }}{{ l.undone ? ', undone' : '' }}
            </li>
          </ol>
        </div>
        <div class="acts">
          <button type="button" class="plate line" :disabled="!batch.undo_id" @click="undo">
            Undo <kbd>U</kbd>
          </button>
          <button v-if="sweeten" type="button" class="plate line" @click="sugarIn">Sugar in</button>
          <button v-if="onFire" type="button" class="plate line" @click="off">
            Take it off <kbd>O</kbd>
          </button>
        </div>
      </section>
      <NModal v-model:show="typing">
        <ReadingForm :batch="batch" purpose="reading" @done="typing = false" />
      </NModal>
      <NModal v-model:show="weighing">
        <ReadingForm :batch="batch" purpose="weighed" @done="weighing = false" />
      </NModal>
    </template>
  </div>
</template>

<style scoped>
.words-tray {
  display: flex;
  align-items: center;
  gap: 26px;
  min-height: 120px;
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
.now svg {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.6;
  stroke-linecap: round;
}
.now ellipse {
  fill: currentColor;
}
.big-words {
  flex: 1;
  font: 400 32px/42px var(--words);
}
.legend a.here {
  color: var(--ink);
  font-weight: 700;
}
.things {
  display: grid;
  grid-template-columns: minmax(330px, 0.9fr) 1.5fr;
  align-items: end;
  gap: 20px;
  margin: 10px 0 14px;
  border-bottom: 2px solid var(--ink);
}
.figures {
  display: flex;
  gap: 26px;
  align-items: flex-start;
  align-self: center;
}
.huge {
  font-size: 158px;
  line-height: 150px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -6px;
}
.huge.long {
  font-size: 112px;
}
.beside {
  padding-top: 10px;
  font-size: 19px;
}
.beside h2 {
  font: 650 25px/31px var(--words);
}
.range {
  margin-top: 4px;
  font-size: 34px;
  line-height: 42px;
  font-weight: 650;
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
.levels .goal {
  color: var(--cobalt);
}
.levels .stirred {
  font-size: 34px;
  line-height: 40px;
  letter-spacing: -1px;
  margin: 0;
}
.levels .due {
  color: var(--saffron-ink);
}
.doing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px 158px;
  gap: 28px;
}
.log-side {
  border-left: 1px solid var(--ridge);
  padding-left: 26px;
}
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
.log li {
  display: flex;
  gap: 18px;
  line-height: 26px;
}
.log li:first-child {
  font-weight: 680;
}
.log time {
  color: var(--ink-soft);
}
.undone {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.acts {
  display: grid;
  align-content: start;
  gap: 10px;
}
.acts .plate {
  padding-inline: 10px;
}
.problem .plate {
  min-height: 40px;
  margin-left: 10px;
}
.empty {
  margin-top: 24px;
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
    display: grid;
  }
  .plate {
    min-height: 58px;
  }
  .things {
    grid-template-columns: minmax(0, 1fr);
    margin: 6px 8px 12px;
  }
  .huge {
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
  .levels .stirred {
    margin: 0;
    font-size: 40px;
    line-height: 44px;
  }
  .doing {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .log-side {
    border: 0;
    padding: 0;
  }
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
  .acts {
    grid-template-columns: 1fr 1fr;
  }
  .touch {
    padding: 10px 2px;
  }
}
</style>
