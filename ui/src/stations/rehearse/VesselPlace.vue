<script setup lang="ts">
import { computed } from 'vue'
import { cm, weight } from '@/say'
import HandPlate from './HandPlate.vue'
import type { Done, Shown, Vessel } from './rehearsal'
import VesselDrawing from './VesselDrawing.vue'

/** One rehearsed vessel: drawn, seen, read, and what hands can do to it. */
const props = defineProps<{
  vessel: Vessel
  busy: boolean
  away: boolean
  narrow: boolean
  top: number
}>()
const emit = defineEmits<{ do: [done: Done] }>()

function figure(i: Shown): { figure: string; unit: string } {
  if (i.value === null) return { figure: '–', unit: '' }
  if (i.unit === 'kg') {
    const said = weight(i.value).split(' ')
    return { figure: said.slice(0, -1).join(' '), unit: said.at(-1)! }
  }
  if (i.unit === 'm') return { figure: cm(i.value), unit: 'cm' }
  return { figure: i.value.toFixed(1).replace('-', '−'), unit: i.unit }
}
const pressing = computed(() => props.vessel.sees.filter((s) => s.calls))
const rest = computed(() => props.vessel.sees.filter((s) => !s.calls))
const label = computed(
  () => `${props.vessel.name}: ${props.vessel.sees.map((s) => s.says).join(' ')}`,
)
const stopped = computed(() => props.busy || props.away || props.vessel.elsewhere_s > 0)
</script>

<template>
  <section class="vessel" :class="{ narrow, over: vessel.done }" :aria-label="vessel.name">
    <div class="drawn">
      <h2 v-if="narrow" class="heading">{{ vessel.name }}</h2>
      <VesselDrawing :kind="vessel.kind" :view="vessel.view" :label="label" :top="top" />
    </div>
    <div class="told">
      <p v-if="vessel.done" class="heading">Done.</p>
      <template v-else>
        <div v-if="vessel.instruments.length" class="figures">
          <p v-for="i in vessel.instruments" :key="i.channel">
            <b>{{ figure(i).figure }}</b> <span>{{ figure(i).unit }}</span>
            <span class="soft">{{ i.value === null ? `${i.name} shows nothing` : i.name }}</span>
          </p>
        </div>
        <ul class="sees" aria-label="What you see">
          <li v-for="s in pressing" :key="s.says" class="calls">{{ s.says }}</li>
          <li v-for="s in rest" :key="s.says">{{ s.says }}</li>
        </ul>
        <p v-if="narrow" class="soft elsewhere">
          <template v-if="vessel.elsewhere_s > 0"
            >Your hands are elsewhere for {{ vessel.elsewhere_s }} s.</template
          >
        </p>
        <div class="hands">
          <HandPlate
            v-for="h in vessel.hands"
            :key="h.do"
            :class="{ whole: h.unit || h.flames }"
            :hand="h"
            :flame="vessel.view.flame ?? 0"
            :busy="stopped"
            @do="emit('do', $event)"
          />
        </div>
      </template>
    </div>
  </section>
</template>

<style scoped>
.vessel {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr);
  gap: 10px 44px;
  align-items: end;
}
.vessel.narrow {
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
}
.drawn {
  max-width: 560px;
}
.narrow .drawn {
  max-width: 300px;
}
.over {
  opacity: 0.55;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 0 34px;
}
.figures b {
  font-size: 84px;
  line-height: 84px;
  font-weight: 700;
  font-stretch: 90%;
  letter-spacing: -3px;
}
.narrow .figures b {
  font-size: 46px;
  line-height: 50px;
  letter-spacing: -1px;
}
.figures span {
  font-size: 22px;
}
.figures .soft {
  display: block;
  font-size: 15px;
}
.sees {
  margin: 4px 0 12px;
  font: 500 22px/31px var(--words);
}
.narrow .sees {
  font-size: 18px;
  line-height: 25px;
}
.calls {
  font-weight: 700;
  font-size: 1.18em;
}
.elsewhere {
  min-height: 22px;
}
.hands {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.whole {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .vessel {
    grid-template-columns: minmax(0, 1fr);
  }
  .drawn {
    max-width: 240px;
    margin: 0 auto;
  }
  .figures b {
    font-size: 60px;
    line-height: 62px;
  }
}
</style>
