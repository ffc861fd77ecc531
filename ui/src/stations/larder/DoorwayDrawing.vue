<script setup lang="ts">
import type { DoorOut } from '@/api/client'
import ThingDrawing from '@/door/ThingDrawing.vue'
import { clock } from '@/say'

/** The doorway: empty, or with a device that shows a thing. */
defineProps<{ knock: DoorOut['knock'] }>()
</script>

<template>
  <div class="doorway">
    <svg viewBox="0 0 220 300" aria-hidden="true">
      <path d="M14 299V30L36 8" class="thin" />
      <path d="M36 299V8h170v291" class="post" />
      <path d="M0 299h220" class="floor" />
      <template v-if="knock">
        <rect
          :x="knock.small ? 82 : 62"
          :y="knock.small ? 92 : 112"
          :width="knock.small ? 78 : 118"
          :height="knock.small ? 150 : 90"
          rx="12"
          class="screen"
        />
        <path d="M70 116q-14 26 0 52M60 104q-20 38 0 76" class="knocks" />
      </template>
    </svg>
    <ThingDrawing v-if="knock" :thing="knock.thing" class="shown" aria-hidden="true" />
    <div v-if="knock" class="says">
      <p class="heading">It shows a {{ knock.thing }}</p>
      <p>and so does this screen: it is the one in your hand.</p>
      <ThingDrawing :thing="knock.thing" class="same" />
      <p>
        <b>knocked at {{ clock(knock.at_s) }}</b>
      </p>
      <p v-if="knock.name" class="soft">“{{ knock.name }}”, it says</p>
      <p class="soft">{{ knock.small ? 'small screen' : 'large screen' }}</p>
    </div>
    <div v-else class="says">
      <p class="heading">Nobody yet</p>
      <p class="soft">Whoever knocks is let in by hand, here, and never by the numbers alone.</p>
    </div>
  </div>
</template>

<style scoped>
.doorway {
  position: relative;
  display: grid;
  grid-template-columns: 200px 1fr;
  gap: 22px;
  padding-top: 20px;
}
.doorway > svg:first-child {
  width: 200px;
  height: 273px;
}
.thin,
.post,
.floor,
.knocks {
  fill: none;
  stroke: var(--iron);
  stroke-width: 2.5;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.post {
  stroke-width: 6;
}
.knocks {
  stroke: var(--cobalt);
}
.screen {
  fill: var(--enamel);
  stroke: var(--cobalt);
  stroke-width: 4;
}
.shown {
  position: absolute;
  left: 82px;
  top: 142px;
  width: 56px;
  height: 56px;
}
.same {
  width: 92px;
  height: 92px;
  margin: 10px 0;
}
@media (max-width: 900px) {
  .doorway {
    margin-inline: 16px;
    grid-template-columns: 170px 1fr;
  }
  .doorway > svg:first-child {
    width: 170px;
    height: 232px;
  }
  .shown {
    left: 68px;
    top: 120px;
  }
}
</style>
