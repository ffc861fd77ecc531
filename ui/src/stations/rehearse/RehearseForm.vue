<script setup lang="ts">
import { ref } from 'vue'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { SPEEDS } from '@/api/shared'
import { useBegin, useRehearsals, type Asked, type Speed } from './rehearsal'

/** Put a simulated pan on the fire: how hard, how fast, and which hidden milk. */
const props = defineProps<{ asked: Omit<Asked, 'level'> }>()
const emit = defineEmits<{ cancel: [] }>()

const known = useRehearsals()
const level = ref(2)
const speed = ref<Speed>(10)
const seed = ref('')
const begin = useBegin()
const go = () =>
  begin.mutate({
    ...props.asked,
    level: level.value,
    speed: speed.value,
    seed: seed.value.trim() ? Number(seed.value) : null,
  })
</script>

<template>
  <FormDialog
    needs="log"
    title="Rehearse it, without milk"
    verb="Begin it"
    :busy="begin.isPending.value"
    :problem="begin.error.value?.message"
    @keep="go"
    @cancel="emit('cancel')"
  >
    <p>
      Simulated milk, on a clock of its own. What you do to it has its price, and at the end you
      read what each slip cost. Nothing of it is learned from.
    </p>
    <div role="group" aria-label="How hard" class="levels">
      <button
        v-for="(says, i) in known.data.value?.levels ?? []"
        :key="says"
        type="button"
        class="touch"
        :aria-pressed="level === i + 1"
        @click="level = i + 1"
      >
        <b>{{ i + 1 }}</b> {{ says }}
      </button>
    </div>
    <p role="group" aria-label="How fast" class="speeds">
      <span class="soft">time runs</span>
      <button
        v-for="s in SPEEDS.slice(1)"
        :key="s"
        type="button"
        class="touch"
        :aria-pressed="speed === s"
        @click="speed = s"
      >
        ×{{ s }}
      </button>
    </p>
    <FormField v-model="seed" label="Seed: the same number hides the same milk" placeholder="any" />
  </FormDialog>
</template>

<style scoped>
p {
  font-size: 16px;
}
.levels {
  display: grid;
  justify-items: start;
  gap: 2px;
}
.levels .touch {
  text-align: left;
}
.levels b {
  display: inline-block;
  width: 1.4em;
}
.speeds {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
}
[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-thickness: 3px;
  text-underline-offset: 5px;
}
</style>
