<script setup lang="ts">
import { computed } from 'vue'
import type { DoorOut } from '@/api/client'

/** The code for the camera and the six numbers, hanging from the rail; the groove is their life. */
const props = defineProps<{ door: DoorOut }>()
const emit = defineEmits<{ renew: [] }>()

/** One square of the code each, as runs along a row. Dark on white by night too: a camera asks for it. */
const squares = computed(() =>
  props.door.qr
    .flatMap((row, y) => [...row].map((bit, x) => (bit === '1' ? `M${x} ${y}h1v1h-1z` : '')))
    .join(''),
)
const side = computed(() => props.door.qr.length)
const left = computed(() => Math.max(0, props.door.left_s / props.door.good_for_s))
const said = computed(() => {
  const halves = Math.max(1, Math.round(props.door.left_s / 30))
  return `for one phone, once; void in ${halves < 2 ? '' : Math.floor(halves / 2)}${halves % 2 ? '½' : ''} min`
})
</script>

<template>
  <div class="hanging">
    <div class="code">
      <svg
        v-if="side"
        :viewBox="`-4 -4 ${side + 8} ${side + 8}`"
        role="img"
        aria-label="Code for a phone’s camera"
        shape-rendering="crispEdges"
      >
        <rect x="-4" y="-4" :width="side + 8" :height="side + 8" fill="#ffffff" />
        <path :d="squares" fill="#1b2444" />
      </svg>
      <p v-if="side"><b>Point the phone’s camera here</b></p>
      <p v-if="side" class="soft">same wi-fi; nothing leaves the house</p>
    </div>
    <div class="six">
      <p class="plates" :aria-label="`The numbers: ${door.code}`" role="img">
        <b v-for="i in 6" :key="i" :class="{ gap: i === 4 }">{{ door.code[i - 1] }}</b>
      </p>
      <p><b>or type these six on the phone</b></p>
      <div class="groove"><i :style="{ width: `${left * 100}%` }"></i></div>
      <p class="life">
        <span class="soft">{{ said }}</span>
        <button type="button" class="touch" @click="emit('renew')">New numbers</button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.hanging {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 32px;
}
.code svg {
  width: 220px;
  height: 220px;
  margin: 12px 0 10px;
  border: 3px solid var(--cobalt);
  border-radius: 12px;
}
.plates {
  display: flex;
  gap: 8px;
  margin: 0 0 18px;
}
.plates b {
  position: relative;
  display: grid;
  place-items: center;
  flex: 0 1 76px;
  height: 104px;
  margin-top: 12px;
  padding-top: 14px;
  border-radius: var(--r-plate);
  background: var(--plate);
  color: var(--plate-ink);
  font-size: 64px;
  font-weight: 700;
  box-shadow:
    inset 0 0 0 3px var(--plate),
    inset 0 0 0 4.5px var(--plate-ink);
}
.plates b::before {
  content: '';
  position: absolute;
  top: -12px;
  left: 22%;
  right: 22%;
  height: 12px;
  border: solid var(--cobalt);
  border-width: 0 2px;
}
.plates .gap {
  margin-left: 18px;
}
.groove {
  height: 10px;
  margin: 14px 0 8px;
  border-radius: 5px;
  background: var(--groove);
  overflow: hidden;
}
.groove i {
  display: block;
  height: 100%;
  border-radius: 5px;
  background: var(--ink);
}
.life {
  display: flex;
  gap: 20px;
  justify-content: space-between;
}
@media (max-width: 900px) {
  .hanging {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
    margin-inline: 16px;
  }
  .plates {
    gap: 5px;
  }
  .plates b {
    height: 76px;
    font-size: 40px;
  }
  .plates .gap {
    margin-left: 8px;
  }
}
</style>
