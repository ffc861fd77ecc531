<script setup lang="ts">
import { NPopover } from 'naive-ui'
import { ref } from 'vue'
import { usePlace } from './place'
import type { Why } from '@/api/client'

/** A dotted "why?": opens the working behind one figure, with this batch's numbers in it. */
defineProps<{ why: Why | undefined; text: string }>()
const open = ref(false)
const button = ref<HTMLButtonElement>()
const place = usePlace(button)
function outside(event: Event) {
  if (!button.value?.contains(event.target as Node)) open.value = false
}

function close() {
  open.value = false
  button.value?.focus()
}
</script>

<template>
  <button
    ref="button"
    type="button"
    class="why"
    aria-haspopup="dialog"
    :aria-expanded="open"
    @click="open = !open"
    @keydown.esc="open = false"
  >
    {{ text }}
  </button>
  <NPopover v-bind="place" :show="open" trigger="manual" @clickoutside="outside">
    <div
      v-if="why"
      class="working"
      :class="{ gone: !open }"
      role="dialog"
      :aria-label="why.title"
      @keydown.esc="close"
    >
      <h2>{{ why.title }}</h2>
      <p class="words formula">{{ why.formula }}</p>
      <dl>
        <template v-for="t in why.terms" :key="t.name">
          <dt>{{ t.name }}</dt>
          <dd>
            <b>{{ t.value }}</b> <span class="soft">{{ t.note }}</span>
          </dd>
        </template>
      </dl>
      <p><b>How sure</b> {{ why.uncertainty }}.</p>
      <p><b>Sharper</b> {{ why.sharpen }}</p>
      <p class="soft"><b>From</b> {{ why.source }}.</p>
      <p v-if="why.rule">
        <RouterLink :to="`/science/${why.rule}`">The rule, with its range and source</RouterLink>
      </p>
    </div>
  </NPopover>
</template>

<style scoped>
.why {
  color: var(--cobalt);
  font: 550 13.5px/24px var(--figures);
  text-decoration: underline dotted 1.5px;
  text-underline-offset: 4px;
  white-space: nowrap;
}
.working {
  width: min(430px, calc(100vw - 50px));
  font-size: 15px;
  line-height: 21px;
}
h2 {
  font: 650 19px/26px var(--words);
}
.formula {
  margin: 4px 0 8px;
  font-size: 17px;
  line-height: 24px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 3px 14px;
  padding: 8px 0;
  margin-bottom: 8px;
  border: solid var(--ridge);
  border-width: 1px 0;
}
dt {
  color: var(--ink-soft);
}
dd span {
  font-size: 13.5px;
}
p + p {
  margin-top: 4px;
}
/* clear of the strip above and the stations below */
@media (max-width: 599px) {
  .working {
    max-height: calc(100dvh - 230px);
    overflow-y: auto;
  }
}
</style>
