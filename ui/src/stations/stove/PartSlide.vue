<script setup lang="ts">
import { computed } from 'vue'
import FormField from '@/form/FormField.vue'
import { grams } from '@/say'
import { gramsIn, stepOf, type Bowl } from './part'

/** How much of what stands there goes in: the bar is slid, or the amount is said in words; what stays is told at once. */
const props = defineProps<{ bowl: Bowl; name: string; busy: boolean }>()
const words = defineModel<string>({ required: true })
defineEmits<{ take: [] }>()
const step = computed(() => stepOf(props.bowl.holds))
/** The last step is all of it, to the gram. */
const most = computed(() => Math.ceil(props.bowl.holds / step.value) * step.value)
const part = computed(() => {
  const said = gramsIn(words.value)
  return said === null ? null : Math.min(said, props.bowl.holds)
})
const share = computed(() => ((part.value ?? 0) / props.bowl.holds) * 100)
const needed = computed(() =>
  props.bowl.needs > 0 && props.bowl.needs < props.bowl.holds ? props.bowl.needs : null,
)
function slid(event: Event) {
  const at = Number((event.target as HTMLInputElement).value)
  words.value = `${at >= props.bowl.holds ? Math.floor(props.bowl.holds) : at} g`
}
</script>

<template>
  <form class="part" @submit.prevent="$emit('take')">
    <p class="says">
      <template v-if="part !== null"
        ><b>{{ grams(part / 1000) }}</b> goes in,
        <b>{{ grams((bowl.holds - part) / 1000) }}</b> stays in its bowl</template
      >
      <template v-else>As said, of {{ grams(bowl.holds / 1000) }}</template>
    </p>
    <div class="bar" :style="{ '--share': `${share}%` }">
      <span
        v-if="needed"
        class="mark"
        :class="{ late: needed > bowl.holds / 2 }"
        :style="{ left: `${(needed / bowl.holds) * 100}%` }"
        >told: {{ grams(needed / 1000) }}</span
      >
      <input
        type="range"
        :min="step"
        :max="most"
        :step="step"
        :value="part ?? 0"
        :aria-label="`Slide how much of ${name}`"
        :aria-valuetext="part === null ? words : grams(part / 1000)"
        @input="slid"
      />
    </div>
    <FormField v-model="words" label="How much of it" placeholder="200 g" words />
    <button type="submit" class="plate line" :disabled="busy">Take it</button>
  </form>
</template>

<style scoped>
.part {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 18px;
  flex-basis: 100%;
  max-width: 720px;
}
.says {
  flex-basis: 100%;
  font: 400 20px/30px var(--words);
}
.bar {
  position: relative;
  flex: 1 1 100%;
  padding-top: 22px;
}
.mark {
  position: absolute;
  top: 0;
  padding-left: 6px;
  border-left: 2px solid var(--ink-soft);
  font: 500 15px/20px var(--figures);
  color: var(--ink-soft);
  white-space: nowrap;
}
.mark.late {
  padding: 0 6px 0 0;
  border-width: 0 2px 0 0;
  transform: translateX(-100%);
}
input {
  appearance: none;
  display: block;
  width: 100%;
  height: 56px;
  margin: 0;
  background: none;
  cursor: grab;
}
input::-webkit-slider-runnable-track {
  height: 26px;
  border: 2px solid var(--iron);
  border-radius: 13px;
  background: linear-gradient(to right, #fbeecb var(--share), var(--hollow) var(--share));
}
input::-moz-range-track {
  height: 22px;
  border: 2px solid var(--iron);
  border-radius: 13px;
  background: linear-gradient(to right, #fbeecb var(--share), var(--hollow) var(--share));
}
input::-webkit-slider-thumb {
  appearance: none;
  width: 44px;
  height: 44px;
  margin-top: -11px;
  border: 3px solid var(--enamel);
  border-radius: 50%;
  background: var(--plate);
}
input::-moz-range-thumb {
  width: 40px;
  height: 40px;
  border: 3px solid var(--enamel);
  border-radius: 50%;
  background: var(--plate);
}
input:focus-visible {
  outline: 3px solid var(--cobalt);
  outline-offset: -6px;
  border-radius: 20px;
}
.part :deep(.field) {
  flex: 1 1 260px;
  grid-template-columns: max-content minmax(0, 1fr);
}
</style>
