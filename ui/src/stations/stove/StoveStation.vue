<script setup lang="ts">
import { computed, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { damaged, isPan, useLarder, useLog, useRunning } from '@/api/kitchen'
import AsideNote from '@/form/AsideNote.vue'
import { useKeys } from '@/shell/keys'
import { asked, liveOf } from '@/shell/live'
import { steadyNow } from '@/shell/now'
import { useAnswers } from './answering'
import { isSame } from './answers'
import HobPlace from './HobPlace.vue'
import { glanceOf } from './glance'
import { makings } from './making'
import { need, strip } from './need'
import NowTray from './NowTray.vue'
import ShelfStrip from './ShelfStrip.vue'

/** All that goes on at once: what is due first, and every vessel with its one figure, those of one making side by side. */
const router = useRouter()
const stove = useRunning()
const larder = useLarder()
const log = useLog()
const all = computed(() => stove.data.value ?? [])
const lives = computed(() => all.value.map(liveOf))
const now = computed(() => (steadyNow.value, need(lives.value)))
const places = computed(() =>
  makings(all.value).map(({ batch, of }) => {
    const live = liveOf(batch)
    const due = asked([live])[0]
    return {
      live,
      of,
      glance: (steadyNow.value, glanceOf(batch)),
      next: strip(live),
      due: due && due.left <= 0 && !isSame(due, now.value.due) ? due : undefined,
      burner: live.onFire
        ? (larder.data.value?.burners ?? [])
            .filter((b) => live.burners.includes(b.id!))
            .map((b) => b.name)
            .join(', ')
        : '',
    }
  }),
)
const { answer, later } = useAnswers(
  () => all.value.filter(isPan),
  log,
  (due) => void router.push(due.live.path),
  true,
)
/** What was said last from here can be taken back from here. */
const told = computed(() => all.value.find((b) => b.id === log.variables.value?.id && b.undo_id))
const undo = () =>
  told.value?.undo_id &&
  log.mutate(
    { id: told.value.id, event: { kind: 'undo', event_id: told.value.undo_id } },
    { onSuccess: () => log.reset() },
  )
/** With one thing alone its own page says more. */
watchEffect(() => {
  const [only, more] = lives.value
  if (stove.isSuccess.value && only && !more) void router.replace(only.path)
})
useKeys([
  {
    key: 'd',
    does: 'done: what the sentence asks',
    run: () => now.value.due && answer(now.value.due),
  },
  {
    key: 'l',
    does: 'later: put off what is due',
    run: () => now.value.due && later(now.value.due),
  },
  { key: 'u', does: 'undo what was said here', run: () => void undo() },
])
</script>

<template>
  <div class="page stove">
    <h1 class="visually-hidden">Stove</h1>
    <AsideNote :names="damaged" />
    <section v-if="stove.isSuccess.value && !all.length" class="tray empty">
      <p class="sentence">
        Nothing is on the fire. <RouterLink to="/bench">Plan a reduction</RouterLink> or
        <RouterLink to="/sweets">a sweet</RouterLink>, or
        <RouterLink to="/stove/rehearse">rehearse</RouterLink> without milk. A second screen may
        stand <RouterLink to="/stove/across">across the room</RouterLink>.
      </p>
    </section>
    <template v-else-if="all.length > 1">
      <NowTray :lives="lives" :now="now" @answer="answer" @later="later">
        <button v-if="told" type="button" class="touch" @click="undo">Undo <kbd>U</kbd></button>
      </NowTray>
      <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
      <ol class="hob" aria-label="What goes on">
        <HobPlace v-for="p in places" :key="p.live.path" v-bind="p" @answer="answer" />
      </ol>
    </template>
    <ShelfStrip />
  </div>
</template>

<style scoped>
.hob {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(226px, 1fr));
  row-gap: 22px;
  margin: 14px 0 26px;
}
.empty {
  margin-top: 24px;
}
@media (max-width: 900px) {
  .hob {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
