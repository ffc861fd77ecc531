<script setup lang="ts">
import { LONGEST_WORDS } from '@/api/shared'
import { NInput, NPopover } from 'naive-ui'
import { computed, nextTick, ref, useId } from 'vue'
import { usePlace } from './place'

export interface WordChoice {
  value: string
  text: string
  does?: string
}

/**
 * One word of the sentence that opens in place. Typing recalculates at once; Enter keeps, Esc restores,
 * Up and Down step through the choices, Tab goes on to the next word.
 */
const props = defineProps<{
  label: string
  shown: string
  choices?: WordChoice[]
  free?: boolean
  hint?: string
  problem?: string
  /** The comma or full stop that follows, kept on the word's own line. */
  after?: string
}>()
const value = defineModel<string>({ required: true })
/** A word that was emptied can still be touched. */
const seen = computed(() => props.shown.trim() || 'nothing')
const emit = defineEmits<{ kept: [] }>()

const LONG = 24
const open = ref(false)
const before = ref('')
const button = ref<HTMLButtonElement>()
const editor = ref<HTMLElement>()
const hintId = useId()
const place = usePlace(button)

async function show() {
  before.value = value.value
  open.value = true
  await nextTick()
  // the pop-over lands in the page a frame later
  requestAnimationFrame(() => {
    const target =
      editor.value?.querySelector<HTMLElement>('input') ??
      editor.value?.querySelector<HTMLElement>('[aria-pressed=true]') ??
      editor.value?.querySelector<HTMLElement>('button')
    target?.focus()
    if (target instanceof HTMLInputElement) target.select()
  })
}

async function close(keep: boolean, refocus = true) {
  if (!open.value) return
  if (!keep) value.value = before.value
  open.value = false
  if (refocus) button.value?.focus()
  await nextTick() // a choice reaches the model with the next render
  if (keep && value.value !== before.value) emit('kept')
}

function outside(event: Event) {
  if (!button.value?.contains(event.target as Node)) void close(true, false)
}

function choose(choice: WordChoice) {
  value.value = choice.value
  void close(true)
}

function step(by: number) {
  const list = props.choices ?? []
  if (!list.length) return
  const at = list.findIndex((c) => c.value === value.value)
  const next = list[(at + by + list.length) % list.length]!
  value.value = next.value
  if (!props.free) {
    void nextTick(() => editor.value?.querySelector<HTMLElement>('[aria-pressed=true]')?.focus())
  }
}

function toNeighbour(by: number) {
  const words = [...document.querySelectorAll<HTMLElement>('.sentence .word')]
  const next = words[words.indexOf(button.value!) + by]
  void close(true, false)
  ;(next ?? button.value)?.focus()
}

function onKey(event: KeyboardEvent) {
  const acts: Record<string, () => void> = {
    Escape: () => void close(false),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Tab: () => toNeighbour(event.shiftKey ? -1 : 1),
  }
  if (props.free) acts.Enter = () => void close(true)
  const act = acts[event.key]
  if (!act) return
  event.preventDefault()
  event.stopPropagation()
  act()
}
</script>

<template>
  <span class="joined" :class="{ long: seen.length > LONG }"
    ><button
      ref="button"
      type="button"
      class="word"
      :class="{ open, wrong: problem }"
      aria-haspopup="dialog"
      :aria-expanded="open"
      :aria-label="`${label}: ${seen}`"
      @click="open ? close(true) : show()"
    >
      {{ seen }}</button
    >{{ after }}</span
  >
  <NPopover v-bind="place" :show="open" trigger="manual" @clickoutside="outside">
    <div
      ref="editor"
      class="editor"
      :class="{ gone: !open }"
      role="dialog"
      :aria-label="label"
      @keydown="onKey"
    >
      <p class="label">{{ label }}</p>
      <NInput
        v-if="free"
        v-model:value="value"
        placeholder=""
        size="large"
        :maxlength="LONGEST_WORDS"
        :status="problem ? 'error' : undefined"
        :input-props="{
          'aria-label': label,
          'aria-describedby': hintId,
          autocomplete: 'off',
          autocapitalize: 'off',
          spellcheck: false,
        }"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p v-if="hint" :id="hintId" class="soft hint">{{ hint }}</p>
      <ul v-if="choices?.length" class="choices">
        <li v-for="c in choices" :key="c.value">
          <button type="button" class="choice" :aria-pressed="c.value === value" @click="choose(c)">
            <b>{{ c.text }}</b>
            <span v-if="c.does">{{ c.does }}</span>
          </button>
        </li>
      </ul>
    </div>
  </NPopover>
</template>

<style scoped>
.joined {
  white-space: nowrap;
}
/* a word of a whole line may break */
.joined.long {
  white-space: normal;
}
.word {
  color: var(--cobalt);
  font: inherit;
  font-weight: 600;
  text-align: left;
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 6px;
}
.word:hover {
  background: var(--cobalt-wash);
  border-radius: 5px;
}
.word.open,
.word:focus-visible {
  background: var(--cobalt-wash);
  border-radius: 6px;
  outline: none;
  box-shadow:
    0 0 0 2px var(--cobalt),
    0 0 0 4px var(--enamel),
    0 0 0 5px var(--cobalt);
}
.word.wrong {
  color: var(--madder);
  text-decoration-style: wavy;
}
.editor {
  width: 330px;
}
.label {
  font-weight: 650;
  margin-bottom: 6px;
}
.label::first-letter {
  text-transform: uppercase;
}
.hint {
  margin-top: 6px;
  font-size: 13.5px;
}
.editor .problem {
  margin-top: 6px;
}
.choices {
  display: grid;
  gap: 2px;
  margin: 8px -8px -4px;
  max-height: 300px;
  overflow-y: auto;
}
.choice {
  display: block;
  width: 100%;
  padding: 6px 8px 4px;
  border-radius: 6px;
  text-align: left;
}
.choice b {
  display: block;
  color: var(--cobalt);
  font-weight: 600;
  font-size: 17px;
  line-height: 22px;
}
.choice span {
  color: var(--ink-soft);
  font-size: 13.5px;
}
.choice:hover,
.choice[aria-pressed='true'] {
  background: var(--cobalt-wash);
}
@media (max-width: 599px) {
  .editor {
    width: calc(100vw - 50px);
  }
}
</style>
