<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useCaramel } from '@/api/kitchen'
import { STAGES } from '@/api/shared'
import CaramelPool from '@/caramel/CaramelPool.vue'
import PoursBank from '@/caramel/PoursBank.vue'
import { shadeOf, SHADES, type SeenShade } from '@/caramel/shades'
import FormField from '@/form/FormField.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import { ago, grams, minutes, stageDoes, stopwatch } from '@/say'
import { useKeys } from '@/shell/keys'
import { ran } from '@/shell/now'
import ReadingsTray from '@/stations/book/ReadingsTray.vue'
import { NModal } from 'naive-ui'
import InstrumentsTray from './InstrumentsTray.vue'
import LogDialog from './LogDialog.vue'
import LogList from './LogList.vue'
import { caramelWords } from './caramel'
import { useLogging } from './logging'

/** Caramelised milk as it is made: the sugar from above with its shades, the pours in their order, then the pan and its weight. */
const route = useRoute()
const caramel = useCaramel(() => Number(route.params.id))
const reviewing = ref(false)
const pairing = ref(false)
const b = computed(() => caramel.data.value)
const { typed, problem, tell, send, note, due, undo, later, hush, pause, keys } = useLogging(
  () => b.value,
  ['heat', 'pour', 'pan', 'gave'],
  60,
)
const gone = computed(() => (b.value && b.value.paused_at_s === null ? ran(b.value) : 0))

/** Between two answers the sugar goes on as it did. */
const celsius = computed(() =>
  b.value?.celsius ? b.value.celsius.likely + (b.value.rise_k_s ?? 0) * gone.value : null,
)
const left = computed(() => {
  const range = b.value?.phase === 'melting' ? b.value.off_in_s : b.value?.left_s
  return range ? Math.max(0, range.likely - gone.value) : null
})
const spread = computed(() => {
  const range = b.value?.phase === 'melting' ? b.value.off_in_s : b.value?.left_s
  if (!range) return ''
  const [low, high] = [range.low, range.high].map((s) => Math.max(0, s - gone.value))
  return high! < 90
    ? `${Math.round(low!)}–${Math.round(high!)} s`
    : `${minutes(low!)}–${minutes(high!)} min`
})
const told = computed(() => b.value?.read_at_s == null)
const words = computed(() => (b.value ? caramelWords(b.value, celsius.value) : null))
const hot = computed(() => b.value?.phase === 'melting' || b.value?.phase === 'opening')

const off = () => tell({ kind: 'off' })
const pour = () =>
  b.value?.next_pour &&
  tell({
    kind: 'added',
    what: b.value.next_pour.what,
    mass_kg: Math.round(b.value.next_pour.mass_kg * 1e3) / 1e3,
  })
