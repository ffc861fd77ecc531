<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap, type ApiProblem } from '@/api/client'
import { may } from '@/door/me'
import { clock, day } from '@/say'

/** The computer's clock was set while milk was on the fire: which of the two times is right, the cook says. */
const client = useQueryClient()
const asked = useQuery({
  queryKey: ['clock'],
  queryFn: () => unwrap(api.GET('/api/clock')),
  refetchInterval: 60_000,
})
/** Seen, and left as it is. */
const left = ref(0)
const off = computed(() => asked.data.value?.off_s ?? 0)
const shown = computed(() => off.value !== 0 && Math.abs(off.value - left.value) > 60)
function when(s: number): string {
  const kitchen = asked.data.value?.now_s ?? s
  return day(s) === day(kitchen) ? clock(s) : `${clock(s)} on ${day(s)}`
}
const take = useMutation<unknown, ApiProblem>({
  mutationFn: () => unwrap(api.POST('/api/clock/take', { body: {} })),
  onSuccess: () => client.invalidateQueries(),
})
</script>

<template>
  <div v-if="shown && asked.data.value" class="clock" role="status">
    <p>
      The computer’s clock was set: it says <b>{{ when(asked.data.value.now_s + off) }}</b>, this
      kitchen goes on with <b>{{ clock(asked.data.value.now_s) }}</b>. No minute of what is on the
      fire is lost. If the computer is right, the times in the log of all that runs move with it.
    </p>
    <div class="answers">
      <button v-if="may('cook')" type="button" class="touch" @click="take.mutate()">
        The computer is right
      </button>
      <button type="button" class="touch" @click="left = off">The kitchen is right</button>
    </div>
    <p v-if="take.error.value" class="problem" role="alert">{{ take.error.value.message }}</p>
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  max-width: 1336px;
  margin: 12px auto 0;
  padding: 0 32px;
  font-size: 16px;
}
p {
  flex: 1 1 420px;
  margin: 0;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}
.touch {
  min-height: 40px;
}
@media (max-width: 900px) {
  .clock {
    padding: 0 16px;
  }
}
</style>
