<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap, type EventIn } from '@/api/client'
import type { LiveAny } from '@/api/kitchen'
import type { components } from '@/api/schema'
import { cm, stopwatch, weight } from '@/say'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { NModal } from 'naive-ui'

/** Paired instruments, a second apart: what each shows, its last minute, and that it has gone silent. */
const props = defineProps<{ batch: LiveAny }>()
const emit = defineEmits<{ tell: [event: EventIn] }>()
const pairing = defineModel<boolean>('pairing', { required: true })

type Channel = components['schemas']['ChannelOut']
const path = computed(() => ({ params: { path: { batch_id: props.batch.id } } }))
const client = useQueryClient()
const key = computed(() => ['instruments', props.batch.id])
const paired = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/batches/{batch_id}/instruments', path.value)),
  refetchInterval: (query) => (query.state.data?.instruments.length ? 1000 : 15_000),
})
const instruments = computed(() => paired.data.value?.instruments ?? [])
const speaks = computed(() => paired.data.value?.speaks)

const url = ref('http://127.0.0.1:8977')
const tare = ref('')
const pair = useMutation({
  mutationFn: () => {
    const typed = tare.value.trim()
    const kg = typed ? Number(typed.replace(',', '.')) / 1000 : null
    return unwrap(
      api.POST('/api/batches/{batch_id}/instruments', {
        ...path.value,
        body: { url: url.value, tare_kg: kg },
      }),
    )
  },
  onSuccess: (now) => {
    client.setQueryData(key.value, now)
    pairing.value = false
  },
})
const unpair = useMutation({
  mutationFn: (id: number) =>
    unwrap(
      api.DELETE('/api/batches/{batch_id}/instruments/{instrument_id}', {
        params: { path: { batch_id: props.batch.id, instrument_id: id } },
      }),
    ),
  onSuccess: (now) => client.setQueryData(key.value, now),
})

function said(c: Channel): string {
  if (c.value === null) return '…'
  if (c.unit === 'kg') return weight(c.value)
  if (c.unit === 'm') return `${cm(c.value)} cm`
  return `${c.value.toFixed(1)} ${c.unit}`
}
/** What stands or hangs there besides the batch, when nobody says. */
const beside = computed(() =>
  props.batch.kind === 'reduce' ? `the pan: ${Math.round(props.batch.pan.mass_kg * 1000)}` : '0',
)
const W = 120
const H = 26
/** The last minute as a small line, from its least to its greatest. */
function spark(c: Channel): string {
  const low = Math.min(...c.recent)
  const span = Math.max(...c.recent) - low || 1
  const step = W / Math.max(1, c.recent.length - 1)
  return c.recent
    .map(
      (v, i) =>
        `${i ? 'L' : 'M'}${(i * step).toFixed(1)} ${(H - ((v - low) / span) * H).toFixed(1)}`,
    )
    .join('')
}
function sure(c: Channel) {
  if (c.how && c.asked_value !== null)
    emit('tell', { kind: 'reading', how: c.how as 'weight', value: c.asked_value, sure: true })
}
</script>

<template>
  <section v-if="instruments.length" class="tray shown" aria-label="Instruments">
    <template v-for="i in instruments" :key="i.id">
      <p class="legend">
        <b>{{ i.name }}</b>
        <span class="soft">{{
          i.connected ? 'every second' : i.trouble || 'waiting for it to answer'
        }}</span>
        <button type="button" class="touch" @click="unpair.mutate(i.id)">let it go</button>
      </p>
      <ul>
        <li v-for="c in i.channels" :key="c.channel" :class="{ silent: c.silent_s !== null }">
          <span class="soft">{{ c.name }}{{ c.channel === speaks ? ', learned from' : '' }}</span>
          <b>{{ said(c) }}</b>
          <span v-if="i.connected && c.value === null" class="soft">shows nothing here</span>
          <span v-else-if="c.silent_s !== null" class="quiet" role="status"
            >silent for {{ stopwatch(c.silent_s) }}</span
          >
          <svg v-else :width="W" :height="H + 4" :viewBox="`0 -2 ${W} ${H + 4}`" aria-hidden="true">
            <path v-if="c.recent.length > 1" :d="spark(c)" />
          </svg>
          <p v-if="c.asks" class="problem" role="alert">
            {{ c.asks }}
            <button type="button" class="touch" @click="sure(c)">It is right</button>
          </p>
        </li>
      </ul>
      <p v-if="i.connected && i.trouble" class="problem">{{ i.trouble }}</p>
    </template>
  </section>
  <NModal v-model:show="pairing">
    <FormDialog
      needs="cook"
      title="Pair instruments"
      verb="Pair them"
      :blocked="!url.trim()"
      :busy="pair.isPending.value"
      :problem="pair.error.value?.message"
      @keep="pair.mutate()"
      @cancel="pairing = false"
    >
      <p v-if="batch.kind === 'reduce'">
        A scale, a probe or the like in this kitchen’s network. Without any, switch on simulated
        ones: <code>mulvek instruments</code>.
      </p>
      <p v-else>
        A hanging scale in this kitchen’s network. Tare it with the wet cloth and its string, or say
        below what they weigh: what it loses then is logged as whey.
      </p>
      <FormField v-model="url" label="Address" words />
      <FormField
        v-model="tare"
        :label="`What ${batch.kind === 'reduce' ? 'stands on' : 'hangs from'} the scale besides, g`"
        :placeholder="beside"
      />
    </FormDialog>
  </NModal>
</template>

<style scoped>
.shown {
  margin-top: 20px;
  padding-top: 22px;
}
.legend .touch {
  padding: 0;
  font-size: 13.5px;
  line-height: 20px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 8px 26px;
}
li span {
  display: block;
  font-size: 14.5px;
  line-height: 18px;
}
li b {
  display: block;
  font-size: 30px;
  line-height: 36px;
  font-weight: 680;
}
svg path {
  fill: none;
  stroke: var(--cobalt);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.silent b {
  color: var(--ink-soft);
}
.quiet {
  color: var(--saffron-ink);
  font-weight: 650;
}
p {
  font-size: 16px;
}
</style>
