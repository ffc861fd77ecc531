<script setup lang="ts">
import FindText from '@/reading/FindText.vue'
import { pageFor, useText } from '@/reading/text'
import TextBody from '@/reading/TextBody.vue'
import type { Key } from './keys'

/** How to use the screen one is at, with its keys; found by its words without a network. */
const props = defineProps<{ address: string; keys: Key[] }>()
const emit = defineEmits<{ close: [] }>()
const CAPS: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→' }
const page = pageFor(props.address)
const text = useText('using', page)
</script>

<template>
  <div class="tray help" role="dialog" aria-label="How to use this">
    <div class="read" tabindex="0" role="group" aria-label="The page">
      <h2 class="heading">{{ text.data.value?.title ?? 'How to use it' }}</h2>
      <FindText @leave="emit('close')" />
      <p v-if="text.error.value" class="problem" role="alert">{{ text.error.value.message }}</p>
      <TextBody v-if="text.data.value" :html="text.data.value.html" @leave="emit('close')" />
    </div>
    <aside tabindex="0" aria-label="Keys">
      <h3>Keys of this screen</h3>
      <dl>
        <template v-for="k in keys" :key="k.key">
          <dt>
            <kbd>{{ CAPS[k.key] ?? k.key.toUpperCase() }}</kbd>
          </dt>
          <dd>{{ k.does }}</dd>
        </template>
      </dl>
    </aside>
    <p class="buttons">
      <RouterLink class="plate line" :to="`/using/${page}`" @click="emit('close')"
        >On a page of its own</RouterLink
      >
      <button type="button" class="plate line" @click="emit('close')">Close</button>
    </p>
  </div>
</template>

<style scoped>
.help {
  display: grid;
  grid-template: minmax(0, 1fr) max-content / minmax(0, 1fr) 290px;
  gap: 12px 34px;
  width: min(1080px, 94vw);
  height: 88vh;
}
.read,
aside {
  overflow-y: auto;
}
.heading {
  margin: 4px 4px 12px;
}
h3 {
  font: 650 19px/26px var(--words);
}
dl {
  display: grid;
  grid-template-columns: 54px 1fr;
  gap: 8px;
  margin-top: 10px;
  font-size: 16px;
  line-height: 21px;
}
.buttons {
  grid-column: 1 / -1;
  display: flex;
  gap: 12px;
}
@media (max-width: 900px) {
  .help {
    grid-template: minmax(0, 1fr) max-content / minmax(0, 1fr);
  }
  aside {
    display: none;
  }
}
</style>
