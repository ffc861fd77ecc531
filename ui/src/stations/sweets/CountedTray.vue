<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import type { SweetIn, SweetOut } from '@/api/client'
import { useLarder } from '@/api/kitchen'
import * as say from '@/say'
import FormField from '@/form/FormField.vue'
import ChoiceRow from '@/form/ChoiceRow.vue'
import WhyWord from '@/sentence/WhyWord.vue'
import CoolCheck from './CoolCheck.vue'
import type { SweetWords } from './sweet'

/** What a piece costs and holds, how long it keeps, and the words for its box. */
const props = defineProps<{ answer: SweetOut; plan: SweetIn }>()
const words = defineModel<SweetWords>('words', { required: true })
const emit = defineEmits<{ keep: [change?: Partial<SweetWords>] }>()
const f = computed(() => props.answer)
const larder = useLarder()
const money = (x: number) => say.money(x, larder.data.value?.kitchen.currency ?? 'INR')
const n = computed(() => f.value.nutrients)
const { copy, copied } = useClipboard({ legacy: true, copiedDuring: 60_000 })
const priced = computed(() => f.value.cost.ingredients > 0)
</script>

<template>
  <section class="tray counted" aria-label="Counted">
    <p class="legend">
      <b>Counted, for one {{ f.one }}</b>
    </p>
    <div>
      <h2 class="heading">Cost</h2>
      <template v-if="priced">
        <p v-if="f.cost.partial" class="partial">
          {{ money(f.cost.total) }} so far: a main thing has no price yet.
        </p>
        <p v-else class="figure">
          {{ money(f.cost.each) }} <span>for one, {{ money(f.cost.total) }} in all</span>
        </p>
        <p v-if="f.cost.unpriced.length" class="soft">
          Without {{ f.unpriced.join(', ') }}: give their pack and price in the
          <RouterLink to="/larder">Larder</RouterLink>.
        </p>
        <dl>
          <dt>ingredients</dt>
          <dd>{{ money(f.cost.ingredients) }}</dd>
          <dt>fuel</dt>
          <dd>
            <template v-if="f.cost.fuel">{{ money(f.cost.fuel) }}, </template
            >{{ Math.round(f.cost.heat.lpg_g) }} g LPG or {{ f.cost.heat.kwh.toFixed(2) }} kWh
          </dd>
          <template v-if="f.cost.own_time">
            <dt>your time</dt>
            <dd>{{ money(f.cost.own_time) }}</dd>
          </template>
          <template v-if="!f.cost.partial">
            <dt>ask</dt>
            <dd>
              <b>{{ money(f.cost.sell_each) }}</b> to keep {{ words.margin || 25 }} %
            </dd>
          </template>
          <template v-if="f.cost.bought_each !== null && !f.cost.partial">
            <dt>in the shop</dt>
            <dd>
              {{ money(f.cost.bought_each) }};
              {{ f.cost.saved! >= 0 ? 'you save' : 'it costs you' }}
              {{ money(Math.abs(f.cost.saved!)) }}
            </dd>
          </template>
        </dl>
      </template>
      <p v-else class="soft">
        Give packs and prices in the <RouterLink to="/larder">Larder</RouterLink>, and a piece is
        priced here.
      </p>
      <details>
        <summary>Prices and margin</summary>
        <form class="fields" @submit.prevent="emit('keep')">
          <ChoiceRow
            :choices="[
              { value: 'gas', text: 'gas' },
              { value: 'electric', text: 'electric' },
            ]"
            :model-value="words.fuel"
            label="Fuel"
            @update:model-value="(v: string) => emit('keep', { fuel: v })"
          />
          <FormField
            v-model="words.fuelprice"
            :label="words.fuel === 'gas' ? 'A kg of LPG' : 'A kWh'"
          />
          <FormField v-model="words.hour" label="An hour of mine" />
          <FormField v-model="words.bought" label="Bought, a kg" />
          <FormField v-model="words.margin" label="Margin, %" />
          <button type="submit" class="plate line">Count it</button>
        </form>
      </details>
    </div>
    <div>
      <h2 class="heading">In it</h2>
      <p class="figure">
        {{ Math.round(n.kcal) }} <span>kcal, {{ Math.round(n.kj) }} kJ</span>
      </p>
      <dl>
        <dt>fat</dt>
        <dd>{{ n.fat_g.toFixed(1) }} g</dd>
        <dt>protein</dt>
        <dd>{{ n.protein_g.toFixed(1) }} g</dd>
        <dt>carbohydrate</dt>
        <dd>{{ n.carbohydrate_g.toFixed(1) }} g</dd>
        <dt>sugars</dt>
        <dd>{{ n.sugars_g.toFixed(1) }} g, {{ n.added_sugar_g.toFixed(1) }} g added</dd>
        <dt>sweet</dt>
        <dd>
          {{ f.band ? `${f.band}: ` : '' }}{{ f.sweetness.toFixed(0) }} warm, feels like
          {{ (f.frozen?.answer.felt_sweetness ?? f.felt_sweetness).toFixed(0) }} cold
        </dd>
      </dl>
      <p>
        <b class="danger">{{
          f.allergens.length ? `Contains ${f.allergens.join(', ')}.` : 'No named allergen.'
        }}</b>
        Labels win.
      </p>
      <details>
        <summary>Words for the box</summary>
        <pre tabindex="0">{{ f.label }}</pre>
        <button type="button" class="plate line" @click="copy(f.label)">
          {{ copied ? 'Copied' : 'Copy' }}
        </button>
      </details>
    </div>
    <div>
      <h2 class="heading">Keeping</h2>
      <template v-if="f.frozen">
        <p class="figure">
          {{ f.keeping.freezer_days }} <span>days at −18 °C at its best, wrapped</span>
        </p>
        <p>
          Never freeze it again. Sand: {{ f.frozen.answer.sand.word }}; ice:
          {{ f.frozen.answer.iciness.word }} ({{ Math.round(f.frozen.answer.iciness.figure) }} of
          100).
        </p>
      </template>
      <template v-else>
        <p class="figure">
          {{ f.keeping.fridge_days }}
          <span>{{ f.keeping.fridge_days === 1 ? 'day' : 'days' }} at or below 5 °C</span>
        </p>
        <p>
          In this room {{ f.keeping.room_h }} {{ f.keeping.room_h === 1 ? 'hour' : 'hours' }} at
          most; frozen {{ f.keeping.freezer_days }} days. {{ f.keeping.why }}
        </p>
        <p v-if="f.grains !== 'low'">Lactose grains in the fridge: {{ f.grains }}.</p>
      </template>
      <p class="whys">
        <WhyWord :why="f.whys.keeping" text="why so long?" />
        <WhyWord :why="f.whys.cooling" text="why that fast?" />
      </p>
      <CoolCheck :plan="plan" :answer="f" />
      <details v-if="!f.frozen">
        <summary>Weighed it? Drier classes ask for it</summary>
        <form class="fields" @submit.prevent="emit('keep')">
          <FormField v-model="words.finished" label="It weighs" words placeholder="680 g" />
          <button type="submit" class="plate line">Judge again</button>
        </form>
      </details>
      <p class="soft">
        For infants, the old, the ill and in pregnancy: on the day only. Selling needs your local
        registration; the law there comes first.
      </p>
    </div>
  </section>
