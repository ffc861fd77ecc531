<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import FormDialog from '@/form/FormDialog.vue'
import { ago, clock, day, megabytes } from '@/say'

/** Copies of the whole kitchen: the last good one, one more now, and bringing one back. */
const SHOWN = 6
const client = useQueryClient()
const asked = useQuery({
  queryKey: ['copies'],
  queryFn: () => unwrap(api.GET('/api/copies')),
  refetchInterval: 300_000,
})
const copies = computed(() => asked.data.value?.copies ?? [])
const newest = computed(() => copies.value[0])
const all = ref(false)
const shown = computed(() => (all.value ? copies.value : copies.value.slice(0, SHOWN)))
const when = (at: number) => `${day(at)}, ${clock(at)}`
const WHY: Record<string, string> = { 'before-bringing-back': 'before a copy was brought back' }
const why = (text: string) =>
  WHY[text] ?? (text.startsWith('before-') ? 'before Mulvek was renewed' : '')

const save = useMutation({
  mutationFn: () => unwrap(api.POST('/api/copies', { body: {} })),
  onSuccess: (listed) => client.setQueryData(['copies'], listed),
})

const chosen = ref<string | null>(null)
const path = () => ({ params: { path: { name: chosen.value ?? '' } } })
const holds = useQuery({
  queryKey: ['copy', chosen],
  queryFn: () => unwrap(api.GET('/api/copies/{name}', path())),
  enabled: computed(() => chosen.value !== null),
  retry: false,
})
const held = computed(() => {
  const h = holds.data.value
  if (!h) return ''
  const things = Object.entries(h.things).map(
    ([name, count]) => `${count} ${count === 1 ? name.replace(/s$/, '') : name}`,
  )
  const last = h.last_s ? `, the last on ${when(h.last_s)}` : ''
  return `It holds ${things.join(', ')} and ${h.happenings} happenings${last}.`
})
const back = useMutation({
  mutationFn: () =>
    unwrap(api.POST('/api/copies/{name}/bring-back', { ...path(), body: { sure: true } })),
  onSuccess: async () => {
    chosen.value = null
    await client.invalidateQueries()
  },
})
</script>

<template>
  <section class="tray" aria-label="Safe keeping">
    <p class="legend"><b>Safe keeping</b></p>
    <p class="sentence">
      <template v-if="newest && asked.data.value">
        The last good copy of this kitchen is
        <b>{{ ago(asked.data.value.now_s - newest.at_s) }}</b>; one is made each day.
      </template>
      <template v-else>No copy of this kitchen is kept yet.</template>
      <button type="button" class="plate" :disabled="save.isPending.value" @click="save.mutate()">
        Save one now
      </button>
    </p>
    <p v-if="save.error.value" class="problem" role="alert">{{ save.error.value.message }}</p>
    <p v-else-if="asked.data.value?.trouble" class="problem" role="alert">
      {{ asked.data.value.trouble }}
    </p>
    <table v-if="copies.length" class="listed">
      <thead>
        <tr>
          <th scope="col">copy of</th>
          <th scope="col">size</th>
          <th scope="col"><span class="visually-hidden">what to do with it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in shown" :key="c.name">
          <th scope="row">
            {{ when(c.at_s) }} <span class="soft">{{ why(c.why) }}</span>
          </th>
          <td class="soft">{{ megabytes(c.bytes) }}</td>
          <td>
            <a
              :href="`/api/copies/${c.name}/file`"
              download
              :aria-label="`download the copy of ${when(c.at_s)}`"
              >download</a
            >
            <button
              type="button"
              class="touch"
              :aria-label="`bring back the copy of ${when(c.at_s)}`"
              @click="chosen = c.name"
            >
              bring back
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="copies.length > SHOWN && !all" type="button" class="touch" @click="all = true">
      All {{ copies.length }} copies
    </button>
    <NModal :show="chosen !== null" @update:show="chosen = null">
      <FormDialog
        title="Bring this copy back?"
        verb="Bring it back"
        :busy="back.isPending.value"
        :blocked="!holds.data.value"
        :problem="(back.error.value ?? holds.error.value)?.message"
        @keep="back.mutate()"
        @cancel="chosen = null"
      >
        <p>{{ held }}</p>
        <p>
          The kitchen becomes as it was then, on every screen. What is in it now is kept as a copy
          of its own, so that you can come back to it.
        </p>
      </FormDialog>
    </NModal>
  </section>
</template>

<style scoped>
.sentence {
  font-size: 21px;
  line-height: 34px;
}
.sentence .plate {
  vertical-align: middle;
  margin-left: 14px;
  min-height: 40px;
}
td:last-child {
  text-align: right;
  white-space: nowrap;
}
td .touch,
td a {
  display: inline-block;
  min-height: 40px;
  margin-left: 18px;
  line-height: 40px;
}
@media (max-width: 900px) {
  .sentence {
    font-size: 18px;
    line-height: 28px;
  }
  .sentence .plate {
    margin: 6px 0 0;
  }
  th:nth-child(2),
  td:nth-child(2) {
    display: none;
  }
}
</style>
