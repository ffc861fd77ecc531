<script setup lang="ts">
import type { LarderOut } from '@/api/client'
import type { components } from '@/api/schema'
import { grams } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import { CURDLE_FIRST, DRAINS, RINSES, WAITS } from './curd'
import { plain, shown } from '@/sentence/words'

/** The curdling as a sentence, and a second one for what cooks differ in. `pieceKg`: raw weight of a piece, when shaped. */
defineProps<{
  kitchen: LarderOut
  choices: components['schemas']['CurdChoices']
  milks: { value: string; text: string }[]
  pieceKg?: number
  wrong: (field: string) => string | undefined
}>()
const words = defineModel<typeof CURDLE_FIRST>('words', { required: true })
const emit = defineEmits<{ kept: [] }>()
</script>

<template>
  <div>
    <p class="sentence">
      Bring
      <SentenceWord
        v-model="words.amount"
        label="how much milk"
        :shown="words.amount || 'how much'"
        free
        hint="Any unit: 3 L, 9 glasses. A bare number is ml."
        :choices="plain('1 L', '2 L', '3 L', '4 L')"
        :problem="wrong('amount')"
        @kept="emit('kept')"
      />
      of
      <SentenceWord
        v-model="words.milk"
        label="which milk"
        :shown="shown(milks, words.milk)"
        :choices="milks"
        :problem="wrong('milk')"
        @kept="emit('kept')"
      />
      to the boil in
      <SentenceWord
        v-model="words.pan"
        label="which pan"
        :shown="kitchen.pans.find((p) => String(p.id) === words.pan)?.name ?? '…'"
        :choices="kitchen.pans.map((p) => ({ value: String(p.id), text: p.name }))"
        :problem="wrong('pan')"
        @kept="emit('kept')"
      />
      on
      <SentenceWord
        v-model="words.burner"
        label="which burner"
        :shown="`the ${kitchen.burners.find((b) => String(b.id) === words.burner)?.name ?? '…'}`"
        :choices="kitchen.burners.map((b) => ({ value: String(b.id), text: b.name }))"
        :problem="wrong('burner')"
        after="."
        @kept="emit('kept')"
      />
      Take it off the flame, wait
      <SentenceWord
        v-model="words.wait"
        label="how long to wait before the acid"
        :shown="/°/.test(words.wait) ? `until it is at ${words.wait}` : words.wait || 'not at all'"
        free
        hint="Minutes, or the temperature to wait for: 82 °C."
        :choices="WAITS"
        :problem="wrong('wait')"
        after=","
        @kept="emit('kept')"
      />
      then stir in
      <SentenceWord
        v-model="words.acid"
        label="what curdles it"
        :shown="
          shown(
            choices.coagulants.map((c) => ({ value: c.key, text: c.name })),
            words.acid,
          )
        "
        :choices="choices.coagulants.map((c) => ({ value: c.key, text: c.name }))"
        :problem="wrong('coagulant') ?? wrong('strength')"
        after=","
        @kept="emit('kept')"
      />
      give it
      <SentenceWord
        v-model="words.rinses"
        label="how often to rinse"
        :shown="shown(RINSES, words.rinses)"
        :choices="RINSES"
        :problem="wrong('rinses') ?? wrong('rinse')"
        after=","
        @kept="emit('kept')"
      />{{ ' ' }}
      <SentenceWord
        v-model="words.drain"
        label="how to drain it"
        :shown="shown(DRAINS, words.drain)"
        :choices="DRAINS"
        :problem="wrong('drain')"
        @kept="emit('kept')"
      />
      <template v-if="words.drain === 'hang' || words.drain === 'press'">
        for
        <SentenceWord
          v-model="words.time"
          label="how long to drain it"
          :shown="words.time"
          free
          hint="40 minutes, 2 h."
          :choices="plain('20 minutes', '30 minutes', '1 h', '2 h')"
          :problem="wrong('drain_time')"
          @kept="emit('kept')"
        /> </template
      >, for
      <SentenceWord
        v-model="words.use"
        label="what it is for"
        :shown="
          shown(
            choices.uses.map((u) => ({ value: u.key, text: u.name })),
            words.use,
          )
        "
        :choices="choices.uses.map((u) => ({ value: u.key, text: u.name }))"
        @kept="emit('kept')"
      /><template v-if="pieceKg !== undefined">
        of
        <SentenceWord
          v-model="words.piece"
          label="how heavy a piece"
          :shown="words.piece || grams(pieceKg)"
          free
          hint="Raw weight of one: 12 g."
          :choices="plain('8 g', '10 g', '12 g', '15 g', '20 g')"
          :problem="wrong('piece')"
          after="."
          @kept="emit('kept')" /></template
      ><template v-else>.</template>
    </p>
    <p class="sentence fine">
      It holds
      <SentenceWord
        v-model="words.strength"
        label="how strong the acid is"
        :shown="words.strength || 'its usual strength'"
        free
        hint="g in 100 ml for juice and vinegar, 1 for pure powder, % lactic for whey and curd; empty for the usual."
        :problem="wrong('strength')"
        after=","
        @kept="emit('kept')"
      />
      thinned to
      <SentenceWord
        v-model="words.thin"
        label="what to thin it to"
        :shown="`${words.thin} %`"
        free
        hint="2 to 2.5 % every day, 1 % for the softest curd."
        :choices="plain('1', '2', '2.5', '5')"
        :problem="wrong('dilute_to')"
        after=";"
        @kept="emit('kept')"
      />
      keep it on the flame
      <SentenceWord
        v-model="words.hold"
        label="how long on the flame once it has curdled"
        :shown="words.hold || 'no longer'"
        free
        hint="Firms it: 2 to 5 minutes for paneer."
        :choices="[
          { value: '', text: 'no longer' },
          ...plain('2 minutes', '3 minutes', '5 minutes'),
        ]"
        :problem="wrong('hold')"
        after=";"
        @kept="emit('kept')"
      />
      <template v-if="words.rinses !== '0'">
        rinse with
        <SentenceWord
          v-model="words.rinse"
          label="how much rinse water"
          :shown="words.rinse"
          free
          :choices="plain('500 ml', '1 L', '2 L')"
          :problem="wrong('rinse')"
          @kept="emit('kept')"
        />
        at
        <SentenceWord
          v-model="words.cold"
          label="how cold the rinse water is"
          :shown="`${words.cold} °C`"
          free
          :choices="plain('8', '15', '20', '28')"
          :problem="wrong('rinse_c')"
          after=";"
          @kept="emit('kept')"
        />
      </template>
      then the fridge for
      <SentenceWord
        v-model="words.fridge"
        label="how long in the fridge"
        :shown="words.fridge || 'no time'"
        free
        :choices="[{ value: '', text: 'no time' }, ...plain('2 h', '4 h', '8 h')]"
        :problem="wrong('fridge_time')"
        :after="pieceKg === undefined ? '.' : ';'"
        @kept="emit('kept')"
      />
      <template v-if="pieceKg !== undefined">
        bind it with
        <SentenceWord
          v-model="words.binder"
          label="flour or semolina to bind it"
          :shown="words.binder || 'nothing'"
          free
          hint="Of the chhena’s weight: 2 %."
          :choices="[{ value: '', text: 'nothing' }, ...plain('2 %', '4 %', '15 %')]"
          :problem="wrong('binder')"
          after="."
          @kept="emit('kept')"
        />
      </template>
      A thermometer showed
      <SentenceWord
        v-model="words.read"
        label="what a thermometer showed, °C"
        :shown="words.read ? `${words.read} °C` : 'nothing yet'"
        free
        hint="Read once, it corrects how fast this pan cools here. Empty for none."
        :problem="wrong('read_c')"
        @kept="emit('kept')"
      />
      <template v-if="words.read">
        after
        <SentenceWord
          v-model="words.after"
          label="how many minutes after the boil"
          :shown="words.after ? `${words.after} minutes` : 'how long'"
          free
          :choices="plain('2', '3', '5')"
          @kept="emit('kept')"
        /> </template
      >.
    </p>
  </div>
</template>

<style scoped>
.fine {
  margin-top: 2px;
  font-size: 17px;
  line-height: 28px;
  color: var(--ink-soft);
}
</style>