const act = () => {
  if (b.value?.phase === 'opening') pour()
  else if (b.value?.phase === 'melting' || b.value?.phase === 'simmering') off()
}
const saw = (shade: SeenShade) => hot.value && tell({ kind: 'shade_seen', shade })
const wiped = () => tell({ kind: 'scraped' })
const mayPause = computed(() => b.value?.phase === 'simmering')
const row = ref<HTMLElement>()
/** Arrows go along the row of shades, from the one that is likely now. */
function focusShade(by: number) {
  const keys = [...(row.value?.querySelectorAll('button') ?? [])]
  const at = keys.indexOf(document.activeElement as HTMLButtonElement)
  const from = at >= 0 ? at : SHADES.findIndex((s) => s.key === b.value?.shade)
  keys[Math.min(keys.length - 1, Math.max(0, from + by))]?.focus()
}
useKeys([
  { key: 'o', does: 'it is off the flame, or what is next is in', run: act },
  {
    key: 'c',
    does: 'the sides are wiped down',
    run: () => b.value?.phase === 'simmering' && wiped(),
  },
  {
    key: 'r',
    does: 'which shade it is: arrows, then Enter',
    run: () => hot.value && focusShade(0),
  },
  ...keys(() => mayPause.value),
])
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Stove: caramelised milk</h1>
    <section v-if="caramel.error.value" class="tray">
      <p class="sentence problem">{{ caramel.error.value.message }}</p>
    </section>
    <template v-else-if="b && words">
      <section
        class="tray now"
        :class="{ over: due?.kind === 'hazard' }"
        aria-label="What to do now"
        aria-live="polite"
      >
        <p class="legend">
          <RouterLink to="/stove">on the fire</RouterLink><b>{{ b.name }}</b>
          <RouterLink v-if="b.parent_id" :to="`/stove/sweet/${b.parent_id}`">its sweet</RouterLink>
        </p>
        <p class="words">
          <b>{{ words.act }}</b> {{ words.then }}
        </p>
        <div v-if="words.verb || mayPause" class="verb">
          <button v-if="words.verb" type="button" class="plate" @click="act">
            {{ words.verb }} <kbd>O</kbd>
          </button>
          <button v-if="mayPause" type="button" class="touch" @click="pause">
            {{ b.paused_at_s !== null ? 'Back on the fire' : 'Off the fire for a while' }}
            <kbd>P</kbd>
          </button>
          <button v-if="due" type="button" class="touch" @click="later">
            {{ due.kind === 'hazard' ? 'I see it: 90 seconds' : 'In a minute' }} <kbd>L</kbd>
          </button>
        </div>
      </section>

      <div class="things" :class="b.phase">
        <div class="picture">
          <CaramelPool
            v-if="hot"
            :celsius="b.phase === 'melting' ? celsius : null"
            :off="b.told.off_c.likely"
            :ends="b.ends_c.likely"
            :goal="b.told.shade"
            :told="told"
            :movable="b.phase === 'melting'"
            @goal="(shade) => tell({ kind: 'shade_moved', shade: shade as 'amber' })"
          />
          <PanDrawing
            v-else
            :pan="b.pan"
            :now="b.phase === 'simmering' ? b.depth_m : b.stop_depth_m"
            :stop="b.stop_depth_m"
            :concentration="4"
            :flame="b.phase === 'simmering' ? b.plan.flame : undefined"
            :height="250"
            quiet
          />
        </div>
        <div class="figures">
          <div class="rows">
            <div v-if="b.phase === 'melting' && celsius !== null" class="large">
              <p class="huge">{{ Math.round(celsius) }}</p>
              <p class="beside">
                <b>°C {{ told ? 'about' : 'now' }}</b>
                <span>{{ Math.max(0, Math.round((b.rise_k_s ?? 0) * 60)) }} °C a minute</span>
                <span class="soft">{{
                  told
                    ? 'by the clock: tell a shade'
                    : `read ${ago(b.now_s + gone - b.read_at_s!)
                        .replace('of this minute', 'just now')
                        .replace('old', 'ago')}`
                }}</span>
                <span class="left"
                  ><b>{{ !left ? 'off now' : left < 90 ? stopwatch(left) : minutes(left) }}</b>
                  <template v-if="left"
                    >&nbsp;{{ left < 90 ? '' : 'min ' }}to off, {{ spread }}</template
                  ></span
                >
              </p>
            </div>
            <div v-else-if="b.next_pour" class="large">
              <p class="huge">{{ Math.round(b.next_pour.mass_kg * 1e3) }}</p>
              <p class="beside">
                <b
                  >g of
                  {{ b.next_pour.what === 'condensed' ? 'condensed milk' : b.next_pour.what }}</b
                >
                <span v-if="b.next_pour.of > 1"
                  >pour {{ b.next_pour.number }} of {{ b.next_pour.of }}</span
                >
                <span class="soft">then stir until it is smooth</span>
              </p>
            </div>
            <div v-else-if="b.phase === 'simmering' && left !== null" class="large">
              <p class="huge">{{ left < 90 ? stopwatch(left) : minutes(left) }}</p>
              <p class="beside">
                <b>{{ left < 90 ? 'to go' : 'min to go' }}</b>
                <span>{{ spread }}</span>
                <span class="soft">{{ grams(b.in_pan_kg ?? 0) }} in the pan, about</span>
              </p>
            </div>
            <div v-else class="large">
              <p class="huge">{{ Math.round((b.weighed_kg ?? b.told_kg.likely) * 1e3) }}</p>
              <p class="beside">
                <b>g</b>
                <span>{{ b.weighed_kg === null ? 'as told' : 'weighed' }}</span>
                <span class="soft"
                  >cold it
                  {{ stageDoes(STAGES.indexOf(b.told.cold_name as (typeof STAGES)[number])) }}</span
                >
              </p>
            </div>
            <dl v-if="hot" class="targets">
              <div v-if="b.phase === 'melting'" class="cobalt">
                <dt>°C, off here</dt>
                <dd>{{ Math.round(b.told.off_c.likely) }}</dd>
              </div>
              <div class="brown">
                <dt>°C, where it ends: {{ shadeOf(b.ends_shade).text }}</dt>
                <dd>{{ Math.round(b.ends_c.likely) }}</dd>
              </div>
            </dl>
          </div>
          <PoursBank
            class="bank"
            :told="b.told"
            :added="b.added_kg"
            :next="b.next_pour"
            :stop="b.stop_kg"
            :on-scale="b.on_scale_kg"
          />
        </div>
      </div>

      <section class="tray log-it" aria-label="Log it">
        <div class="fields">
          <template v-if="hot">
            <p class="ask"><b>Which shade is the pool?</b> Hold a white spoon under it.</p>
            <div
              ref="row"
              class="swatches"
              @keydown.right.prevent="focusShade(1)"
              @keydown.left.prevent="focusShade(-1)"
            >
              <button
                v-for="s in SHADES"
                :key="s.key"
                type="button"
                class="swatch"
                :class="{ deep: s.deep, here: b.shade === s.key && !told }"
                :style="{ background: s.colour }"
                @click="saw(s.key)"
              >
                {{ s.text }}
              </button>
            </div>
            <form
              @submit.prevent="
                send('heat', (v) => ({
                  kind: 'reading',
                  how: 'temperature',
                  value: v,
                  sure: false,
                }))
              "
            >
              <FormField v-model="typed.heat" label="Or by thermometer, °C" />
              <button type="submit" class="plate line">Read it</button>
            </form>
          </template>
          <form
            v-if="b.next_pour"
            @submit.prevent="
              send('pour', (v) => ({ kind: 'added', what: b!.next_pour!.what, mass_kg: v / 1000 }))
            "
          >
            <FormField v-model="typed.pour" :label="`Another weight of ${b.next_pour.what}, g`" />
            <button type="submit" class="plate line">It is in</button>
          </form>
          <p v-if="b.next_pour && (b.added_kg.milk || b.added_kg.condensed)">
            <button type="button" class="touch" @click="tell({ kind: 'step_done', step: '' })">
              Nothing more goes in
            </button>
          </p>
          <template v-if="b.phase === 'simmering'">
            <form
              @submit.prevent="
                send('pan', (v) => ({
                  kind: 'reading',
                  how: 'weight',
                  value: Math.max(0.001, v / 1000 - b!.told.pan_kg),
                  sure: false,
                }))
              "
            >
              <FormField
                v-model="typed.pan"
                :label="`On the scale, pan and all, g (${grams(b.told.pan_kg)} is the pan)`"
              />
              <button type="submit" class="plate line">Weigh it</button>
            </form>
            <p>
              <button type="button" class="plate line" @click="wiped">
                Sides wiped down <kbd>C</kbd>
              </button>
            </p>
          </template>
          <form
            v-if="['simmering', 'to-weigh', 'weighed'].includes(b.phase)"
            @submit.prevent="send('gave', (v) => ({ kind: 'weighed', mass_kg: v / 1000 }))"
          >
            <FormField v-model="typed.gave" label="It gave, without the pan, g" />
            <button type="submit" class="plate line">It gave</button>
          </form>
          <form @submit.prevent="note">
            <FormField v-model="typed.note" label="A note" words />
            <button type="submit" class="plate line">Write it</button>
          </form>
          <p v-if="!b.finished">
            <button type="button" class="touch" @click="pairing = true">
              Pair a thermometer or a scale
            </button>
          </p>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        </div>
        <div>
          <p v-for="c in b.told.cautions" :key="c.title" class="caution" :class="c.severity">
            <b>{{ c.title }}</b> {{ c.text }}
          </p>
          <LogList
            :log="b.log"
            :undo-id="b.undo_id"
            :hushed="b.hushed"
            :running="!b.finished"
            @undo="undo"
            @hush="hush"
            @give-up="tell({ kind: 'abandoned' })"
            @all="reviewing = true"
          />
        </div>
      </section>
      <NModal v-model:show="reviewing">
        <LogDialog :batch="b" @done="reviewing = false" />
      </NModal>
      <InstrumentsTray v-model:pairing="pairing" class="readings" :batch="b" @tell="tell" />
      <ReadingsTray class="readings" :batch-id="b.id" />
    </template>
  </div>
