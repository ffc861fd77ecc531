<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

/** A page of our own text; the heading at `anchor` stands in view, and links between pages stay in the application. */
const props = defineProps<{ html: string; anchor?: string }>()
const emit = defineEmits<{ leave: [] }>()
const router = useRouter()
const text = ref<HTMLElement>()
watch(
  [() => props.html, () => props.anchor, text],
  async () => {
    await nextTick()
    text.value?.querySelectorAll('.named').forEach((e) => e.classList.remove('named'))
    const at = props.anchor && text.value?.querySelector(`[id="${CSS.escape(props.anchor)}"]`)
    if (!at) return
    at.classList.add('named')
    at.scrollIntoView({ block: 'start' })
  },
  { immediate: true },
)
function follow(event: MouseEvent) {
  const link = (event.target as HTMLElement).closest('a')
  if (!link || link.origin !== location.origin || event.metaKey || event.ctrlKey) return
  event.preventDefault()
  emit('leave')
  void router.push(link.pathname + link.search + link.hash)
}
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- our own text, shipped with the application -->
  <div ref="text" class="text" @click="follow" v-html="html" />
</template>

<style scoped>
.text {
  font-size: 17px;
  line-height: 26px;
}
.text :deep(h2) {
  margin: 26px 0 4px;
  padding-top: 4px;
  font: 650 22px/28px var(--words);
  scroll-margin-top: 90px;
}
.text :deep(h2.named) {
  border-left: 5px solid var(--cobalt);
  padding-left: 12px;
}
.text :deep(p),
.text :deep(li) {
  max-width: 74ch;
}
.text :deep(p) {
  margin: 6px 0;
}
.text :deep(ul),
.text :deep(ol) {
  padding-left: 22px;
  list-style: disc;
}
.text :deep(ol) {
  list-style: decimal;
}
.text :deep(em) {
  font-style: normal;
  font-weight: 600;
}
.text :deep(a) {
  color: var(--cobalt);
}
.text :deep(img) {
  max-width: min(100%, 760px);
  max-height: 560px;
  margin: 10px 0;
  border: 1px solid var(--ridge);
  border-radius: 8px;
}
.text :deep(.wide) {
  overflow-x: auto;
  margin: 10px 0;
}
.text :deep(table) {
  border-collapse: collapse;
  font-size: 15px;
  line-height: 21px;
}
.text :deep(th) {
  color: var(--ink-soft);
  font-weight: 450;
  text-align: left;
}
.text :deep(th),
.text :deep(td) {
  padding: 6px 16px 5px 0;
  vertical-align: top;
}
.text :deep(td) {
  border-top: 1px solid var(--ridge);
  min-width: 7ch;
}
.text :deep(code) {
  font-size: 13px;
  overflow-wrap: anywhere;
}
.text :deep(pre) {
  overflow-x: auto;
}
</style>
