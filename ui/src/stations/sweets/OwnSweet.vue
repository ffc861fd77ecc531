<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { NInput } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { figure, maybe } from '@/form/numbers'
import { useSweetChoices } from './sweet'

/** A sweet of one's own in the library's form: written new, begun from another, or changed. */
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const choices = useSweetChoices()
const editing = computed(() => String(route.query.edit ?? ''))
const like = computed(() => String(route.query.edit ?? route.query.like ?? 'basundi'))
const original = useQuery({
  queryKey: ['sweet-form', like],
  queryFn: () => unwrap(api.GET('/api/sweets/form', { params: { query: { sweet: like.value } } })),
  retry: false,
})
type Form = Record<string, unknown>
interface Line {
  what: string
  amount: string
}
const form = reactive({
  name: '',
  one: 'piece',
  many: 'pieces',
  grams: '100',
  way: 'serve',
  ph: '6.5',
  cook: '',
  lose: '3',
  baseDo: 'none',
  baseTo: '2',
  mix: [] as Line[],
  finish: [] as Line[],
  sugar: '',
  steps: '',
})
const kept = ref<Form>({})
const BASES = [
  { value: 'none', text: 'no base' },
  { value: 'reduce', text: 'milk reduced' },
  { value: 'curdle', text: 'chhena' },
  { value: 'hang', text: 'hung curd' },
]
const TO: Record<string, string> = {
  reduce: 'Times down',
  curdle: 'Its water, %',
  hang: 'Its water, %',
}
const WAYS = [
  { value: 'serve', text: 'served' },
  { value: 'ball', text: 'shaped' },
  { value: 'slab', text: 'cut from a slab' },
  { value: 'mould', text: 'frozen in moulds' },
]
watch(
  () => original.data.value,
  (data) => {
    if (!data) return
    const whole = structuredClone(JSON.parse(JSON.stringify(data.form))) as Form
    kept.value = whole
    const schools = whole.schools as Record<string, Form>
    const school = schools[Object.keys(schools)[0]!]!
    const lines = (table: unknown) =>
      Object.entries((table ?? {}) as Record<string, number>).map(([what, amount]) => ({
        what,
        amount: String(amount),
      }))
    const bases = Object.entries((school.bases ?? {}) as Record<string, Form>)
    const piece = (school.piece ?? whole.piece) as Form
    const [, base] = bases[0] ?? ['', null]
    Object.assign(form, {
      name: editing.value ? whole.name : '',
      one: whole.one,
      many: whole.many,
      grams: String(piece.grams ?? piece.ml ?? piece.thick_mm ?? 100),
      way: piece.way === 'count' ? 'ball' : piece.way,
      ph: String(school.ph ?? whole.ph ?? 6.5),
      cook: school.cook === undefined ? '' : String(school.cook),
      lose: String(school.lose ?? whole.lose ?? 3),
      baseDo: base ? String(base.do) : 'none',
      baseTo: base
        ? String(base.x ?? base.water ?? (base.ts !== undefined ? Number(base.ts) / 15 : 2))
        : '2',
      mix: lines(school.mix).filter((l) => !bases.some(([letter]) => letter === l.what)),
      finish: lines(school.finish),
      steps: ((school.steps ?? whole.steps ?? []) as Form[])
        .map((s) => `${s.say} | ${typeof s.takes === 'number' ? `${s.takes} min` : s.takes}`)
        .join('\n'),
    })
  },
  { immediate: true },
)
const known = computed(() => ({
  milk: 'milk',
  ...(choices.data.value?.ingredients ?? {}),
  ...Object.fromEntries((choices.data.value?.sweets ?? []).map((s) => [s.key, s.name])),
}))
const local = ref('')
function table(lines: Line[], where: string): Record<string, number> {
  const made: Record<string, number> = {}
  for (const { what, amount } of lines) {
    if (!what.trim()) continue
    const typedName = what.trim().toLowerCase()
    const key =
      Object.keys(known.value).find((k) => k === what.trim()) ??
      Object.entries(known.value).find(([, name]) => name.toLowerCase() === typedName)?.[0]
    if (!key) throw new Error(`There is no “${what}” for ${where}. Choose one of the list.`)
    const value = figure(amount)
    if (!(value >= 0))
      throw new Error(`How much ${known.value[key as 'milk']}? Type just the number.`)
    made[key] = value
  }
  return made
}
function written(): Form {
  const school: Form = {
    name: 'my way',
    mix: table(form.mix, 'the mix'),
    finish: table(form.finish, 'the end'),
  }
  if (form.baseDo !== 'none') {
    const to = figure(form.baseTo)
    school.bases = {
      B: {
        do: form.baseDo,
        of: form.baseDo === 'hang' ? 'yoghurt' : 'milk',
        [form.baseDo === 'reduce' ? 'x' : 'water']: to,
      },
    }
    school.mix = { B: 1, ...(school.mix as Form) }
  }
  const cook = maybe(form.cook)
  if (cook !== null) school.cook = cook
  const size = figure(form.grams)
  const piece: Form =
    form.way === 'mould'
      ? { way: 'mould', ml: size }
      : form.way === 'slab'
        ? { way: 'slab', thick_mm: size }
        : { way: form.way, grams: size }
  const steps = form.steps
    .split('\n')
    .map((line) => line.split('|').map((part) => part.trim()))
    .filter(([say]) => say)
    .map(([say, takes], i) => {
      const minutes = Number((takes ?? '').replace(/[^\d.]/g, ''))
      const named = ['cook', 'fry', 'soak', 'freeze', 'cool'].includes(takes ?? '')
      return {
        key: `step-${i + 1}`,
        say,
        takes: named ? takes : minutes || 10,
        hands: !['freeze', 'cool', 'soak'].includes(takes ?? ''),
        fire: takes === 'cook' || takes === 'fry',
      }
    })
  return {
    name: form.name.trim(),
    one: form.one.trim(),
    many: form.many.trim(),
    ph: figure(form.ph),
    lose: figure(form.lose),
    frozen: form.way === 'mould',
    piece,
    cautions: (kept.value.cautions as string[] | undefined) ?? ['milk', 'boil', 'cooling'],
    windows: (kept.value.windows as Form | undefined) ?? {},
    bands: (kept.value.bands as Form | undefined) ?? {},
    steps,
    schools: { mine: school },
  }
}
const mine = computed(() => choices.data.value?.sweets.find((s) => s.key === editing.value))
const save = useMutation({
  mutationFn: async () => {
    local.value = ''
    const body = { form: written(), version: mine.value?.version ?? null }
    return mine.value?.id
      ? unwrap(api.PUT('/api/sweets/own/{id}', { params: { path: { id: mine.value.id } }, body }))
      : unwrap(api.POST('/api/sweets/own', { body }))
  },
  onSuccess: async (made) => {
    await client.invalidateQueries({ queryKey: ['sweet-choices'] })
    await client.invalidateQueries({ queryKey: ['sweet-form'] })
    await router.push({ path: '/sweets', query: { sweet: made.key } })
  },
})
const problem = computed(() => save.error.value?.message ?? '')
const unit = computed(
  () => ({ serve: 'g', ball: 'g', slab: 'mm thick', mould: 'ml' })[form.way] ?? 'g',
)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Sweets: write one of your own</h1>
    <form class="tray" aria-label="Your own sweet" @submit.prevent="save.mutate()">
      <p class="legend">
        <RouterLink to="/sweets">Sweets</RouterLink
        ><b>{{ editing ? 'Change mine' : 'Write a new one' }}</b>
      </p>
      <h2 class="heading">What it is</h2>
      <div class="cols">
        <FormField v-model="form.name" label="Name" words placeholder="my milk sweet" />
        <FormField v-model="form.one" label="One" words />
        <FormField v-model="form.many" label="Many" words />
        <FormField v-model="form.grams" :label="`Size, ${unit}`" />
      </div>
      <ChoiceRow v-model="form.way" label="A piece is" :choices="WAYS" />
      <h2 class="heading">What goes in</h2>
      <ChoiceRow v-model="form.baseDo" label="Its base" :choices="BASES" />
      <FormField
        v-if="form.baseDo !== 'none'"
        v-model="form.baseTo"
        class="short"
        :label="TO[form.baseDo]!"
      />
      <div class="two">
        <fieldset v-for="part in ['mix', 'finish'] as const" :key="part">
          <legend>
            {{
              part === 'mix'
                ? 'Mixed, kg for a kg of the base (or of milk)'
                : 'At the end, % of the finished sweet'
            }}
          </legend>
          <p v-for="(line, i) in form[part]" :key="i" class="line">
            <NInput
              v-model:value="line.what"
              :input-props="{ list: 'known', 'aria-label': `ingredient ${i + 1}` }"
              placeholder="ingredient"
            />
            <NInput
              v-model:value="line.amount"
              :input-props="{ inputmode: 'decimal', 'aria-label': `amount ${i + 1}` }"
              placeholder=""
            />
            <button
              type="button"
              class="touch"
              :aria-label="`take ${line.what || 'this line'} out`"
              @click="form[part].splice(i, 1)"
            >
              out
            </button>
          </p>
          <button type="button" class="touch" @click="form[part].push({ what: '', amount: '' })">
            one more
          </button>
        </fieldset>
      </div>
      <datalist id="known">
        <option v-for="(name, key) in known" :key="key" :value="name" />
      </datalist>
      <div class="cols">
        <FormField v-model="form.cook" label="Cooked to % water" placeholder="not cooked on" />
        <FormField v-model="form.lose" label="Pan keeps, %" />
        <FormField v-model="form.ph" label="pH" />
      </div>
      <h2 class="heading">The work</h2>
      <p id="how" class="soft">
        One step a line: what to do, a stroke |, and minutes; or cook, fry, soak, freeze, cool for a
        time that is reckoned.
      </p>
      <NInput
        v-model:value="form.steps"
        type="textarea"
        :autosize="{ minRows: 3, maxRows: 10 }"
        :input-props="{ 'aria-label': 'steps', 'aria-describedby': 'how' }"
        placeholder="Off the flame, stir in the sugar. | 5 min"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p class="acts">
        <button type="submit" class="plate" :disabled="!form.name.trim() || save.isPending.value">
          Keep it
        </button>
        <RouterLink :to="{ path: '/sweets', query: { sweet: like } }">Not now</RouterLink>
      </p>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.cols {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 10px 30px;
}
.short {
  max-width: 340px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 18px 34px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
  align-content: start;
  justify-items: start;
}
legend {
  font-weight: 600;
  padding: 0;
  margin-bottom: 4px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 40px;
  gap: 8px;
  width: 100%;
}
.acts {
  display: flex;
  gap: 24px;
  align-items: center;
}
</style>
