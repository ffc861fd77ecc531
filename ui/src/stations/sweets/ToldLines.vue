<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { nextTick, ref, watch } from 'vue'
import type { Told } from '@/api/client'
import { LONGEST_BREATH, MOST_LINES } from '@/api/shared'
import { grams as weighed } from '@/say'
import {
  answersOf,
  answersSaid,
  aroundLoose,
  EXAMPLE,
  inSingleLines,
  linesOf,
  shifted,
} from './told'

/**
 * The cook's lines: one line, one thing done. Enter opens the next, what is understood stands under each, and only a
 * doubt that moves the sum asks.
 */
const props = defineProps<{
  told: Told | undefined
  /** Lines that are spoken of elsewhere. */
  washed?: readonly number[]
}>()
const lines = defineModel<string>('lines', { required: true })
const answers = defineModel<string>('answers', { required: true })
const emit = defineEmits<{ kept: []; laid: [list: HTMLElement] }>()

const list = ref<HTMLElement>()
/** The line last written in was left, or ended with Enter. */
const settled = ref(true)
function kept() {
  settled.value = true
  emit('kept')
}
useResizeObserver(list, () => list.value && emit('laid', list.value))
const field = (at: number) => list.value?.querySelectorAll<HTMLTextAreaElement>('.text')[at]

function put(all: string[], told = answersOf(answers.value)) {
  lines.value = all.slice(0, MOST_LINES).join('\n')
  answers.value = answersSaid(told)
}
function write(at: number, text: string) {
  const all = linesOf(lines.value)
  all[at] = text
  settled.value = false
  put(all)
}
async function open(at: number) {
  const all = linesOf(lines.value)
  if (all.length >= MOST_LINES) return
  all.splice(at, 0, '')
  put(all, shifted(answersOf(answers.value), at, 1))
  await nextTick()
  field(at)?.focus()
}
async function close(at: number) {
  const all = linesOf(lines.value)
  all.splice(at, 1)
  put(all.length ? all : [''], shifted(answersOf(answers.value), at, -1))
  await nextTick()
  field(Math.max(0, at - 1))?.focus()
  emit('kept')
}
function key(event: KeyboardEvent, at: number) {
  const text = (event.target as HTMLTextAreaElement).value
  const acts: Record<string, () => unknown> = {
    Enter: () => (kept(), open(at + 1)),
    ArrowUp: () => field(at - 1)?.focus(),
    ArrowDown: () => field(at + 1)?.focus(),
  }
  if (!text && linesOf(lines.value).length > 1) acts.Backspace = () => close(at)
  const act = acts[event.key]
  if (!act || event.isComposing) return
  event.preventDefault()
  void act()
}
/** Several lines at once, as from a note. */
function paste(event: ClipboardEvent, at: number) {
  const text = event.clipboardData?.getData('text') ?? ''
  if (!text.includes('\n')) return
  event.preventDefault()
  const all = linesOf(lines.value)
  const fresh = text.split(/\r?\n/).filter((line) => line.trim())
  all.splice(at, all[at] ? 0 : 1, ...fresh.map((line) => line.trim().slice(0, LONGEST_BREATH)))
  put(all, {})
  emit('kept')
}
/** What was told in one breath is a line each once it is told: not while one still writes in it. */
watch(
  () => [props.told, settled.value] as const,
  async ([answer]) => {
    const mine = linesOf(lines.value)
    if (!settled.value || !answer || answer.lines.length <= mine.length) return
    const said = answer.lines.map((line) => line.text)
    const single = inSingleLines(mine, said, answersOf(answers.value))
    if (!single) return
    const fields = [...(list.value?.querySelectorAll('.text') ?? [])]
    const here = fields.indexOf(document.activeElement as Element)
    put(single.lines, single.answers)
    emit('kept')
    await nextTick()
    if (here >= 0) field(single.moved[here]!)?.focus()
  },
)
function answer(at: number, option: string) {
  answers.value = answersSaid({ ...answersOf(answers.value), [at]: option })
  emit('kept')
}
function example() {
  put([...EXAMPLE], {})
  emit('kept')
}
const told = (at: number) =>
  props.told?.lines[at]?.text === linesOf(lines.value)[at] ? props.told?.lines[at] : undefined
const around = (line: string, at: number) => aroundLoose(line, told(at)?.loose ?? '')
const MARK = { told: 'told', guess: 'guess', doubt: '?', weighed: '✓', '': '' }
const SPOKEN = { told: 'told', guess: 'a guess', doubt: 'in doubt', weighed: 'weighed', '': '' }
const makes = (option: { grams: number; sugar: number | null }) =>
  `${weighed(option.grams / 1e3)}${option.sugar === null ? '' : `, ${Math.round(option.sugar * 100)} % sugar`}`
</script>

