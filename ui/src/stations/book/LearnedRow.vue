<script setup lang="ts">
import { computed, ref } from 'vue'
import type { LearnedNumber } from '@/api/client'
import { day, percent } from '@/say'
import LearnedBar from './LearnedBar.vue'
import { scaled, trust, unitOf } from './learned'

/** One number of the kitchen, the batches that it rests on, and what may be done with it. */
const props = defineProps<{ number: LearnedNumber; end: number }>()
const emit = defineEmits<{
  own: [what: 'freeze' | 'thaw' | 'anew' | 'all']
  leave: [batch: number]
}>()
const open = ref(false)
const here = computed(() => scaled(props.number.times, unitOf(props.number)))
const table = computed(() => scaled(props.number.table_times, unitOf(props.number)))
</script>

<template>
  <li :class="{ unsure: number.batches < 2 }">
    <span class="name">{{ number.name }}</span>
    <b class="figure">{{ Math.round(here.likely) }}</b>
    <LearnedBar :value="here" :table="table" :end="end" :known="number.batches > 0" />
    <span class="trust"
      >{{ trust(number) }}<template v-if="number.frozen">, frozen</template
      ><template v-else-if="number.anew_s">, since {{ day(number.anew_s) }}</template></span
    >
    <button type="button" class="touch" :aria-expanded="open" @click="open = !open">
      {{ open ? 'less' : 'what it rests on'
      }}<span class="visually-hidden">: {{ number.name }}</span>
    </button>
    <div v-if="open" class="more">
      <ul>
        <li v-for="t in number.taught_by" :key="t.batch">
          <RouterLink :to="`/book/${t.batch}`">{{ t.name }}</RouterLink>
          <span class="soft">{{ day(t.at_s) }}</span>
          <span>{{ percent(t.times) }} of the table</span>
          <span v-if="t.aside" class="aside">set aside: too far from the others</span>
          <button type="button" class="touch" @click="emit('leave', t.batch)">
            leave it out<span class="visually-hidden">: {{ t.name }}</span>
          </button>
        </li>
      </ul>
      <p class="acts">
        <button v-if="!number.frozen" type="button" class="touch" @click="emit('own', 'freeze')">
          keep it as it is
        </button>
        <button v-else type="button" class="touch" @click="emit('own', 'thaw')">
          let it learn again
        </button>
        <button type="button" class="touch" @click="emit('own', 'anew')">begin it anew</button>
        <button
          v-if="number.anew_s !== null || number.frozen"
          type="button"
          class="touch"
          @click="emit('own', 'all')"
        >
          all batches again
        </button>
      </p>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 70px minmax(0, 1.5fr) 180px 104px;
  gap: 4px 16px;
  align-items: center;
  padding: 6px 0;
}
.name {
  font: 550 17px/22px var(--words);
}
.figure {
  font-size: 26px;
  line-height: 30px;
  font-weight: 700;
  text-align: right;
}
.unsure .figure {
  color: var(--ink-soft);
}
.trust {
  font-size: 14.5px;
  color: var(--ink-soft);
}
.more {
  grid-column: 1 / -1;
  padding: 2px 0 10px 16px;
  border-left: 3px solid var(--ridge);
}
.more li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 0;
}
.aside {
  color: var(--saffron-ink);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: minmax(0, 1fr) max-content;
    gap: 2px 16px;
  }
  .bar {
    grid-column: 1 / -1;
  }
}
</style>
