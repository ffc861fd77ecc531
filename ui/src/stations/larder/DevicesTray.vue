<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { computed } from 'vue'
import {
  api,
  unwrap,
  type ApiProblem,
  type DeviceOut,
  type DoorOut,
  type Right,
} from '@/api/client'
import { endSaid } from '@/door/ends'
import { RIGHT_DOES } from '@/door/me'
import { clock, day, happened } from '@/say'
import SentenceWord, { type WordChoice } from '@/sentence/SentenceWord.vue'

/** Each thing that may look in, and how far. */
const props = defineProps<{ door: DoorOut; rights: WordChoice[] }>()
const emit = defineEmits<{ changed: [door: DoorOut] }>()

const path = (id: number) => ({ params: { path: { device_id: id } } })
const act = useMutation<DoorOut, ApiProblem, { of: DeviceOut; allowed?: Right }>({
  mutationFn: ({ of, allowed }) => {
    if (allowed)
      return unwrap(
        api.PUT('/api/door/devices/{device_id}', {
          ...path(of.id),
          body: { name: of.name, allowed, ends_s: of.ends_s },
        }),
      )
    return of.state === 'in'
      ? unwrap(api.POST('/api/door/devices/{device_id}/send-away', { ...path(of.id), body: {} }))
      : unwrap(api.DELETE('/api/door/devices/{device_id}', path(of.id)))
  },
  onSuccess: (door) => emit('changed', door),
})
function when(s: number): string {
  const today = day(s) === day(props.door.now_s)
  return today ? clock(s) : `${day(s)}, ${clock(s)}`
}
const devices = computed(() =>
  props.door.devices.map((d) => ({
    ...d,
    seen: d.seen_s === null ? 'not seen yet' : `seen ${when(d.seen_s)}`,
    last: d.did ? `logged ${happened(d.did)}` : '',
    over:
      d.state === 'sent-away'
        ? `sent away ${when(d.over_s ?? 0)}: it sees nothing`
        : d.state === 'over'
          ? 'over: it sees nothing'
          : '',
  })),
)
</script>

<template>
  <section class="tray" aria-label="In the kitchen">
    <p class="legend">
      <b>In the kitchen</b> <span class="soft">each thing that may look in, and how far</span>
    </p>
    <p v-if="act.error.value" class="problem" role="alert">{{ act.error.value.message }}</p>
    <ul>
      <li>
        <svg viewBox="0 0 96 64" aria-hidden="true">
          <rect x="12" y="8" width="72" height="44" rx="5" />
          <path d="M4 58h88M24 24h18M24 36h36" />
        </svg>
        <div>
          <h2 class="heading">This computer</h2>
          <p><b>all of it</b></p>
          <p class="soft">Mulvek runs on it</p>
          <p class="soft">cannot be sent away from itself</p>
        </div>
      </li>
      <li v-for="d in devices" :key="d.id" :class="{ over: d.over }">
        <svg viewBox="0 0 96 64" aria-hidden="true">
          <rect v-if="d.small" x="32" y="2" width="32" height="58" rx="6" />
          <rect v-else x="12" y="6" width="72" height="52" rx="6" />
          <path :d="d.small ? 'M42 24h12M42 36h8' : 'M24 24h24M24 36h40'" />
        </svg>
        <div>
          <h2 class="heading">{{ d.name }}</h2>
          <p class="may">
            <SentenceWord
              v-if="!d.over"
              :model-value="d.allowed"
              :label="`what ${d.name} may do`"
              :choices="rights"
              :shown="RIGHT_DOES[d.allowed]"
              @update:model-value="act.mutate({ of: d, allowed: $event as Right })"
            />
            <template v-else>{{ d.over }}</template>
          </p>
          <p v-if="!d.over">{{ endSaid(d.ends_s) }}</p>
          <p class="soft">{{ d.seen }}</p>
          <p class="soft">{{ d.last }}</p>
          <button type="button" class="plate line" @click="act.mutate({ of: d })">
            {{ d.over ? 'Forget it' : 'Send away' }}
            <span class="visually-hidden">: {{ d.name }}</span>
          </button>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.tray {
  margin-top: 26px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 22px 0;
  margin: 8px 0;
}
li {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 14px;
  padding-right: 18px;
}
li + li {
  padding-left: 18px;
  border-left: 1px solid var(--ridge);
}
svg {
  width: 96px;
  fill: var(--enamel);
  stroke: var(--iron);
  stroke-width: 3;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.over svg {
  fill: var(--groove);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
.over .heading {
  color: var(--ink-soft);
}
.may {
  font-size: 17px;
}
.plate {
  margin-top: 8px;
  min-height: 44px;
}
@media (max-width: 900px) {
  li + li {
    padding: 18px 0 0;
    border: 0;
    border-top: 1px solid var(--ridge);
  }
}
</style>
