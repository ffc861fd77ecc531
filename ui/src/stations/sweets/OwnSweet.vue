<script setup lang="ts">
import { useMutation, useQuery } from '@tanstack/vue-query'
import { NInput } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import ChoiceRow from '@/form/ChoiceRow.vue'
import FormField from '@/form/FormField.vue'
import { readForm, writeForm, type BaseLine, type Form, type Known, type Page } from './own'
import { useSweetChoices, useSweetsChanged } from './sweet'

/** A sweet of one's own in the library's form: written new, begun from another, or changed. */
const route = useRoute()
const router = useRouter()
const changed = useSweetsChanged()
const choices = useSweetChoices()
const editing = computed(() => String(route.query.edit ?? ''))
const like = computed(() => String(route.query.edit ?? route.query.like ?? 'basundi'))
const original = useQuery({
  queryKey: ['sweet-form', like],
  queryFn: () => unwrap(api.GET('/api/sweets/form', { params: { query: { sweet: like.value } } })),
  retry: false,
})
const page = reactive<Page>({
  name: '',
  one: '',
  many: '',
  size: '',
  way: 'serve',
  ph: '',
  cook: '',
  lose: '',
  bases: [],
  mix: [],
  finish: [],
  steps: '',
})
const kept = ref<Form | null>(null)
const DOES = [
  { value: 'reduce', text: 'milk reduced' },
  { value: 'curdle', text: 'chhena' },
  { value: 'hang', text: 'hung curd' },
]
const WAYS = [
  { value: 'serve', text: 'served' },
  { value: 'ball', text: 'shaped' },
  { value: 'slab', text: 'cut from a slab' },
  { value: 'mould', text: 'frozen in moulds' },
]
const known = computed<Known>(() => ({
  milk: 'milk',
  ...(choices.data.value?.ingredients ?? {}),
  ...Object.fromEntries((choices.data.value?.sweets ?? []).map((s) => [s.key, s.name])),
}))
watch(
  [() => original.data.value, () => choices.isSuccess.value],
  ([data, named]) => {
    if (!data || !named) return
    kept.value = JSON.parse(JSON.stringify(data.form)) as Form
    Object.assign(page, readForm(kept.value, known.value))
    if (!editing.value) page.name = ''
  },
  { immediate: true },
)
function another() {
  const letter = ['A', 'B', 'C', 'D'].find((l) => !page.bases.some((b) => b.letter === l)) ?? 'E'
  page.bases.push({ letter, do: 'reduce', of: 'milk', to: '2' })
  page.mix.unshift({ what: letter, amount: '1' })
}
function without(letter: string) {
  page.bases = page.bases.filter((b) => b.letter !== letter)
  page.mix = page.mix.filter((l) => l.what !== letter)
}
function becomes(b: BaseLine, does: string) {
  b.do = does
  b.of = does === 'hang' ? 'yoghurt' : 'milk'
  b.to = does === 'reduce' ? '2' : does === 'curdle' ? '56' : '72'
}
const mine = computed(() => choices.data.value?.sweets.find((s) => s.key === editing.value))
const save = useMutation({
  mutationFn: async () => {
    const body = {
      form: writeForm(page, kept.value!, known.value),
      version: mine.value?.version ?? null,
    }
    return mine.value?.id
      ? unwrap(api.PUT('/api/sweets/own/{id}', { params: { path: { id: mine.value.id } }, body }))
      : unwrap(api.POST('/api/sweets/own', { body }))
  },
  onSuccess: async (made) => {
    await changed()
    await router.push({ path: '/sweets', query: { sweet: made.key } })
  },
})
const problem = computed(() => save.error.value?.message ?? '')
const unit = computed(
  () => ({ serve: 'g', ball: 'g', slab: 'mm thick', mould: 'ml' })[page.way] ?? 'g',
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
        <FormField v-model="page.name" label="Name" words placeholder="my milk sweet" />
        <FormField v-model="page.one" label="One" words />
        <FormField v-model="page.many" label="Many" words />
        <FormField v-model="page.size" :label="`Size, ${unit}`" />
      </div>
      <ChoiceRow v-model="page.way" label="A piece is" :choices="WAYS" />
      <h2 class="heading">What goes in</h2>
      <p v-for="b in page.bases" :key="b.letter" class="base">
        <b>Base {{ b.letter }}</b>
        <ChoiceRow
          :model-value="b.do"
          :choices="DOES"
          @update:model-value="(does) => becomes(b, does)"
        />
        <FormField
          v-model="b.to"
          :label="b.do === 'reduce' ? 'Times down, or % solids' : 'Its water, %'"
        />
        <button type="button" class="touch" @click="without(b.letter)">
          out<span class="visually-hidden">: base {{ b.letter }}</span>
        </button>
      </p>
      <p><button type="button" class="touch" @click="another">a base made first</button></p>
      <div class="two">
        <fieldset v-for="part in ['mix', 'finish'] as const" :key="part">
          <legend>
            {{
              part === 'mix'
                ? 'Mixed: kg, the first one 1 (bases by their letter)'
                : 'At the end, % of the finished sweet'
            }}
          </legend>
          <p v-for="(line, i) in page[part]" :key="i" class="line">
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
              @click="page[part].splice(i, 1)"
            >
              out
            </button>
          </p>
          <button type="button" class="touch" @click="page[part].push({ what: '', amount: '' })">
            one more
          </button>
        </fieldset>
      </div>
      <datalist id="known">
        <option v-for="(name, key) in known" :key="key" :value="name" />
      </datalist>
      <div class="cols">
        <FormField v-model="page.cook" label="Cooked to % water" placeholder="not cooked on" />
        <FormField v-model="page.lose" label="Pan keeps, %" />
        <FormField v-model="page.ph" label="pH" />
      </div>
      <h2 class="heading">The work</h2>
      <p id="how" class="soft">
        One step a line: what to do, a stroke |, and minutes; or cook, fry, soak, freeze, cool for a
        time that is reckoned.
      </p>
      <NInput
        v-model:value="page.steps"
        type="textarea"
        :autosize="{ minRows: 3, maxRows: 10 }"
        :input-props="{ 'aria-label': 'steps', 'aria-describedby': 'how' }"
        placeholder="Off the flame, stir in the sugar. | 5 min"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p class="acts">
        <button
          type="submit"
          class="plate"
          :disabled="!page.name.trim() || !kept || save.isPending.value"
        >
          Keep it
        </button>
        <RouterLink class="touch" :to="{ path: '/sweets', query: { sweet: like } }"
          >Not now</RouterLink
        >
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
.base {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
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
