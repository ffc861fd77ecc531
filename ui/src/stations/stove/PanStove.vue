<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { EventIn } from '@/api/client'
import { damaged, useLog, useStove, type LiveBatch } from '@/api/kitchen'
import AsideNote from '@/form/AsideNote.vue'
import { clock, logged } from '@/say'
import { useKeys } from '@/shell/keys'
import { useLives } from '@/shell/live'
import { sounding } from '@/shell/sound'
import { useAnswers } from './answering'
import { panActs } from './answers'
import ChangeDialog from './ChangeDialog.vue'
import InstrumentsTray from './InstrumentsTray.vue'
import LogDialog from './LogDialog.vue'
import { need } from './need'
import NowTray from './NowTray.vue'
import PanNow from './PanNow.vue'
import ReadPanel from './ReadPanel.vue'
import ReadingForm from './ReadingForm.vue'

/** Batches live: what to do now over all pans, the pans side by side, readings and changes of the chosen one. */
const route = useRoute()
const router = useRouter()
const stove = useStove()
const lives = useLives()
const log = useLog()

const batches = computed(() => stove.data.value ?? [])
const batch = computed<LiveBatch | undefined>(() =>
  batches.value.find((b) => String(b.id) === route.params.id),
)
/** At most two pans side by side: the chosen one and its neighbour, always in the order they were lit. */
const shown = computed(() => {
  const lit = batches.value.filter((b) => b.phase === 'heating' || b.phase === 'boiling')
  const chosen = batch.value
  if (!chosen || !lit.includes(chosen) || lit.length < 2) return chosen ? [chosen] : []
  const other = lit.find((b) => b !== chosen)!
  return batches.value.filter((b) => b === chosen || b === other)
})
const now = computed(() => (batch.value ? need(lives.value, batch.value) : null))
const onFire = computed(() => ['heating', 'boiling'].includes(batch.value?.phase ?? ''))
const sugarLeft = computed(() =>
  batch.value && batch.value.phase !== 'weighed'
    ? Math.max(0, batch.value.sugar_kg - batch.value.sugar_in_kg)
    : 0,
)

function tell(event: EventIn) {
  if (batch.value) log.mutate({ id: batch.value.id, event: event as EventIn })
}
/** The one key answers what is due: a scrape when the sides are due, else a stir. */
function stirred() {
  const due = now.value?.due
  const sides = due?.nudge.answer === 'scraped' && due.live.id === batch.value?.id
  tell({ kind: sides ? 'scraped' : 'stirred' })
}
const firstBoil = () => tell({ kind: 'first_boil' })
const off = () => tell({ kind: 'off' })
const sugarIn = () => sugarLeft.value > 0 && tell({ kind: 'sugar_in', mass_kg: sugarLeft.value })
const undo = () => batch.value?.undo_id && tell({ kind: 'undo', event_id: batch.value.undo_id })
const pause = () => tell({ kind: batch.value?.paused_at_s !== null ? 'resumed' : 'paused' })
const hush = () => tell({ kind: 'hushed', on: !batch.value?.hushed })
const lower = () =>
  tell({ kind: 'flame_changed', flame: batch.value?.flame === 'strong' ? 'medium' : 'gentle' })

function step(by: number) {
  const at = batches.value.findIndex((b) => b.id === batch.value?.id)
  const to = batches.value[at + by]
  if (to) void router.push(`/stove/${to.id}`)
}

/** A reading that can hardly be true is asked back; what was read is kept meanwhile. */
const doubt = computed(() => {
  const error = log.error.value
  const sent = log.variables.value?.event
  return error && error.fields[0]?.code === 'unlikely' && sent?.kind === 'reading'
    ? { text: error.message, event: sent }
    : null
})
const typing = ref(false)
const { answer, later } = useAnswers(
  () => batches.value,
  log,
  () => (typing.value = true),
)
const weighing = ref(false)
const changing = ref(false)
const reviewing = ref(false)
const pairing = ref(false)
/** Only a page that is served securely may keep the screen awake. */
const sleeps = !('wakeLock' in navigator)

useKeys([
  { key: 's', does: 'stirred, or scraped when that is due', run: stirred },
  { key: 'c', does: 'scraped the sides', run: () => tell({ kind: 'scraped' }) },
  { key: 'b', does: 'first boil', run: firstBoil },
  { key: 'r', does: 'type a reading', run: () => (typing.value = true) },
  { key: 'i', does: 'sugar in', run: () => void sugarIn() },
  { key: 'f', does: 'flame down', run: lower },
  { key: 'p', does: 'off the fire for a while, and back', run: pause },
  {
    key: 'l',
    does: 'later: put off what is due',
    run: () => now.value?.due && later(now.value.due),
  },
  { key: 'q', does: 'quiet, and sounds again', run: hush },
  { key: 'u', does: 'undo the last', run: () => void undo() },
  { key: 'o', does: 'take it off', run: off },
  { key: 'ArrowLeft', does: 'the pan before', run: () => step(-1) },
  { key: 'ArrowRight', does: 'the next pan', run: () => step(1) },
])
</script>

