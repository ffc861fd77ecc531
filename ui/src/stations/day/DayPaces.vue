<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap, type DayIn, type DayOut } from '@/api/client'
import { kitchenMinute } from '@/shell/minute'
import { moment } from '@/stations/sweets/serving'
import { numberWord, ofTwenty, spanOf } from './day'
import DayMini from './DayMini.vue'
import { useLook } from './look'

/** The day at both paces, side by side: each step in the minutes it likely takes, or with room at each. */
const props = defineProps<{ body: DayIn; plan: DayOut }>()
const emit = defineEmits<{ take: [pace: DayIn['pace']] }>()
const LOOKS_S = 3
const NAMES = { calm: 'Close', roomy: 'Roomy' } as const
const SAYS = {
  calm: 'Every step in the minutes it likely takes.',
  roomy: 'Every step with minutes to spare, and a tenth more.',
} as const

const open = ref(false)
const other = computed<DayIn['pace']>(() => (props.body.pace === 'roomy' ? 'calm' : 'roomy'))
const asked = computed(() => JSON.stringify({ ...props.body, pace: other.value }))
const answer = useQuery({
  queryKey: ['day', asked],
  queryFn: ({ signal }) =>
    unwrap(api.POST('/api/day/plan', { body: JSON.parse(asked.value) as DayIn, signal })),
  enabled: open,
  retry: false,
  staleTime: Infinity,
})
const { better, looking, look, forget } = useLook()
watch(
  () => answer.data.value,
  (first) => {
    forget()
    if (first && open.value) void look(JSON.parse(asked.value) as DayIn, first, LOOKS_S)
  },
  { immediate: true },
)
const shown = computed(() => {
  const beside = better.value ?? answer.data.value
  const mine = props.body.pace ?? 'calm'
  const both = { [mine]: props.plan, [other.value!]: beside } as Record<string, DayOut | undefined>
  return (['calm', 'roomy'] as const).flatMap((pace) => {
    const plan = both[pace]
    return plan ? [{ pace, plan, mine: pace === mine }] : []
  })
})
const first = computed(() => Math.min(...shown.value.map((s) => s.plan.start_s)))
const last = computed(() => Math.max(...shown.value.map((s) => s.plan.end_s)))
</script>

<template>
  <section class="tray" aria-label="Close or roomy">
    <p class="legend"><b>close or roomy</b></p>
    <button v-if="!open" type="button" class="touch" @click="open = true">
      Lay a {{ other === 'roomy' ? 'roomier' : 'closer' }} plan beside it
    </button>
    <p v-else-if="answer.error.value" class="problem" role="alert">
      {{ answer.error.value.message }}
    </p>
    <div v-else class="pair" role="status">
      <article v-for="s in shown" :key="s.pace" :class="{ mine: s.mine }">
        <h2>
          {{ NAMES[s.pace] }}<span class="soft">{{ SAYS[s.pace] }}</span>
        </h2>
        <DayMini :plan="s.plan" :first="first" :last="last" />
        <p class="told">
          <template v-if="s.plan.late_min"
            ><b class="late">{{ spanOf(s.plan.late_min) }} late</b>;
          </template>
          begin <b>{{ moment(s.plan.start_s * 1000, kitchenMinute) }}</b>, on your feet
          <b>{{ spanOf(s.plan.standing_min) }}</b> in
          {{ numberWord(s.plan.sittings.length) }}
          {{ s.plan.sittings.length === 1 ? 'go' : 'goes' }}, all on time
          <b>{{ ofTwenty(s.plan.chance) }}</b> times.
        </p>
        <p v-if="s.mine" class="soft">This is the one that is shown.</p>
        <button v-else type="button" class="plate line" @click="emit('take', s.pace)">
          Take the {{ s.pace === 'roomy' ? 'roomy' : 'close' }} one
        </button>
      </article>
      <p v-if="answer.isFetching.value || looking" class="soft">Looking for a calmer way…</p>
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 18px 44px;
}
article {
  display: grid;
  gap: 10px;
  align-content: start;
  justify-items: start;
}
h2 {
  font: 700 24px/30px var(--words);
}
h2 .soft {
  margin-left: 12px;
  font: 450 15px/22px var(--figures);
}
.told {
  font: 400 20px/29px var(--words);
}
.told b {
  font-weight: 700;
}
.late {
  color: var(--madder);
}
</style>