<template>
  <div>
    <ol ref="list">
      <li v-for="(line, at) in linesOf(lines)" :key="at" :class="{ washed: washed?.includes(at) }">
        <div class="written">
          <!-- prettier-ignore -->
          <p class="loose" aria-hidden="true"><span>&#8203;{{ around(line, at)[0] }}</span><i :class="{ asks: told(at)?.options.length }">{{ around(line, at)[1] }}</i></p>
          <textarea
            class="text"
            rows="1"
            :value="line"
            :maxlength="LONGEST_BREATH"
            autocomplete="off"
            autocapitalize="off"
            spellcheck="false"
            :aria-label="`line ${at + 1}`"
            :aria-describedby="`understood-${at}`"
            :placeholder="lines ? (line ? '' : 'what was done next') : EXAMPLE[0]"
            :class="{ wrong: told(at)?.problem, aside: told(at)?.kind === 'note' }"
            @input="write(at, ($event.target as HTMLTextAreaElement).value.replaceAll('\n', ' '))"
            @change="kept"
            @keydown="key($event, at)"
            @paste="paste($event, at)"
          />
        </div>
        <p v-if="told(at)?.grams" class="grams" :class="told(at)!.source || 'none'">
          <span aria-hidden="true">{{ MARK[told(at)!.source] }}</span><span
            class="visually-hidden"
            >{{ SPOKEN[told(at)!.source] }}</span
          >
          <b>{{ weighed(told(at)!.grams! / 1e3) }}</b>
        </p>
        <p :id="`understood-${at}`" class="understood">
          <span v-if="told(at)?.problem" class="problem"
            >{{ told(at)!.problem }} {{ told(at)!.fix }}</span
          >
          <template v-else>{{ told(at)?.said }}</template>
        </p>
        <div
          v-if="told(at)?.options.length"
          class="options"
          role="group"
          :aria-label="`Which one is meant by “${line}”?`"
        >
          <p>Which one do you mean?</p>
          <button
            v-for="o in told(at)!.options"
            :key="o.key"
            type="button"
            :aria-pressed="o.key === told(at)!.answer"
            @click="answer(at, o.key)"
          >
            <b>{{ o.text }}</b>
            <span>{{ makes(o) }}</span>
          </button>
        </div>
      </li>
    </ol>
    <ol v-if="!lines.trim()" class="ghost" aria-label="An example">
      <li v-for="line in EXAMPLE.slice(1)" :key="line">{{ line }}</li>
    </ol>
    <p class="acts">
      <button type="button" class="touch" @click="open(linesOf(lines).length)">
        one more line
      </button>
      <button v-if="!lines.trim()" type="button" class="touch" @click="example">
        show me with an example
      </button>
    </p>
  </div>
</template>

<style scoped>
.washed {
  border-radius: 8px;
  background: var(--cobalt-wash);
  box-shadow: 0 0 0 8px var(--cobalt-wash);
}
ol {
  position: relative;
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 12px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 112px;
  column-gap: 14px;
  align-items: baseline;
}
.written {
  display: grid;
}
.written > * {
  grid-area: 1 / 1;
}
.text,
.loose {
  font-family: var(--words);
  font-size: 24px;
  line-height: 34px;
  min-height: 44px;
  width: 100%;
  overflow-wrap: break-word;
  white-space: pre-wrap;
  padding: 4px 0 2px;
}
.loose {
  color: transparent;
}
.loose i {
  font-style: normal;
  text-decoration: underline dotted 3px var(--cobalt);
  text-underline-offset: 7px;
  text-decoration-skip-ink: none;
}
.loose i.asks {
  background: linear-gradient(var(--cobalt-wash) 0 0) center / 100% 32px no-repeat;
}
.text {
  position: relative;
  resize: none;
  overflow: hidden;
  field-sizing: content;
  border: 0;
  border-bottom: 1.5px solid color-mix(in srgb, var(--ink) 14%, transparent);
  border-radius: 0;
  background: none;
  color: var(--ink);
}
.ghost {
  gap: 6px;
  margin-top: 8px;
}
.ghost li,
.text::placeholder {
  color: var(--ink-soft);
  opacity: 1;
  font-style: italic;
}
.ghost li {
  font-family: var(--words);
  font-size: 24px;
  line-height: 38px;
}
.text:focus-visible {
  outline: none;
  border-bottom: 2px solid var(--cobalt);
  background: color-mix(in srgb, var(--cobalt-wash) 45%, transparent);
}
.text.aside {
  color: var(--ink-soft);
}
.text.wrong {
  border-bottom-color: var(--madder);
}
.grams {
  text-align: right;
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
.grams b {
  font-size: 20px;
  margin-left: 10px;
  font-weight: 650;
}
.grams span {
  font-size: 13.5px;
  color: var(--ink-soft);
}
.grams.told b,
.grams.guess b {
  color: var(--ink-soft);
}
.grams.doubt b,
.grams.doubt span {
  color: var(--cobalt);
  font-weight: 700;
}
.grams.weighed span {
  color: var(--leaf);
  font-weight: 700;
}
.understood {
  grid-column: 1;
  font-size: 13.5px;
  line-height: 18px;
  color: var(--ink-soft);
}
.options {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
  margin-top: 4px;
}
.options p {
  grid-column: 1 / -1;
  color: var(--cobalt);
  font-weight: 650;
  font-size: 15px;
}
.options button {
  text-align: left;
  border: 2px solid var(--cobalt);
  border-radius: 8px;
  padding: 6px 10px;
  min-height: 48px;
}
.options b {
  display: block;
  color: var(--cobalt);
  font-weight: 650;
  line-height: 19px;
}
.options span {
  font-size: 13.5px;
}
.options button[aria-pressed='true'],
.options button:hover {
  background: var(--cobalt-wash);
}
.acts {
  display: flex;
  gap: 22px;
  margin-top: 10px;
}
@media (max-width: 640px) {
  .text,
  .loose {
    font-size: 20px;
  }
  li {
    grid-template-columns: minmax(0, 1fr) 92px;
    column-gap: 8px;
  }
  .grams b {
    font-size: 17px;
    margin-left: 6px;
  }
  .options {
    grid-template-columns: 1fr;
  }
}
</style>
