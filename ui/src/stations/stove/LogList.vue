<script setup lang="ts">
import { ref } from 'vue'
import type { LiveAny } from '@/api/kitchen'
import { NModal } from 'naive-ui'
import { clock, logged } from '@/say'
import LogDialog from './LogDialog.vue'

/** What happened, newest first, with the keys that take back, hush and give up; and all of it, to mend. */
defineProps<{ batch: LiveAny; running: boolean }>()
const emit = defineEmits<{ undo: []; hush: []; giveUp: [] }>()
const reviewing = ref(false)
</script>

<template>
  <div>
    <ol class="log" aria-label="What happened">
      <li v-for="l in batch.log.slice(0, 9)" :key="l.event_id" :class="{ undone: l.undone }">
        <time>{{ clock(l.at_s) }}</time> {{ logged(l) }}{{ l.undone ? ', undone' : '' }}
      </li>
    </ol>
    <p class="acts">
      <button type="button" class="plate line" :disabled="!batch.undo_id" @click="emit('undo')">
        Undo <kbd>U</kbd>
      </button>
      <button type="button" class="touch" @click="reviewing = true">All that happened</button>
      <RouterLink class="touch" :to="{ path: '/book/mend', query: { of: batch.id } }"
        >What went wrong?</RouterLink
      >
      <template v-if="running">
        <button type="button" class="touch" :aria-pressed="batch.hushed" @click="emit('hush')">
          {{ batch.hushed ? 'Sounds again' : 'Quiet' }} <kbd>Q</kbd>
        </button>
        <button type="button" class="touch" @click="emit('giveUp')">Give it up</button>
      </template>
    </p>
    <NModal v-model:show="reviewing">
      <LogDialog :batch="batch" @done="reviewing = false" />
    </NModal>
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
