<script setup lang="ts">
import { computed, toRef } from 'vue'
import { stopwatch } from '@/say'
import ClockLine from './ClockLine.vue'
import { usePanSound } from './panSound'
import { useDo, type LiveRehearsal } from './rehearsal'
import { topOf } from './vesselDrawings'
import VesselPlace from './VesselPlace.vue'

/** A lesson or a plan on simulated milk: every vessel with what is seen of it, and the hands for it. */
const props = defineProps<{ rehearsal: LiveRehearsal }>()
const doing = useDo(() => props.rehearsal.id)
const vessels = computed(() => props.rehearsal.vessels)
/** Vessels beside one another stand on one line. */
const top = computed(() => Math.min(...vessels.value.map((v) => topOf(v.view))))
usePanSound(
  vessels,
  toRef(() => props.rehearsal.speed === 0),
)
</script>

<template>
  <section class="tray" aria-label="The rehearsal">
    <p class="legend">
      <RouterLink to="/stove/rehearse">Rehearse</RouterLink>
      <b>{{ rehearsal.name }}</b>
    </p>
    <p class="legend right soft">{{ rehearsal.level_says }}, seed {{ rehearsal.seed }}</p>
    <p v-if="rehearsal.lesson" class="answer good">{{ rehearsal.lesson.good }}</p>
    <ClockLine :rehearsal="rehearsal" @do="doing.mutate($event)" />
  </section>
  <p v-if="rehearsal.away" class="away" role="status">
    You are away: {{ rehearsal.away.who }} has you for another
    <b>{{ stopwatch(rehearsal.away.left_s) }}</b>.
  </p>
  <p v-if="doing.error.value" class="problem" role="alert">{{ doing.error.value.message }}</p>
  <div class="vessels" :class="{ several: vessels.length > 1 }">
    <VesselPlace
      v-for="(v, i) in vessels"
      :key="i"
      :vessel="v"
      :busy="doing.isPending.value"
      :away="rehearsal.away !== null"
      :narrow="vessels.length > 1"
      :top="top"
      @do="doing.mutate({ hand: { ...$event, of: i } })"
    />
  </div>
</template>

<style scoped>
.good {
  margin-bottom: 6px;
}
.away {
  margin: 10px 0 0;
  padding: 6px 18px 4px;
  border-radius: 12px;
  background: var(--madder);
  color: var(--enamel);
  font: 600 21px/30px var(--words);
}
.vessels {
  margin: 18px 4px 20px;
}
.several {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 24px 34px;
}
@media (max-width: 900px) {
  .legend.right {
    display: none;
  }
  .vessels {
    margin: 14px 0;
  }
}
</style>
