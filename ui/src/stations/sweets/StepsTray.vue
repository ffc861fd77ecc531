<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type SweetIn, type SweetOut } from '@/api/client'
import WhyWord from '@/sentence/WhyWord.vue'
import BeginTray from '@/form/BeginTray.vue'
import { lastWords } from '@/shell/lastWords'
import { dayWith } from '@/stations/day/into'
import { hours } from './sweet'

/** The work in its order, what runs side by side; and the plate that takes it to the Stove. */
const props = defineProps<{
  answer: SweetOut
  plan: SweetIn
  suggested: string
  blocked: boolean
}>()
const emit = defineEmits<{ begun: [] }>()
const total = computed(() =>
  Math.max(1, ...props.answer.steps.map((s) => s.starts_s + s.step.seconds.likely)),
)
/** Long rests would squeeze the work to nothing: time is drawn by its square root. */
const x = (s: number) => Math.sqrt(s / total.value) * 100
/** Puts it on the Stove; its address there. */
async function start(name: string, key: string) {
  const made = await unwrap(
    api.POST('/api/batches', { body: { batch: { kind: 'sweet', name, plan: props.plan, key } } }),
  )
  emit('begun')
  return `/stove/sweet/${made.id}`
}
const router = useRouter()
async function intoDay() {
  const said = (await lastWords().catch((): Record<string, string> => ({}))).day
  await router.push({ path: '/day', query: dayWith(props.plan, said) })
}
</script>

<template>
  <section class="tray steps" aria-label="The work">
    <p class="legend">
      <b>The work</b>
    </p>
    <ol>
      <li v-for="s in answer.steps" :key="s.step.key">
        <span class="say"
          >{{ s.step.say }} <small v-if="s.facts.length">{{ s.facts.join(' ') }}</small></span
        >
        <span class="lane" aria-hidden="true">
          <i
            :class="{ fire: s.step.fire, wait: !s.step.hands }"
            :style="{
              left: `${x(s.starts_s)}%`,
              width: `${Math.max(1.2, x(s.starts_s + s.step.seconds.likely) - x(s.starts_s))}%`,
            }"
          />
        </span>
        <span class="time">{{ hours(s.step.seconds.likely) }}</span>
      </li>
    </ol>
    <div class="go">
      <p>
        <b>{{ hours(answer.ready_s.likely) }}</b> in all ({{ hours(answer.ready_s.low) }}–{{
          hours(answer.ready_s.high)
        }}). <WhyWord :why="answer.whys.time" text="why so long?" />
      </p>
      <p class="soft key">
        <i class="fire" /> on the fire <i /> by hand <i class="wait" /> by itself
      </p>
      <p v-for="c in answer.cautions.slice(0, 3)" :key="c.title" class="caution">
        <b :class="c.severity">{{ c.title }}</b> {{ c.text }}
      </p>
      <BeginTray
        :start="start"
        :suggested="suggested"
        verb="Begin it"
        :cautions="answer.cautions"
        :blocked="blocked"
      />
      <button type="button" class="touch" :disabled="blocked" @click="intoDay">
        Into a day with others
      </button>
      <p class="soft alone">
        The hours here are this sweet’s alone, hands and flames free. A day counts the rest in and
        keeps minutes in hand: it begins earlier.
      </p>
    </div>
  </section>
</template>

<style scoped>
.say small {
  font-size: 13.5px;
  color: var(--ink-soft);
}
.steps {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 30px;
  margin-top: 22px;
}
ol li {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr) 72px;
  gap: 14px;
  align-items: center;
  padding: 5px 0 3px;
}
li + li {
  border-top: 1px solid var(--ridge);
}
.lane {
  position: relative;
  height: 16px;
}
.lane i {
  position: absolute;
  inset: 2px auto 2px 0;
}
i {
  border-radius: 4px;
  background: var(--cobalt);
}
.fire {
  background: #c79a55;
  border: 1.4px solid #9c6b33;
}
.wait {
  background: var(--cobalt-wash);
  border: 1.4px solid var(--cobalt);
}
.time {
  text-align: right;
  font-weight: 650;
}
.go {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
  font-size: 16px;
}
.go > p > b:first-child {
  font-size: 24px;
  font-weight: 680;
}
.go .caution > b:first-child {
  font-size: 16px;
}
.key i {
  display: inline-block;
  width: 18px;
  height: 12px;
  margin: 0 4px 0 8px;
  vertical-align: -1px;
}
.key i:first-child {
  margin-left: 0;
}
.danger {
  color: var(--madder);
}
@media (max-width: 900px) {
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
  ol li {
    grid-template-columns: minmax(0, 1fr) 64px;
  }
  .lane {
    display: none;
  }
  .go .plate {
    width: 100%;
    min-height: 56px;
  }
}
</style>
