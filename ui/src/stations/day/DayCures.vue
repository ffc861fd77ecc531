<script setup lang="ts">
import { computed } from 'vue'
import type { CureOut, DayIn, DayOut } from '@/api/client'
import { clock } from '@/say'
import { kitchenMinute } from '@/shell/minute'
import { typed } from '@/stations/sweets/serving'
import { spanOf, sweetsOf, sweetsSaid, type DaySweet, type DayWords } from './day'

/** Of a day that is late: single changes that were tried, each with what it leaves late; a touch takes one. */
const props = defineProps<{
  cures: CureOut[]
  plan: DayOut
  body: DayIn | undefined
  words: DayWords
  looking: boolean
}>()
const emit = defineEmits<{ change: [words: Partial<DayWords>] }>()

const helps = computed(() => props.cures.filter((c) => c.late_min < props.plan.late_min))
const useless = computed(() => props.cures.filter((c) => c.late_min >= props.plan.late_min))
const sweets = computed(() => sweetsOf(props.words.sweets))
const asSaid = (change: DaySweet[]) => ({ sweets: sweetsSaid(change) })

/** What of the words it changes; nothing when it cannot be taken with a touch. */
function cure(c: CureOut): Partial<DayWords> | undefined {
  const at = c.of ? Number(c.of) : -1
  const said = (seconds: number) => typed(seconds * 1000, kitchenMinute.value)
  switch (c.what) {
    case 'without':
      return asSaid(sweets.value.filter((_, i) => i !== at))
    case 'through':
      return { away: '' }
    case 'later': {
      if (!c.of) return props.body && { serve: said(props.body.serve_s + c.minutes * 60) }
      const due = said(props.plan.sweets[at]!.due_s + c.minutes * 60)
      return asSaid(sweets.value.map((s, i) => (i === at ? { ...s, due } : s)))
    }
    case 'helper':
      return {
        helper: `${clock(props.plan.end_s - c.minutes * 60)}–${clock(props.plan.end_s)}`,
      }
    case 'burner':
      return props.words.burners ? { burners: '' } : undefined
    default:
      return undefined
  }
}
</script>

<template>
  <section class="tray" aria-label="What would help">
    <p class="legend"><b>what would help</b></p>
    <ul>
      <li v-for="c in helps" :key="c.said">
        <button v-if="cure(c)" type="button" class="plate line" @click="emit('change', cure(c)!)">
          {{ c.said }}
        </button>
        <b v-else>{{ c.said }}</b>
        <span class="soft">{{
          c.late_min ? `then ${spanOf(c.late_min)} late` : 'then all is on time'
        }}</span>
      </li>
    </ul>
    <p v-if="!helps.length && !looking" class="soft">No single change that was tried helps.</p>
    <p v-if="useless.length" class="soft">
      Would not help: {{ useless.map((c) => c.said.toLowerCase()).join('; ') }}.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 12px 28px;
}
li {
  display: grid;
  gap: 2px;
  justify-items: start;
}
</style>