<template>
  <div class="page stove">
    <h1 class="visually-hidden">Stove</h1>
    <AsideNote :names="damaged" />
    <section v-if="stove.isSuccess.value && !batch" class="tray empty">
      <p class="sentence">
        That pan is off the fire. <RouterLink to="/stove">What goes on</RouterLink>, or
        <RouterLink :to="`/book/${route.params.id}`">its page in the Book</RouterLink>.
      </p>
    </section>
    <template v-else-if="batch && now">
      <NowTray
        :lives="lives"
        :batch="batch"
        :now="now"
        @answer="answer"
        @later="later"
        @tell="tell"
        @weigh="weighing = true"
      />

      <div class="things" :class="{ two: shown.length > 1 }">
        <PanNow
          v-for="b in shown"
          :key="b.id"
          :batch="b"
          :narrow="shown.length > 1"
          :chosen="b.id === batch.id"
          :class="{ second: b.id !== batch.id }"
          @click="b.id !== batch.id && router.push(`/stove/${b.id}`)"
        />
      </div>

      <section class="tray doing" aria-label="Readings and log">
        <ReadPanel
          :batch="batch"
          :several="shown.length > 1"
          :busy="log.isPending.value"
          @tell="tell"
          @type="typing = true"
        >
          <p v-if="doubt" class="problem" role="alert">
            {{ doubt.text }}
            <button
              type="button"
              class="plate line"
              @click="tell({ ...doubt.event, sure: true, key: undefined })"
            >
              I am sure
            </button>
          </p>
          <p
            v-else-if="log.error.value && !typing && !weighing && !changing && !reviewing"
            class="problem"
            role="alert"
          >
            {{ log.error.value.message }}
          </p>
        </ReadPanel>
        <div class="log-side">
          <ol class="log" aria-label="What happened">
            <li v-for="l in batch.log.slice(0, 4)" :key="l.event_id" :class="{ undone: l.undone }">
              <time>{{ clock(l.at_s) }}</time>
              <span>{{ logged(l) }}{{ l.undone ? ', undone' : '' }}</span>
            </li>
          </ol>
          <p class="small-acts">
            <button type="button" class="touch" :disabled="!batch.undo_id" @click="undo">
              Undo <kbd>U</kbd>
            </button>
            <button type="button" class="touch" @click="reviewing = true">
              All, or one forgotten
            </button>
            <button type="button" class="touch" :aria-pressed="batch.hushed" @click="hush">
              {{ batch.hushed ? 'Sounds again' : 'Quiet' }} <kbd>Q</kbd>
            </button>
            <button v-if="onFire" type="button" class="touch" @click="pairing = true">
              Instruments
            </button>
            <RouterLink class="touch" :to="{ path: '/book/mend', query: { of: batch.id } }">
              What went wrong?
            </RouterLink>
            <button v-if="!sounding" type="button" class="touch" @click="sounding = true">
              This device is silent
            </button>
          </p>
          <p v-if="sleeps && onFire" class="soft sleeps">
            This browser cannot keep the screen awake: give it a long time-out while you cook.
          </p>
        </div>
        <div class="acts">
          <button
            v-for="a in panActs(batch)"
            :key="a.text"
            type="button"
            class="plate line"
            @click="tell(a.event)"
          >
            {{ a.text }} <kbd>{{ a.key }}</kbd>
          </button>
          <button v-if="onFire" type="button" class="plate line" @click="changing = true">
            Change…
          </button>
          <button
            v-if="batch.phase === 'off'"
            type="button"
            class="plate line"
            @click="weighing = true"
          >
            Weigh it
          </button>
          <button
            v-if="batch.phase === 'off'"
            type="button"
            class="plate line"
            @click="tell({ kind: 'abandoned' })"
          >
            Give it up
          </button>
        </div>
      </section>
      <InstrumentsTray v-model:pairing="pairing" :batch="batch" @tell="tell" />
      <NModal v-model:show="typing">
        <ReadingForm :batch="batch" purpose="reading" @done="typing = false" />
      </NModal>
      <NModal v-model:show="weighing">
        <ReadingForm :batch="batch" purpose="weighed" @done="weighing = false" />
      </NModal>
      <NModal v-model:show="changing">
        <ChangeDialog :batch="batch" :batches="batches" @done="changing = false" />
      </NModal>
      <NModal v-model:show="reviewing">
        <LogDialog :batch="batch" @done="reviewing = false" />
      </NModal>
    </template>
  </div>
</template>

<style scoped>
.things {
  margin: 10px 0 14px;
  padding-bottom: 8px;
  border-bottom: 2px solid var(--ink);
}
.things.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 34px;
}
.second {
  cursor: pointer;
}
.sleeps {
  margin-top: 6px;
  font-size: 13.5px;
}
.doing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 292px 262px;
  gap: 24px;
}
.log-side {
  border-left: 1px solid var(--ridge);
  padding-left: 22px;
}
.log li {
  display: flex;
  gap: 18px;
  line-height: 24px;
}
.log li span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.log li:first-child {
  font-weight: 680;
}
.log li:first-child span {
  white-space: normal;
}
.log time {
  color: var(--ink-soft);
}
.undone {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.small-acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  margin-top: 4px;
}
.acts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-content: start;
  gap: 8px;
}
.acts .plate {
  min-height: 46px;
  padding-inline: 6px;
  font-size: 15.5px;
}
.problem .plate {
  min-height: 40px;
  margin-left: 10px;
}
.empty {
  margin-top: 24px;
}
@media (max-width: 900px) {
  .plate,
  .acts .plate {
    min-height: 58px;
  }
  .things {
    margin: 6px 8px 12px;
  }
  .things.two {
    grid-template-columns: minmax(0, 1fr);
  }
  .second {
    display: none;
  }
  .doing {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .log-side {
    border: 0;
    padding: 0;
  }
}
</style>
