<script setup lang="ts">
import { capital } from '@/say'
import { computed } from 'vue'
import { nextTime, type Mending } from './mend'

/** The one question that would tell most, what to do now, and what to do next time. */
const props = defineProps<{
  mending: Mending
  nextKept: boolean
  rescued: boolean
  refused: string
}>()
const emit = defineEmits<{
  answer: [reading: string, value: number]
  skip: [reading: string]
  point: [bowls: Record<string, number> | null]
  use: []
  rescued: []
}>()
const question = computed(() => props.mending.question)
const doing = computed(() => nextTime(props.mending.causes))
</script>

<template>
  <section class="tray" aria-label="What to ask and to do">
    <p class="legend">
      <b>{{ question ? 'one answer would tell most' : 'what to do' }}</b>
    </p>
    <div v-if="question" class="asks">
      <h2 class="heading">{{ question.text }}</h2>
      <p class="answers">
        <button
          v-for="a in question.answers"
          :key="a.value"
          type="button"
          class="plate line"
          @click="emit('answer', question.reading, a.value)"
          @mouseenter="emit('point', a.bowls)"
          @mouseleave="emit('point', null)"
          @focus="emit('point', a.bowls)"
          @blur="emit('point', null)"
        >
          {{ a.text }}
        </button>
      </p>
      <p>
        <button type="button" class="touch" @click="emit('skip', question.reading)">
          I do not know
        </button>
        <span v-if="question.measure" class="soft">Next time: {{ question.measure }}</span>
      </p>
    </div>
    <div v-if="!mending.throw_away" class="part">
      <h3>Rescue now</h3>
      <p class="words">{{ mending.rescue }}</p>
      <p v-if="mending.caution" class="caution">{{ mending.caution }}</p>
      <p v-if="mending.batch">
        <button type="button" class="touch" :disabled="rescued" @click="emit('rescued')">
          {{ rescued ? 'Written down' : 'Done: write it down' }}
        </button>
      </p>
    </div>
    <div v-if="doing.length" class="part">
      <h3>Next time</h3>
      <ul class="words">
        <li v-for="c in doing" :key="c.key">{{ capital(c.next) }}.</li>
      </ul>
    </div>
    <p v-if="mending.batch && doing.length" class="keep">
      <button type="button" class="plate" :disabled="nextKept" @click="emit('use')">
        {{ nextKept ? 'Kept for the next time' : 'Use this next time' }}
      </button>
    </p>
    <p v-if="refused" class="problem" role="alert">{{ refused }}</p>
  </section>
</template>

<style scoped>
.tray {
  align-self: start;
  padding: 20px 28px 24px;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0 6px;
}
.answers .plate {
  white-space: normal;
  flex: 1 1 100px;
  padding-inline: 12px;
  font-size: 16px;
}
.asks .soft {
  margin-left: 12px;
  font-size: 13.5px;
}
.part {
  margin-top: 14px;
}
.asks + .part,
.part + .part {
  padding-top: 12px;
  border-top: 1px solid var(--ridge);
}
h3 {
  font-size: 15px;
  font-weight: 680;
}
.part .words {
  margin-top: 4px;
  font-size: 20px;
  line-height: 28px;
}
.caution {
  margin-top: 6px;
  color: var(--madder);
  font-size: 15px;
}
.keep {
  margin-top: 18px;
}
</style>
