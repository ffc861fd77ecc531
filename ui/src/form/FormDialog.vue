<script setup lang="ts">
import type { Right } from '@/api/client'
import { may, RIGHT_DOES } from '@/door/me'

/** A dialog with one thing to fill in: what is wrong, whose change came first, and what can be done. */
defineProps<{
  title: string
  verb: string
  problem?: string
  blocked?: boolean
  busy?: boolean
  theirs?: string
  removable?: boolean
  /** The right that it takes. */
  needs?: Right
}>()
const emit = defineEmits<{ keep: []; cancel: []; accept: []; take: []; remove: [] }>()
</script>

<template>
  <div class="tray dialog" role="dialog" :aria-label="title">
    <form @submit.prevent="emit('keep')">
      <h2 class="heading">{{ title }}</h2>
      <slot />
      <p v-if="theirs" class="problem" role="alert">
        It was changed elsewhere meanwhile and now says: {{ theirs }}.
        <button type="button" class="touch" @click="emit('take')">Take that</button>
        <button type="button" class="touch" @click="emit('accept')">Keep mine</button>
      </p>
      <p v-else-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p v-if="needs && !may(needs)" class="soft">
        This device may not {{ RIGHT_DOES[needs] }}: at the computer it can be given more.
      </p>
      <p class="buttons">
        <button
          type="submit"
          class="plate"
          :disabled="blocked || busy || Boolean(theirs) || (needs && !may(needs))"
        >
          {{ verb }}
        </button>
        <button type="button" class="plate line" @click="emit('cancel')">Not now</button>
        <button
          v-if="removable && (!needs || may(needs))"
          type="button"
          class="touch out"
          @click="emit('remove')"
        >
          Take it out
        </button>
      </p>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 9px;
  max-height: 88vh;
  overflow-y: auto;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
}
.out {
  color: var(--madder);
  margin-left: auto;
}
</style>
