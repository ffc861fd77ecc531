<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { api, unwrap, type ApiProblem, type DoorOut, type Right } from '@/api/client'
import { ends } from '@/door/ends'
import { RIGHT_DOES, RIGHTS, useMe } from '@/door/me'
import { clock } from '@/say'
import SentenceWord from '@/sentence/SentenceWord.vue'
import AuditTray from './AuditTray.vue'
import DevicesTray from './DevicesTray.vue'
import DoorNumbers from './DoorNumbers.vue'
import DoorwayDrawing from './DoorwayDrawing.vue'
import RightsRow from './RightsRow.vue'

/** The door as the computer sees it: numbers to knock with, who stands there, and what was let in. */
const { me } = useMe()
const client = useQueryClient()
const door = useQuery<DoorOut, ApiProblem>({
  queryKey: ['door'],
  queryFn: () => unwrap(api.GET('/api/door')),
  refetchInterval: (q) => (q.state.data?.home ? 1000 : false),
  retry: false,
})
const now = computed(() => door.data.value)
const knock = computed(() => now.value?.knock ?? null)
const set = (found: DoorOut) => {
  client.setQueryData(['door'], found)
  void client.invalidateQueries({ queryKey: ['audit'] })
}
const open = useMutation<DoorOut, ApiProblem>({
  mutationFn: () => unwrap(api.POST('/api/door/open', { body: {} })),
  onSuccess: set,
})

const name = ref('')
const allowed = ref<string>('log')
const until = ref('morning')
watch(
  () => knock.value?.thing,
  () =>
    (name.value = knock.value?.name || (knock.value?.small === false ? 'the tablet' : 'a phone')),
)
const HOLDS: Record<Right, string> = {
  look: 'pans, times, the shelf, the Book',
  log: 'stirred, read, weighed, off',
  cook: 'plan, light, pair instruments',
  keep: 'milks, pans, cups, copies',
}
const rights = RIGHTS.map((r) => ({ value: r, text: RIGHT_DOES[r], does: HOLDS[r] }))
const choices = computed(() => ends(now.value?.now_s ?? 0))
const end = computed(() => choices.value.find((e) => e.value === until.value)!)
const letIn = useMutation<DoorOut, ApiProblem>({
  mutationFn: () =>
    unwrap(
      api.POST('/api/door/let-in', {
        body: {
          thing: knock.value!.thing,
          name: name.value.trim(),
          allowed: allowed.value as Right,
          ends_s: end.value.at_s,
        },
      }),
    ),
  onSuccess: set,
})
const turnAway = useMutation<DoorOut, ApiProblem>({
  mutationFn: () =>
    unwrap(api.POST('/api/door/turn-away', { body: { thing: knock.value!.thing } })),
  onSuccess: set,
})
const problem = computed(() => letIn.error.value ?? turnAway.error.value ?? open.error.value)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">The door</h1>
    <section class="tray" aria-label="The door">
      <p class="legend"><RouterLink to="/larder">the Larder</RouterLink> <b>the door</b></p>
      <p v-if="now && knock" class="legend right">
        knocked at <b>{{ clock(knock.at_s) }}</b>
      </p>
      <div class="said">
        <p v-if="me && !me.here" class="sentence">
          The door is opened and shut <b>at the computer</b> that Mulvek runs on, and nowhere else.
        </p>
        <p v-else-if="now && !now.home" class="sentence">
          <b>Only this computer is served.</b> To let a phone of the house in, start Mulvek with
          <kbd class="typed">./run start --home</kbd>
        </p>
        <p v-else-if="knock" class="sentence" aria-live="polite">
          <b>{{ knock.small ? 'A phone' : 'A device' }} is at the door.</b> If it shows a
          {{ knock.thing }} too, let it in as
          <SentenceWord v-model="name" label="its name" free :shown="name || 'a phone'" after="," />
          to
          <SentenceWord
            v-model="allowed"
            label="what it may do"
            :choices="rights"
            :shown="RIGHT_DOES[allowed as Right]"
            after=","
          />
          until
          <SentenceWord
            v-model="until"
            label="until when"
            :choices="choices"
            :shown="end.text"
            after="."
          />
        </p>
        <p v-else-if="now?.code" class="sentence">
          <b>The door is open.</b> Point a phone’s camera at the code, or open
          <span class="url">{{ now.urls[0] }}</span> on it and type the six numbers.
        </p>
        <p v-else-if="now" class="sentence">
          <b>The door is shut.</b>
          {{
            now.guessed_out
              ? 'Wrong numbers were tried too often, and those are void.'
              : 'New numbers let one phone of the house knock, once.'
          }}
        </p>
        <div v-if="now?.home" class="verbs">
          <template v-if="knock">
            <button
              type="button"
              class="plate"
              :disabled="!name.trim() || letIn.isPending.value"
              @click="letIn.mutate()"
            >
              Let it in
            </button>
            <button type="button" class="touch" @click="turnAway.mutate()">Not one of ours</button>
          </template>
          <button v-else-if="!now.code" type="button" class="plate" @click="open.mutate()">
            Open the door
          </button>
        </div>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
    </section>
    <template v-if="now?.home">
      <div v-if="now.code || knock" class="hall">
        <RightsRow v-if="knock" :allowed="allowed as Right" :does="HOLDS" />
        <DoorNumbers v-else :door="now" @renew="open.mutate()" />
        <DoorwayDrawing :knock="knock" />
      </div>
      <p v-if="now.fingerprint" class="certificate">
        A browser warns once that it does not know this kitchen’s certificate, which was made here.
        Go on only if it shows this fingerprint (SHA-256): <code>{{ now.fingerprint }}</code>
      </p>
      <p v-else class="soft certificate">
        Plain HTTP: whoever listens in this network can read along. Start with
        <kbd class="typed">--home --tls</kbd> where you do not trust it.
      </p>
    </template>
    <DevicesTray v-if="now" :door="now" :rights="rights" @changed="set" />
    <AuditTray v-if="now" />
  </div>
</template>

<style scoped>
.said {
  display: flex;
  gap: 12px 28px;
  align-items: center;
  justify-content: space-between;
}
.verbs {
  display: grid;
  gap: 8px;
  justify-items: center;
  flex: none;
}
.verbs .touch {
  min-height: 40px;
}
.url {
  font-family: var(--figures);
  font-weight: 650;
  font-size: 0.84em;
  overflow-wrap: anywhere;
}
.typed {
  padding: 4px 8px 2px;
  height: auto;
  font-size: 17px;
  white-space: nowrap;
}
.hall {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 32px;
  margin: 30px 0 18px;
  border-top: 2.5px solid var(--cobalt);
}
.certificate {
  margin: 14px 32px 26px;
}
.certificate code {
  overflow-wrap: anywhere;
}
@media (max-width: 900px) {
  .said {
    display: grid;
  }
  .verbs {
    justify-items: stretch;
  }
  .hall {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }
  .certificate {
    margin-inline: 16px;
  }
}
</style>
