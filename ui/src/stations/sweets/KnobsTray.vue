<script setup lang="ts">
import { useMutation } from '@tanstack/vue-query'
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, unwrap, type SweetChoices, type SweetOut } from '@/api/client'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { figure } from '@/form/numbers'
import { inNumbers, type Form } from './own'
import { pairs, unpaired, type SweetWords, useSweetsChanged } from './sweet'

/** Its proportions, to change within their range or, warned, beyond; and to keep as one's own sweet. */
const props = defineProps<{ answer: SweetOut; words: SweetWords; choices: SweetChoices }>()
const emit = defineEmits<{ keep: [change?: Partial<SweetWords>] }>()
const sweetsChanged = useSweetsChanged()
const changed = computed(() => pairs(props.words.change))
const value = (place: string, now: number) => changed.value[place] ?? String(+now.toFixed(4))

const local = ref('')
function put(place: string, text: string, now: number) {
  const v = figure(text)
  if (Number.isNaN(v) || v < 0) {
    local.value = `“${text}” is no figure. Type just the number.`
    return
  }
  local.value = ''
  if (Math.abs(v - now) < 1e-9) return
  emit('keep', { change: unpaired({ ...changed.value, [place]: v }) })
}
function step(place: string, now: number, by: number) {
  const size = now >= 10 ? 0.5 : now >= 1 ? 0.1 : 0.01
  put(place, String(+(now + by * size).toFixed(4)), now)
}
const usual = () => emit('keep', { change: '', window: '', taken: '' })
const more = ref('')
const addable = computed(() =>
  Object.entries(props.choices.ingredients)
    .filter(([key]) => !props.answer.knobs.some((k) => k.place.endsWith(`.${key}`)))
    .filter(
      ([, name]) =>
        more.value.trim().length > 1 &&
        name.toLowerCase().includes(more.value.trim().toLowerCase()),
    )
    .slice(0, 6),
)
function add(key: string) {
  more.value = ''
  emit('keep', { change: unpaired({ ...changed.value, [`finish.${key}`]: 2 }) })
}

/** Kept as one's own: the school's form with these numbers in it. */
const naming = ref(false)
const name = ref('')
function ask() {
  name.value = `my ${props.answer.name}`
  naming.value = true
}
function withChanges(form: Form): Form {
  const schools = form.schools as Record<string, Form>
  const school = structuredClone(schools[props.answer.school]!)
  for (const k of props.answer.knobs) {
    const [head, rest] = [k.place.split('.')[0]!, k.place.split('.').slice(1).join('.')]
    if (head === 'bases') {
      const base = (school.bases as Record<string, Form>)[rest]!
      base[k.unit === '× down' ? 'x' : k.unit === '% solids' ? 'ts' : 'water'] = k.value
    } else if (rest) school[head] = { ...(school[head] as Form), [rest]: k.value }
    else school[head] = k.value
  }
  const windows = Object.fromEntries(
    Object.entries(pairs(props.words.window)).map(([k, v]) => [k, v.split('-').map(Number)]),
  )
  school.windows = { ...((school.windows as Form | undefined) ?? {}), ...windows }
  return {
    ...inNumbers(form),
    name: name.value.trim(),
    schools: { [props.answer.school]: school },
    flavours: {},
  }
}
const save = useMutation({
  mutationFn: async () => {
    const { form } = await unwrap(
      api.GET('/api/sweets/form', { params: { query: { sweet: props.words.sweet } } }),
    )
    return unwrap(
      api.POST('/api/sweets/own', { body: { form: withChanges(form as Form), version: null } }),
    )
  },
  onSuccess: async (made) => {
    naming.value = false
    await sweetsChanged()
    emit('keep', { sweet: made.key, school: '', flavour: '', change: '', window: '', taken: '' })
  },
})
const own = computed(() => props.choices.sweets.find((s) => s.key === props.words.sweet && s.own))
const remove = useMutation({
  mutationFn: () =>
    unwrap(
      api.DELETE('/api/sweets/own/{id}', {
        params: { path: { id: own.value!.id! }, query: { version: own.value!.version! } },
      }),
    ),
  onSuccess: async () => {
    emit('keep', { sweet: 'kulfi', school: '', change: '' })
    await sweetsChanged()
  },
})
</script>

