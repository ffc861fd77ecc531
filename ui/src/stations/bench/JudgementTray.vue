<script setup lang="ts">
import { computed } from 'vue'
import type { Forecast } from '@/api/client'
import { cm, grams, minutes, percent, volume, weight } from '@/say'
import WhyWord from '@/sentence/WhyWord.vue'

/** What a cook asks once the figures stand: tomorrow's thickness, sand, keeping, colour, what stays behind. */
const props = defineProps<{ forecast: Forecast }>()
const emit = defineEmits<{ stop: [words: string] }>()

const j = computed(() => props.forecast.judgement)
const inside = computed(() => j.value.named.filter((n) => n.inside && n.sugar_fits))
const worst = computed(() => j.value.crystals.at(-1)!)
const mildest = computed(() => j.value.crystals[0]!)
const sand = computed(() => {
  if (worst.value.risk < 0.2) return 'It will not turn sandy'
  const sure = worst.value.risk > 0.7 ? 'It turns sandy' : 'It may turn sandy'
  const better = mildest.value.risk < 0.25
  return `${sure} if left to cool still; ${better ? 'seeded and stirred it stays smooth' : 'seeded and stirred, less so'}`
})
const colour = computed(() => {
  const c = j.value.colour
  return c.low_name === c.high_name ? c.name : `${c.name} (${c.low_name} to ${c.high_name})`
})
const stirs = computed(() => {
  const from = j.value.continuous_from_s
  if (from !== null) return `from ${minutes(from)} min after the boil stir without a pause`
  return `stir at least every ${Math.round(j.value.shortest_stir_s)} s towards the end`
})
</script>

<template>
  <section class="tray judgement" aria-label="What to expect of it">
    <p class="legend"><b>What to expect of it</b></p>
    <div>
      <h2 class="heading">Tomorrow, from the fridge</h2>
      <p class="soft">To have it stand so cold, take it off here, while hot it still looks so:</p>
      <table>
        <thead class="visually-hidden">
          <tr>
            <th scope="col">cold</th>
            <th scope="col">stop at</th>
            <th scope="col">looks hot</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="e in j.early"
            :key="e.stage"
            :class="{ here: e.stage === forecast.cold.stage }"
          >
            <th scope="row">
              <button type="button" class="touch" @click="emit('stop', `${e.name} cold`)">
                {{ e.name }}
              </button>
            </th>
            <td>
              <b>{{ cm(e.depth_m) }} cm</b>, {{ weight(e.product_kg) }}
            </td>
            <td class="soft">{{ e.hot_name }}</td>
          </tr>
        </tbody>
      </table>
      <WhyWord :why="forecast.whys.early" text="why so early?" />
    </div>
    <div class="told">
      <h2 class="heading">What it is, and how it keeps</h2>
      <dl>
        <dt>It is</dt>
        <dd>
          <template v-if="inside.length">
            <b>{{ inside.map((n) => n.name).join(', or ') }}</b> by its milk solids; usually
            {{ inside[0]!.looks }}.
            <span class="soft">{{ inside[0]!.basis }}.</span>
          </template>
          <template v-else
            >between the named stops, milk part at {{ percent(j.milk_part) }} solids.</template
          >
        </dd>
        <dt>Keeping</dt>
        <dd>
          {{ j.keeping.words }}
          <span class="soft"
            >Water activity {{ j.keeping.water_activity.likely.toFixed(2) }}, sugar
            {{ Math.round(j.keeping.sugar_number) }} % of its water phase.
          </span>
          <template v-if="j.keeping.sugar_crystals">
            <b class="warn">Sugar crystals:</b> too much sugar for its water.
          </template>
          <WhyWord :why="forecast.whys.keeping" text="why?" />
        </dd>
        <template v-if="j.sweetened">
          <dt>Sweetened</dt>
          <dd>
            The sugar takes {{ volume(j.sweetened.adds_m3) }} of room;
            {{
              j.sweetened.cold_without === j.sweetened.cold_with
                ? 'cold it stays in the same stage'
                : `without it, cold: ${j.sweetened.cold_without}`
            }}. To boil that room away again takes {{ minutes(j.sweetened.back_s) }} min.
          </dd>
        </template>
        <dt>Sand</dt>
        <dd>{{ sand }}. <WhyWord :why="forecast.whys.crystals" text="why?" /></dd>
        <dt>Colour</dt>
        <dd>
          {{ colour
          }}<template v-if="forecast.sugar_name !== 'white sugar' && forecast.sugar_kg">
            and the {{ forecast.sugar_name }}’s own</template
          >. <WhyWord :why="forecast.whys.colour" text="why?" />
        </dd>
        <dt>Sticking</dt>
        <dd>{{ stirs }}. <WhyWord :why="forecast.whys.stir" text="why?" /></dd>
        <dt>Left behind</dt>
        <dd>
          {{ grams(j.losses.scraped_kg) }} scraped, {{ grams(j.losses.unscraped_kg) }} if not;
          {{ grams(j.losses.cooling_open_kg) }} of steam if it cools uncovered.
          <WhyWord :why="forecast.whys.losses" text="why?" />
        </dd>
        <dt>This pan</dt>
        <dd>
          Half the milk stands at {{ percent(j.halves.half_volume_at_depth) }} of the depth; half
          the depth holds only {{ percent(j.halves.half_depth_holds) }}.
          <WhyWord :why="forecast.whys.halves" text="why?" />
        </dd>
        <template v-if="j.split">
          <dt>Oil</dt>
          <dd>
            As hot as this it <b :class="{ warn: j.split.planned > 0.4 }">{{ j.split.words }}</b>;
            split index {{ j.split.planned.toFixed(2) }}, at a bare movement
            {{ j.split.gentle.toFixed(2) }}. Low confidence.
          </dd>
        </template>
        <template v-if="forecast.cautions.length > 1">
          <dt>Mind</dt>
          <dd>
            <p v-for="c in forecast.cautions.slice(1)" :key="c.title">
              <b :class="{ warn: c.severity === 'danger' }">{{ c.title }}</b> {{ c.text }}
            </p>
          </dd>
        </template>
      </dl>
    </div>
  </section>
</template>

<style scoped>
.judgement {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1fr);
  gap: 40px;
}
table {
  width: 100%;
  margin: 6px 0 4px;
  border-collapse: collapse;
}
th,
td {
  padding: 3px 10px 1px 0;
  text-align: left;
  font-weight: 400;
}
tbody tr {
  border-top: 1px solid var(--ridge);
}
.here {
  background: var(--cobalt-wash);
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 5px 16px;
  margin-top: 6px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.warn {
  color: var(--madder);
}
@media (max-width: 900px) {
  .judgement {
    grid-template-columns: minmax(0, 1fr);
    gap: 22px;
  }
}
</style>
