<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref } from 'vue'
import { api, unwrap, type ApiProblem, type Me } from '@/api/client'
import { outbox } from '@/api/outbox'
import { LONGEST_NAME } from '@/api/shared'
import { endSaid } from './ends'
import { RIGHT_DOES, useMe } from './me'
import ThingDrawing from './ThingDrawing.vue'

/** What a device sees that is not let in: the six numbers to type, then the thing to show; and, let in, how far. */
const { me } = useMe()
const client = useQueryClient()
const typed = ref('')
const name = ref('')
/** What is asked meanwhile was asked with the former secret: its answer does not count. */
async function set(now: Me) {
  await client.cancelQueries({ queryKey: ['me'] })
  client.setQueryData(['me'], now)
}

const knock = useMutation<Me, ApiProblem>({
  mutationFn: () =>
    unwrap(
      api.POST('/api/door/knock', {
        body: { code: typed.value, name: name.value.trim(), small: window.innerWidth < 900 },
      }),
    ),
  onSuccess: set,
})
const leave = useMutation({
  mutationFn: () => unwrap(api.POST('/api/door/leave', { body: {} })),
  onSuccess: set,
})
const ready = computed(() => /^[0-9]{6}$/.test(typed.value))
function go() {
  if (ready.value && !knock.isPending.value) knock.mutate()
}

const WORDS: Record<string, string> = {
  out: 'Type the six numbers that the computer shows.',
  refused: 'You were not let in. Ask for new numbers at the computer.',
  'sent-away': 'This device was sent away. New numbers let it knock again.',
  over: 'Your time here is over. New numbers let you knock again.',
}
const said = computed(() => WORDS[me.value?.state ?? ''])

// the code for the camera carries the numbers: one need not type them
const carried = /^#([0-9]{6})$/.exec(window.location.hash)?.[1]
onMounted(() => {
  if (!carried || !me.value || ['in', 'knocking'].includes(me.value.state)) return
  history.replaceState(history.state, '', window.location.pathname)
  typed.value = carried
  go()
})
</script>

<template>
  <div v-if="me" class="way">
    <p class="mark">Mulvek</p>
    <section v-if="me.state === 'knocking'" class="frame" aria-live="polite">
      <h1 class="sentence">You are in the doorway.</h1>
      <ThingDrawing :thing="me.thing" class="thing" />
      <p class="thing-name">{{ me.thing }}</p>
      <p class="answer">
        The computer shows a {{ me.thing }} too. Whoever is there lets you in, and says how far.
      </p>
    </section>
    <section v-else-if="me.state === 'in'" class="frame">
      <h1 class="sentence">
        You are in{{ me.here ? ': this is the computer itself' : ` as ${me.name}` }}.
      </h1>
      <template v-if="me.allowed && !me.here">
        <p class="answer">You may {{ RIGHT_DOES[me.allowed] }}, {{ endSaid(me.ends_s) }}.</p>
        <p class="soft">For more, ask at the computer: Larder, the door.</p>
      </template>
      <RouterLink class="plate" to="/stove">To the stove</RouterLink>
      <button v-if="!me.here" type="button" class="plate line" @click="leave.mutate()">
        Leave this kitchen
      </button>
    </section>
    <form v-else class="frame" @submit.prevent="go">
      <h1 class="sentence">{{ said }}</h1>
      <label class="numbers"
        ><span class="visually-hidden">The six numbers</span>
        <span class="plates" aria-hidden="true">
          <b v-for="i in 6" :key="i" :class="{ on: typed[i - 1], next: typed.length === i - 1 }">{{
            typed[i - 1] ?? ''
          }}</b>
        </span>
        <input
          v-model="typed"
          inputmode="numeric"
          autocomplete="one-time-code"
          maxlength="6"
          pattern="[0-9]*"
          autofocus
          @input="typed = typed.replace(/\D/g, '')"
      /></label>
      <p v-if="knock.error.value" class="problem" role="alert">{{ knock.error.value.message }}</p>
      <label class="called"
        >What is it called? <span class="soft">or leave it to the computer</span>
        <input v-model="name" :maxlength="LONGEST_NAME" autocomplete="off"
      /></label>
      <button type="submit" class="plate" :disabled="!ready || knock.isPending.value">Knock</button>
      <p class="soft small">
        At the computer that Mulvek runs on: <b>Larder</b>, then <b>the door</b>. Nothing leaves the
        house.
      </p>
      <p v-if="outbox.waiting.length" class="waits" role="status">
        {{ outbox.waiting.length }}
        {{ outbox.waiting.length === 1 ? 'happening waits' : 'happenings wait' }} here, safe, and
        {{ outbox.waiting.length === 1 ? 'goes' : 'go' }} when you are let in again.
      </p>
    </form>
  </div>
</template>

<style scoped>
.way {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: center;
  padding: 20px 16px 32px;
}
.mark {
  font: 700 25px/1.2 var(--words);
  margin-bottom: 18px;
}
.frame {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 18px;
  width: min(460px, 100%);
  padding: 30px 26px 26px;
  border: solid var(--iron);
  border-width: 7px 6px 0;
  border-bottom: 3px solid var(--iron);
  border-radius: 5px 5px 0 0;
}
.thing {
  width: 190px;
  height: 190px;
  margin: 0 auto;
}
.thing-name {
  text-align: center;
  font-size: 34px;
  font-weight: 700;
}
.numbers {
  position: relative;
  display: block;
}
.numbers input {
  position: absolute;
  inset: 0;
  width: 100%;
  opacity: 0;
  font-size: 40px;
}
.plates {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 6px;
}
.plates b {
  display: grid;
  place-items: center;
  height: 74px;
  padding-top: 6px;
  border-radius: var(--r-plate);
  background: var(--hollow);
  color: var(--plate-ink);
  font-size: 42px;
  font-weight: 700;
}
.plates b.on {
  background: var(--plate);
}
.numbers:focus-within .next {
  box-shadow: inset 0 0 0 3px var(--cobalt);
}
.called {
  display: grid;
  gap: 4px;
  font-weight: 550;
}
.called .soft {
  font-weight: 400;
}
.called input {
  min-height: 48px;
  padding: 2px 12px 0;
  border: 2px solid var(--ridge);
  border-radius: var(--r-plate);
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
  font-size: 18px;
}
.plate {
  min-height: 60px;
  text-decoration: none;
}
.waits {
  color: var(--saffron-ink);
  font-weight: 600;
}
</style>
