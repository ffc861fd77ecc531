<script setup lang="ts">
import { computed } from 'vue'
import { SPEEDS } from '@/api/shared'
import { useKeys } from '@/shell/keys'
import { steadyNow } from '@/shell/now'
import { minute } from './account'
import { panSounding } from './panSound'
import { passed, type Doing, type LiveRehearsal, type Speed } from './rehearsal'

/** A rehearsal's own clock: how fast it runs, standing still, on to the next thing; and its sounds. */
const props = defineProps<{ rehearsal: LiveRehearsal }>()
const emit = defineEmits<{ do: [what: Doing] }>()

const time = computed(() => minute(passed(props.rehearsal, steadyNow.value)))
const left = computed(() => {
  const { serve_s } = props.rehearsal
  return serve_s === null ? null : serve_s - passed(props.rehearsal, steadyNow.value)
})
/** As fast as it ran before it was held. */
let ran: Speed = 10
const hold = () => {
  const now = props.rehearsal.speed as Speed
  if (now) ran = now
  emit('do', { speed: now ? 0 : ran })
}
const jump = () => emit('do', 'jump')
const named = (s: Speed) => (s === 0 ? 'hold' : `×${s}`)
useKeys([
  { key: 'h', does: 'hold the clock, or let it run', run: hold },
  { key: 'j', does: 'on to the next thing', run: jump },
])
</script>

<template>
  <p class="clock" role="group" aria-label="How fast time runs">
    <b>{{ time }}</b>
    <span v-if="left !== null" class="soft"
      >{{ minute(Math.abs(left)) }} {{ left >= 0 ? 'until supper' : 'past supper' }}</span
    >
    <button
      v-for="s in SPEEDS"
      :key="s"
      type="button"
      class="touch"
      :aria-pressed="rehearsal.speed === s"
      @click="emit('do', { speed: s })"
    >
      {{ named(s) }}
    </button>
    <button type="button" class="touch next" @click="jump">to the next thing <kbd>J</kbd></button>
    <button
      type="button"
      class="touch"
      :aria-pressed="panSounding"
      @click="panSounding = !panSounding"
    >
      {{ panSounding ? 'sounds on' : 'sounds off' }}
    </button>
  </p>
</template>

<style scoped>
.clock {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
.clock b {
  min-width: 3.2em;
  font-size: 26px;
  line-height: 34px;
  font-weight: 680;
}
[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
.next {
  margin-left: auto;
  font-weight: 650;
}
@media (max-width: 900px) {
  .clock {
    gap: 0 10px;
  }
  .next {
    margin-left: 0;
  }
  .clock .touch {
    min-width: 34px;
    min-height: 40px;
  }
}
</style>