<template>
  <details class="tray knobs">
    <summary class="heading">
      Proportions <span class="soft">change them, and make it yours</span>
    </summary>
    <div class="grid">
      <label v-for="k in answer.knobs" :key="k.place" :class="{ beyond: k.beyond }">
        <span>{{ k.name }}</span>
        <span class="put">
          <button type="button" :aria-label="`less ${k.name}`" @click="step(k.place, k.value, -1)">
            −
          </button>
          <input
            :value="value(k.place, k.value)"
            inputmode="decimal"
            :aria-label="`${k.name}, ${k.unit}`"
            @change="put(k.place, ($event.target as HTMLInputElement).value, k.value)"
          />
          <button type="button" :aria-label="`more ${k.name}`" @click="step(k.place, k.value, 1)">
            +
          </button>
        </span>
        <small
          >{{ k.unit
          }}<template v-if="k.low !== null">, usual {{ k.low }}–{{ k.high }}</template></small
        >
      </label>
    </div>
    <p v-for="w in answer.warnings" :key="w" class="problem" role="status">{{ w }}</p>
    <p v-if="local" class="problem" role="alert">{{ local }}</p>
    <div class="foot">
      <div class="add">
        <FormField v-model="more" label="Add" words placeholder="an ingredient: saffron, banana…" />
        <p v-if="addable.length">
          <button
            v-for="[key, text] in addable"
            :key="key"
            type="button"
            class="touch"
            @click="add(key)"
          >
            {{ text }}
          </button>
        </p>
      </div>
      <p class="acts">
        <button type="button" class="plate line" @click="ask">Keep it as mine</button>
        <button v-if="words.change || words.window" type="button" class="touch" @click="usual">
          As usual again
        </button>
        <RouterLink to="/sweets/own">Write a batch of mine</RouterLink>
        <RouterLink v-if="own" :to="{ path: '/sweets/own', query: { edit: words.sweet } }">
          Change mine
        </RouterLink>
        <button v-if="own" type="button" class="touch out" @click="remove.mutate()">
          Take mine out
        </button>
      </p>
    </div>
    <NModal v-model:show="naming">
      <FormDialog
        needs="cook"
        title="A sweet of your own"
        verb="Keep it"
        :blocked="!name.trim()"
        :busy="save.isPending.value"
        :problem="save.error.value?.message"
        @keep="save.mutate()"
        @cancel="naming = false"
      >
        <p>It is kept with these proportions and windows, beside the library's.</p>
        <FormField v-model="name" label="Call it" words />
      </FormDialog>
    </NModal>
  </details>
</template>

<style scoped>
.knobs {
  margin-top: 22px;
}
summary {
  cursor: pointer;
}
summary span {
  font: 400 15px/1 var(--figures);
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 14px 26px;
  margin: 12px 0;
}
label {
  display: grid;
  gap: 2px;
  font-weight: 550;
}
.put {
  display: grid;
  grid-template-columns: 42px 1fr 42px;
  border: 1.6px solid var(--cobalt);
  border-radius: 8px;
  overflow: hidden;
}
.put button {
  color: var(--cobalt);
  font-size: 20px;
  min-height: 40px;
}
input {
  font: 650 18px/1 var(--figures);
  color: var(--ink);
  text-align: center;
  min-width: 0;
  border: 0;
  padding-top: 0.1em;
  background: var(--enamel);
}
small {
  color: var(--ink-soft);
  font-weight: 450;
  font-size: 14px;
}
.beyond .put {
  border-color: var(--madder);
}
.beyond small {
  color: var(--madder);
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 32px;
  align-items: start;
  justify-content: space-between;
}
.add {
  flex: 1 1 320px;
  max-width: 440px;
}
.add p,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
}
.out {
  color: var(--madder);
}
</style>
