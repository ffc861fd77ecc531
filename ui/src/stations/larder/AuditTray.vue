<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import { did, who } from '@/door/audit'
import { clock, day } from '@/say'

/** What was done at the door, to the Larder and to the copies. */
const SHOWN = 8
const asked = useQuery({
  queryKey: ['audit'],
  queryFn: () => unwrap(api.GET('/api/audit', { params: { query: { limit: 200 } } })),
  refetchInterval: 10_000,
  retry: false,
})
const all = ref(false)
const lines = computed(() => asked.data.value?.lines ?? [])
const shown = computed(() => (all.value ? lines.value : lines.value.slice(0, SHOWN)))
</script>

<template>
  <section v-if="lines.length" class="tray" aria-label="What was done">
    <p class="legend">
      <b>What was done</b> <span class="soft">at the door, to the Larder, to the copies</span>
    </p>
    <ol>
      <li v-for="(line, i) in shown" :key="`${line.at_s} ${i}`">
        <time>{{ day(line.at_s) }}, {{ clock(line.at_s) }}</time>
        <span
          ><b>{{ who(line) }}</b> {{ did(line) }}</span
        >
      </li>
    </ol>
    <button v-if="lines.length > SHOWN && !all" type="button" class="touch" @click="all = true">
      All {{ lines.length }}
    </button>
  </section>
</template>

<style scoped>
.tray {
  margin-top: 26px;
}
li {
  display: grid;
  grid-template-columns: 210px 1fr;
  gap: 14px;
  padding: 5px 0 3px;
  font-size: 16px;
}
li + li {
  border-top: 1px solid var(--ridge);
}
time {
  color: var(--ink-soft);
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 1fr;
    gap: 0;
  }
}
</style>
