<script setup lang="ts">
import { LONGEST_NAME } from '@/api/shared'
import { newKey } from '@/api/keys'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type ApiProblem, type EventIn } from '@/api/client'
import { useLarder, useLog, type LiveBatch } from '@/api/kitchen'
import FormField from '@/form/FormField.vue'

/** Changes of mind: another stop, sugar, milk, pan; part it, pour it together, pause it, give it up. */
const props = defineProps<{ batch: LiveBatch; batches: LiveBatch[] }>()
const emit = defineEmits<{ done: [] }>()

const CHANGES = {
  stop: 'another stop',
  sugar: 'more or less sugar',
  milk: 'add milk',
  pan: 'another pan',
  part: 'part into two pans',
  pour: 'pour into another batch',
  abandon: 'give it up',
} as const
type Change = keyof typeof CHANGES

const larder = useLarder()
const router = useRouter()
const client = useQueryClient()
const log = useLog()
const which = ref<Change | null>(null)
const words = ref('')
const pan = ref<number | null>(null)
const burner = ref<number | null>(null)
const into = ref<number | null>(null)
const others = computed(() =>
  props.batches.filter((b) => b.id !== props.batch.id && b.phase === 'boiling'),
)
const offered = computed(() =>
  (Object.keys(CHANGES) as Change[]).filter(
    (c) => c !== 'pour' || (others.value.length && props.batch.phase === 'boiling'),
  ),
)
const pans = computed(
  () => larder.data.value?.pans.filter((p) => p.id !== props.batch.pan_id) ?? [],
)
const burners = computed(
  () => larder.data.value?.burners.filter((b) => b.id !== props.batch.burner_id) ?? [],
)

/** Parting and pouring concern two batches and are asked of the server at once, not queued. */
const both = useMutation({
  mutationFn: async () => {
    const path = { params: { path: { batch_id: props.batch.id } } }
    const key = newKey()
    if (which.value === 'pour')
      return unwrap(
        api.POST('/api/batches/{batch_id}/pour', {
          ...path,
          body: { into: into.value ?? 0, key },
        }),
      )
    return unwrap(
      api.POST('/api/batches/{batch_id}/part', {
        ...path,
        body: {
          share: Number(words.value.replace(',', '.')) / 100,
          name: `${props.batch.name}, part`.slice(0, LONGEST_NAME),
          pan: pan.value ?? 0,
          burner: burner.value ?? 0,
          key,
        },
      }),
    )
  },
  onSuccess: async (batch) => {
    await client.invalidateQueries({ queryKey: ['stove'] })
    emit('done')
    await router.push(`/stove/${batch.id}`)
  },
})
const error = computed<ApiProblem | null>(() => log.error.value ?? both.error.value)

function choose(change: Change) {
  which.value = change
  words.value = { stop: props.batch.stop, part: '50' }[change as string] ?? ''
  log.reset()
  both.reset()
}
function send() {
  const made: Partial<Record<Change, EventIn>> = {
    stop: { kind: 'stop_moved', stop: words.value },
    sugar: { kind: 'sugar_planned', sugar: words.value },
    milk: { kind: 'milk_added', amount: words.value },
    pan: { kind: 'pan_swapped', pan: pan.value ?? 0 },
    abandon: { kind: 'abandoned' },
  }
  const event = which.value && made[which.value]
  if (event) log.mutate({ id: props.batch.id, event }, { onSuccess: () => emit('done') })
  else both.mutate()
}
const ready = computed(() => {
  if (which.value === 'pan') return pan.value !== null
  if (which.value === 'part') return pan.value !== null && burner.value !== null
  if (which.value === 'pour') return into.value !== null
  return true
})
</script>

<template>
  <div class="tray dialog" role="dialog" aria-label="Change of mind">
    <h2 class="heading">{{ which ? CHANGES[which] : 'Change what?' }}</h2>
    <div v-if="!which" class="choices">
      <button v-for="c in offered" :key="c" type="button" class="plate line" @click="choose(c)">
        {{ CHANGES[c] }}
      </button>
    </div>
    <form v-else @submit.prevent="send">
      <template v-if="which === 'stop'">
        <FormField v-model="words" label="Stop at" words />
        <p class="soft">“a third”, “4.4 cm”, “rabri”, “600 g”, “spoonable cold”.</p>
      </template>
      <template v-if="which === 'sugar'">
        <FormField v-model="words" label="Sugar in all" words />
        <p class="soft">“110 g”, “½ cup” or “none”. What is in stays in.</p>
      </template>
      <template v-if="which === 'milk'">
        <FormField v-model="words" label="Milk to add" words />
        <p class="soft">The same milk, from the fridge: “200 ml”. Pour it in slowly.</p>
      </template>
      <template v-if="which === 'part'">
        <FormField v-model="words" label="Take out, % of it" />
        <p class="soft">Into which pan, on which burner?</p>
      </template>
      <div v-if="which === 'pan' || which === 'part'" class="choices">
        <button
          v-for="p in pans"
          :key="p.id ?? 0"
          type="button"
          class="touch"
          :aria-pressed="pan === p.id"
          @click="pan = p.id"
        >
          {{ p.name }}
        </button>
      </div>
      <div v-if="which === 'part'" class="choices">
        <button
          v-for="f in burners"
          :key="f.id"
          type="button"
          class="touch"
          :aria-pressed="burner === f.id"
          @click="burner = f.id"
        >
          {{ f.name }}
        </button>
      </div>
      <div v-if="which === 'pour'" class="choices">
        <button
          v-for="b in others"
          :key="b.id"
          type="button"
          class="touch"
          :aria-pressed="into === b.id"
          @click="into = b.id"
        >
          into {{ b.name }}
        </button>
      </div>
      <p v-if="which === 'pan'" class="soft">Hot milk scalds: pour away from you, scrape it out.</p>
      <p v-if="which === 'abandon'">
        It leaves the Stove and teaches nothing; its readings stay in the Book. Undo brings it back.
      </p>
      <p v-if="error" class="problem" role="alert">{{ error.message }}</p>
      <p class="buttons">
        <button type="submit" class="plate" :disabled="!ready">
          {{ which === 'abandon' ? 'Give it up' : 'Change it' }}
        </button>
        <button type="button" class="plate line" @click="which = null">Back</button>
      </p>
    </form>
    <p v-if="!which" class="buttons">
      <button type="button" class="plate line" @click="emit('done')">Not now</button>
    </p>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  margin: 12px 0 6px;
}
.touch[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
}
.soft,
.problem {
  margin-top: 8px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 16px;
}
</style>
