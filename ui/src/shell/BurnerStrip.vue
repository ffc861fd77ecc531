<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { useLarder, useStove } from '@/api/kitchen'
import { outbox } from '@/api/outbox'
import BurnerIcon from '@/pan/BurnerIcon.vue'
import { strip } from '@/stations/stove/need'
import { asked, useLives } from './live'

const larder = useLarder()
const stove = useStove()
const lives = useLives()

/** More would stand too close to be read: the Stove shows them all. A phone's strip is slid along. */
const small = useMediaQuery('(min-width: 901px) and (max-width: 1180px)')
const middling = useMediaQuery('(min-width: 1181px) and (max-width: 1439px)')
const more = computed(
  () => lives.value.filter((l) => !fires.value.some((f) => f.live?.path === l.path)).length,
)
/** Each burner with what is on it, then what waits or hangs beside the fire (and what cooks on a burner that nobody
 *  named), what is due first before the rest; burners that are free while there is room for them. */
const fires = computed(() => {
  const burners = (larder.data.value?.burners ?? []).map((burner) => {
    const live = lives.value.find((l) => l.onFire && l.burners.includes(burner.id!))
    const batch = stove.data.value?.find((b) => live?.of === 'pan' && b.id === live.id)
    return { key: `b${burner.id}`, live, name: live?.name ?? burner.name, burner: true, batch }
  })
  const lit = burners.filter((b) => b.live).length
  const places = small.value ? 2 : middling.value || lit > 2 ? 3 : 4
  const waiting = lives.value.filter((l) => !l.onFire || !l.burners.length)
  // what calls now, then what is on the fire, then what will call first; one that calls is shown however many pans there are
  const calls = asked(waiting)
  const now = calls.filter((a) => a.left <= 0).map((a) => a.live)
  const onFire = waiting.filter((l) => l.onFire)
  const beside = [...new Set([...now, ...onFire, ...calls.map((a) => a.live), ...waiting])]
    .slice(0, Math.max(now.length ? 1 : 0, places - lit))
    .map((live) => ({ key: live.path, live, name: live.name, burner: false, batch: undefined }))
  let free = places - lit - beside.length
  const shown = burners.filter((b) => b.live || free-- > 0)
  return [...shown, ...beside].map((f) => ({
    ...f,
    ...(f.live ? strip(f.live) : { says: 'free', due: false }),
    flame: f.batch?.flame ?? (f.live && f.burner ? ('strong' as const) : undefined),
  }))
})
</script>

<template>
  <!-- it scrolls on a phone: while nothing in it can be reached by Tab, it can itself -->
  <section class="fires" aria-label="Burners" :tabindex="fires.some((f) => f.live) ? undefined : 0">
    <component
      :is="f.live ? RouterLink : 'div'"
      v-for="f in fires"
      :key="f.key"
      :to="f.live?.path"
      class="fire"
      :class="{ hot: f.due, off: !f.live, beside: !f.burner }"
    >
      <BurnerIcon v-if="f.burner" :flame="f.flame" />
      <svg v-else class="hook" width="22" height="34" viewBox="0 0 22 34" aria-hidden="true">
        <path d="M11 1v7M11 8c-5 5-8 10-8 15a8 8 0 0 0 16 0c0-5-3-10-8-15zM11 31v2" />
      </svg>
      <div>
        <b>{{ f.name }}</b>
        <span>{{ f.says }}</span>
      </div>
    </component>
    <RouterLink v-if="more" to="/stove" class="more">and {{ more }} more</RouterLink>
    <p v-if="outbox.held && outbox.waiting.length" class="waiting" role="status">
      {{ outbox.held }}: {{ outbox.waiting.length }}
      {{ outbox.waiting.length === 1 ? 'happening waits' : 'happenings wait' }} here, safe.
    </p>
  </section>
</template>

<style scoped>
.fires {
  display: flex;
  gap: 16px;
  padding-top: 15px;
  min-width: 0;
}
.fire {
  display: flex;
  gap: 11px;
  align-items: center;
  height: 44px;
  color: var(--ink);
  font-weight: 400;
  line-height: 18px;
  min-width: 112px;
  flex: 0 2 auto;
}
.fire.hot {
  flex-shrink: 0.5;
  min-width: 140px;
}
.fire > div {
  min-width: 0;
}
.fire:hover {
  text-decoration: none;
}
.fire b {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  max-width: 190px;
  overflow: hidden;
  font-size: 15px;
  line-height: 15.5px;
  font-weight: 650;
}
.fire span {
  display: block;
  font-size: 13.5px;
  color: var(--ink-soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.hook {
  flex: none;
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
}
.more {
  flex: none;
  align-self: center;
  font-size: 13.5px;
}
.waiting {
  align-self: center;
  max-width: 150px;
  color: var(--saffron-ink);
  font-size: 13.5px;
  line-height: 17px;
  font-weight: 600;
}
.fire.off b {
  font-weight: 500;
  color: var(--ink-soft);
}
.fire.off b::first-letter {
  text-transform: uppercase;
}
.fire.hot {
  background: var(--saffron-fill);
  color: var(--on-saffron);
  border-radius: 24px;
  height: 50px;
  margin: -3px 0;
  padding: 0 18px 0 5px;
}
.fire.hot span {
  color: var(--on-saffron);
}
@media (max-width: 1180px) {
  .fires {
    gap: 14px;
  }
  .fire > svg {
    display: none; /* the words need the room */
  }
  .fire b {
    max-width: 130px;
  }
}
@media (max-width: 900px) {
  .fire > svg {
    display: block;
  }
  .fires {
    overflow-x: auto;
    gap: 0;
    padding: 0;
    border-bottom: 2px solid var(--cobalt);
  }
  .fire,
  .fire.hot,
  .fire.off {
    flex: 1 0 46%;
    min-width: 0;
    height: 56px;
    padding: 2px 12px 0;
    gap: 8px;
  }
  .fire > div {
    min-width: 0;
  }
  .fire.hot {
    border-radius: 0;
    margin: 0;
    padding: 2px 12px 0;
  }
  .fire + .fire {
    border-left: 1px solid var(--ridge);
  }
  .fire span {
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
</style>