</template>

<style scoped>
.now {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px 26px;
  min-height: 110px;
}
.verb {
  display: grid;
  justify-items: center;
}
.over {
  background: color-mix(in srgb, var(--saffron-fill) 26%, var(--enamel));
}
.words {
  flex: 1 1 400px;
  font: 400 30px/40px var(--words);
}
.things {
  display: grid;
  grid-template-columns: 430px minmax(0, 1fr);
  gap: 34px;
  align-items: center;
  margin: 14px 4px 18px;
}
.figures {
  display: grid;
  gap: 16px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px 26px;
}
.large {
  display: flex;
  gap: 22px;
  align-items: center;
}
.huge {
  font-size: 132px;
  line-height: 128px;
  font-weight: 700;
  font-stretch: 88%;
  letter-spacing: -4px;
}
.beside {
  display: grid;
  font-size: 17px;
  line-height: 23px;
}
.beside b {
  font-size: 19px;
}
.left b {
  font-size: 30px;
  line-height: 34px;
}
.targets {
  display: grid;
  gap: 6px;
  align-content: center;
}
.targets div {
  display: flex;
  flex-direction: row-reverse;
  justify-content: flex-end;
  gap: 12px;
  align-items: center;
}
.targets dd {
  font-size: 52px;
  line-height: 54px;
  font-weight: 700;
}
.targets dt {
  max-width: 150px;
  font-size: 16px;
}
.cobalt dd {
  color: var(--cobalt);
}
.brown dd {
  color: var(--saffron-ink);
}
.log-it {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 40px;
}
.fields {
  display: grid;
  gap: 10px;
  align-content: start;
}
.ask {
  font: 400 21px/28px var(--words);
}
.swatches {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
}
.swatch {
  display: grid;
  align-content: end;
  justify-items: center;
  gap: 4px;
  min-height: 76px;
  padding: 8px 4px 7px;
  border: 2px solid var(--ink);
  border-radius: 9px;
  color: #1b2444;
  font-weight: 600;
}
.swatch.deep {
  color: #fdfcf7;
}
.swatch.here {
  outline: 4px solid var(--cobalt);
  outline-offset: 2px;
}
.fields form {
  display: grid;
  grid-template-columns: minmax(0, 460px) max-content;
  gap: 6px 14px;
  align-items: center;
}
.caution {
  margin-bottom: 10px;
  font-size: 16px;
}
.danger b {
  color: var(--madder);
}
@media (max-width: 900px) {
  .things,
  .log-it {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  /* the figure, then what is logged, then the pictures */
  .page {
    display: flex;
    flex-direction: column;
    gap: 16px;
  }
  .things,
  .figures {
    display: contents;
  }
  .log-it {
    order: 1;
  }
  .picture,
  .bank,
  .readings {
    order: 2;
  }
  .words {
    font-size: 21px;
    line-height: 29px;
  }
  .now .plate {
    min-height: 58px;
  }
  .verb {
    flex: 1 1 100%;
    justify-items: stretch;
  }
  .huge {
    font-size: 96px;
    line-height: 98px;
  }
  .swatches {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
  .fields form {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