</template>

<style scoped>
.counted {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 20px 0;
  margin-top: 22px;
}
.counted > div + div {
  border-left: 1px solid var(--ridge);
  padding-left: 26px;
}
.counted > div {
  padding-right: 26px;
}
.figure {
  font-size: 32px;
  line-height: 40px;
  font-weight: 680;
  font-stretch: 92%;
}
.partial {
  font-size: 19px;
  font-weight: 600;
  margin-bottom: 6px;
}
.figure span {
  font-size: 16px;
  font-weight: 450;
  font-stretch: 100%;
}
dl {
  display: grid;
  grid-template-columns: 104px 1fr;
  gap: 2px 12px;
  margin: 4px 0 8px;
}
dt {
  color: var(--ink-soft);
}
details {
  margin-top: 6px;
}
summary {
  color: var(--cobalt);
  font-weight: 550;
  cursor: pointer;
}
.fields {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
pre {
  white-space: pre-wrap;
  font: 450 14px/20px var(--figures);
  border: 1px solid var(--ridge);
  border-radius: 8px;
  padding: 8px 12px;
  margin: 8px 0;
}
.danger {
  color: var(--madder);
}
.whys {
  display: flex;
  gap: 14px;
}
@media (max-width: 900px) {
  .counted {
    grid-template-columns: minmax(0, 1fr);
  }
  .counted > div + div {
    border-left: 0;
    border-top: 1px solid var(--ridge);
    padding: 14px 0 0;
  }
  .counted > div {
    padding-right: 0;
  }
}
</style>
