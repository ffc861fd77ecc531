<script setup lang="ts">
import { NInput } from 'naive-ui'
import { reactive } from 'vue'
import type { BookStory } from '@/api/client'
import { LONGEST_NOTE } from '@/api/shared'
import { useLog, type LiveAny } from '@/api/kitchen'
import { day, spoken } from '@/say'
import { WHY } from './told'

/** What became of it: how it was when cold, what those said who ate it, notes, and when it was gone. */
const props = defineProps<{ story: BookStory; batch: LiveAny }>()
const log = useLog()
const ASKED = [
  { about: 'cold', title: 'When it was cold', asks: 'How did it turn out?' },
  { about: 'guests', title: 'Who ate it said', asks: 'Their words' },
  { about: '', title: 'Notes', asks: 'For the next time' },
] as const
type About = (typeof ASKED)[number]['about']
const typed = reactive<Record<About, string>>({ cold: '', guests: '', '': '' })
const said = (about: About) => props.story.notes.filter((n) => n.about === about)

function write(about: About) {
  const sent = typed[about]
  if (!sent.trim()) return
  log.mutate(
    { id: props.batch.id, event: { kind: 'note', text: sent.trim(), about } },
    { onSuccess: () => typed[about] === sent && (typed[about] = '') }, // what was typed meanwhile stays
  )
}
const done = () => props.batch.weighed_kg !== null || props.story.line.counted !== null
/** Other things that are left of a batch are told where they stand, on the shelf. */
const mayBeGone = () =>
  props.batch.kind === 'sweet' && done() && props.story.kept.gone_at_s === null
const gone = (why: keyof typeof WHY) =>
  log.mutate({ id: props.batch.id, event: { kind: 'gone', of: '', why } })
</script>

<template>
  <div class="notes">
    <section v-for="a in ASKED" :key="a.about">
      <h2 class="heading">{{ a.title }}</h2>
      <p v-if="a.about === 'cold' && batch.kind === 'reduce' && done()" class="choices">
        it was
        <button
          v-for="v in ['too-thin', 'right', 'too-thick'] as const"
          :key="v"
          type="button"
          class="touch"
          :aria-pressed="batch.verdict === v"
          @click="log.mutate({ id: batch.id, event: { kind: 'judged', how: v } })"
        >
          {{ spoken(v) }}
        </button>
        <span v-if="batch.verdict" class="soft">The next plans’ thickness leans on it.</span>
      </p>
      <p v-for="n in said(a.about)" :key="n.event_id" class="words">
        <span class="soft">{{ day(n.at_s) }}</span> {{ n.text }}
      </p>
      <form @submit.prevent="write(a.about)">
        <NInput
          v-model:value="typed[a.about]"
          :maxlength="LONGEST_NOTE"
          :placeholder="a.asks"
          :input-props="{ 'aria-label': a.about ? a.title : 'A note' }"
        />
        <button type="submit" class="plate line" :disabled="!typed[a.about].trim()">
          Write it down<span class="visually-hidden">: {{ a.title }}</span>
        </button>
      </form>
    </section>
    <section v-if="mayBeGone()">
      <h2 class="heading">Is it gone?</h2>
      <p class="choices">
        <button type="button" class="touch" @click="gone('used-up')">all eaten</button>
        <button type="button" class="touch" @click="gone('spoiled')">it spoiled</button>
        <button type="button" class="touch" @click="gone('not-liked')">not liked</button>
        <span class="soft">Then the Book knows how long it kept.</span>
      </p>
    </section>
    <p v-else-if="story.kept.gone_at_s !== null" class="soft">
      Gone on {{ day(story.kept.gone_at_s) }}: {{ WHY[story.kept.why ?? 'used-up'] }}.
    </p>
    <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 18px;
  align-content: start;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}
.choices [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
.words {
  margin-top: 4px;
  font-size: 18px;
  line-height: 25px;
}
form {
  display: flex;
  gap: 12px;
  margin-top: 8px;
  align-items: center;
}
@media (max-width: 900px) {
  form {
    flex-wrap: wrap;
  }
}
</style>
