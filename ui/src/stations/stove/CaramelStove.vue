<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useCaramel } from '@/api/kitchen'
import CaramelPool from '@/caramel/CaramelPool.vue'
import PoursBank from '@/caramel/PoursBank.vue'
import ShadeRow from '@/caramel/ShadeRow.vue'
import type { SeenShade } from '@/caramel/shades'
import FormField from '@/form/FormField.vue'
import PanDrawing from '@/pan/PanDrawing.vue'
import { grams } from '@/say'
import { useKeys } from '@/shell/keys'
import { ran } from '@/shell/now'
import { caramelAgain } from '@/stations/bench/again'
import ReadingsTray from '@/stations/book/ReadingsTray.vue'
import InstrumentsTray from './InstrumentsTray.vue'
import LogList from './LogList.vue'
import PutOff from './PutOff.vue'
import CaramelFigures from './CaramelFigures.vue'
import { caramelWords } from './caramel'
import { useLogging } from './logging'

/** Caramelised milk as it is made: the sugar from above with its shades, the pours in their order, then the pan and its weight. */
const route = useRoute()
const caramel = useCaramel(() => Number(route.params.id))
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
const row = ref<InstanceType<typeof ShadeRow>>()
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
    run: () => hot.value && row.value?.focus(),
  },
  ...keys(() => mayPause.value),
])
</script>

<template>
  <div class="page stove">
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
          <RouterLink to="/stove">the Stove</RouterLink><b>{{ b.name }}</b>
          <RouterLink v-if="b.parent_id" :to="`/stove/sweet/${b.parent_id}`">its sweet</RouterLink>
        </p>
        <p class="words">
          <b>{{ words.act }}</b> {{ words.then }}
          <RouterLink v-if="b.phase === 'weighed'" :to="caramelAgain(b)"
            >Again, like this time.</RouterLink
          >
        </p>
        <div v-if="words.verb || mayPause" class="verb">
          <button v-if="words.verb" type="button" class="plate" @click="act">
            {{ words.verb }} <kbd>O</kbd>
          </button>
          <PutOff
            :paused="b.paused_at_s !== null"
            :may-pause="mayPause"
            :due="Boolean(due)"
            :later="due?.kind === 'hazard' ? 'I see it: 90 seconds' : 'In a minute'"
            @pause="pause"
            @later="later"
          />
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
          <CaramelFigures :batch="b" :celsius="celsius" :gone="gone" />
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
            <ShadeRow ref="row" :likely="b.shade" :seen="!told" @saw="saw" />
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
            :batch="b"
            :running="!b.finished"
            @undo="undo"
            @hush="hush"
            @give-up="tell({ kind: 'abandoned' })"
          />
        </div>
      </section>
      <InstrumentsTray v-model:pairing="pairing" class="readings" :batch="b" @tell="tell" />
      <ReadingsTray class="readings" :batch-id="b.id" />
    </template>
  </div>
</template>

<style scoped src="./running.css"></style>
<style scoped>
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
.log-it {
  grid-template-columns: minmax(0, 1fr) 320px;
}
.fields {
  display: grid;
  gap: 10px;
  align-content: start;
}
.ask {
  font: 400 21px/28px var(--words);
}
.fields form {
  grid-template-columns: minmax(0, 460px) max-content;
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
  .verb {
    flex: 1 1 100%;
    justify-items: stretch;
  }
  .fields form {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
