<script setup lang="ts">
import { computed } from 'vue'
import type { DayOut } from '@/api/client'

/** What can be got ready the evening before: weighed dry, set out, taken out, and the room that it wants. */
const props = defineProps<{ plan: DayOut }>()
type Do = NonNullable<DayOut['ahead']>[number]['do']
const PARTS: { says: string; does: Do[] }[] = [
  { says: 'Weigh out, dry', does: ['weigh'] },
  { says: 'Set out', does: ['cloths', 'tray', 'moulds'] },
  { says: 'Stands ready', does: ['take-out'] },
  { says: 'Make room', does: ['freezer'] },
]
const parts = computed(() =>
  PARTS.map(({ says, does }) => ({
    says,
    lines: (props.plan.ahead ?? []).filter((one) => does.includes(one.do)).map((one) => one.text),
  })).filter((part) => part.lines.length),
)
</script>

<template>
  <section v-if="parts.length" class="tray" aria-label="The evening before">
    <p class="legend"><b>the evening before</b></p>
    <dl>
      <div v-for="part in parts" :key="part.says">
        <dt>{{ part.says }}</dt>
        <dd>
          <span v-for="line in part.lines" :key="line">{{ line }}</span>
        </dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  gap: 10px;
}
dl > div {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 2px 18px;
}
dt {
  font: 650 18px/26px var(--words);
}
dd {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 26px;
  font-size: 17px;
  line-height: 26px;
}
@media (max-width: 760px) {
  dl > div {
    grid-template-columns: minmax(0, 1fr);
  }
  dd {
    display: grid;
  }
}
</style>
