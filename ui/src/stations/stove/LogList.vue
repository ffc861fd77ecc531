<script setup lang="ts">
import { clock, logged } from '@/say'

/** What happened, newest first, with the keys that take back, hush and give up. */
defineProps<{
  log: { event_id: number; at_s: number; text: string; undone: boolean }[]
  undoId: number | null
  hushed: boolean
  running: boolean
}>()
const emit = defineEmits<{ undo: []; hush: []; giveUp: []; all: [] }>()
</script>

<template>
  <div>
    <ol class="log" aria-label="What happened">
      <li v-for="l in log.slice(0, 9)" :key="l.event_id" :class="{ undone: l.undone }">
        <time>{{ clock(l.at_s) }}</time> {{ logged(l) }}{{ l.undone ? ', undone' : '' }}
      </li>
    </ol>
    <p class="acts">
      <button type="button" class="plate line" :disabled="!undoId" @click="emit('undo')">
        Undo <kbd>U</kbd>
      </button>
      <button type="button" class="touch" @click="emit('all')">All that happened</button>
      <template v-if="running">
        <button type="button" class="touch" :aria-pressed="hushed" @click="emit('hush')">
          {{ hushed ? 'Sounds again' : 'Quiet' }} <kbd>Q</kbd>
        </button>
        <button type="button" class="touch" @click="emit('giveUp')">Give it up</button>
      </template>
    </p>
  </div>
</template>

<style scoped>
.log {
  margin-bottom: 12px;
}
.log li {
  display: flex;
  gap: 14px;
  line-height: 25px;
}
.log time {
  color: var(--ink-soft);
}
.undone {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
</style>
