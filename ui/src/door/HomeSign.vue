<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { RIGHT_DOES, useMe } from './me'

/** On every screen while the house is served: that it is, or what this device may do. A drawing among the tools of
 *  a wide rail, a line on a phone. */
defineProps<{ line?: boolean }>()
const { me } = useMe()
const says = computed(() => {
  if (!me.value?.home) return ''
  if (me.value.here) return 'Open to the house: the door'
  return me.value.allowed ? `You may ${RIGHT_DOES[me.value.allowed]}` : ''
})
</script>

<template>
  <RouterLink
    v-if="says"
    :class="line ? 'line' : 'tool'"
    :to="me?.here ? '/larder/door' : '/knock'"
    :title="says"
  >
    <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden="true">
      <path d="M4 21V2h12v19M1 21h18" class="frame" />
      <path d="M4 2l7 4v17l-7-2z" class="leaf" />
    </svg>
    <span v-if="line">{{ says }}</span>
    <span v-else class="caption"
      ><span class="visually-hidden">{{ says }}</span
      >house</span
    >
  </RouterLink>
</template>

<style scoped>
.tool {
  display: grid;
  place-items: center;
  width: 40px;
  height: 42px;
}
.caption {
  font-size: 12px;
  line-height: 14px;
}
.line {
  display: none;
}
.line svg {
  width: 15px;
  height: 17px;
}
@media (max-width: 900px) {
  .line {
    display: flex;
    gap: 8px;
    align-items: center;
    justify-content: flex-end;
    min-height: 40px;
    margin-bottom: -14px;
    padding: 4px 20px 0;
    font-size: 14.5px;
  }
}
.frame {
  fill: var(--enamel);
  stroke: currentColor;
  stroke-width: 1.7;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.leaf {
  fill: var(--saffron-fill);
  stroke: currentColor;
  stroke-width: 1.7;
  stroke-linejoin: round;
}
</style>
