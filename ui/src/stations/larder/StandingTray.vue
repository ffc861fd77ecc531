<script setup lang="ts">
import { computed, ref } from 'vue'
import { useLog } from '@/api/kitchen'
import { day, grams, percent } from '@/say'
import { serverNow } from '@/api/outbox'
import { ends, isOver, useBases } from '@/api/standing'

/** What stands weighed in the fridge, from the log by itself: how much is left, until when, and where it went. */
const bases = useBases()
const log = useLog()
/** What nobody let go of in time is not asked for for ever. */
const FORGOTTEN_S = 2 * 86400
const standing = computed(() =>
  (bases.data.value ?? [])
    .map((b) => ({
      ...b,
      ends: ends(b),
      over: isOver(b),
      to: `${PAGES[b.kind]}/${b.ref}`,
    }))
    .filter((b) => serverNow() < b.ends + FORGOTTEN_S),
)
const KINDS = {
  reduce: 'reduced milk',
  curdle: 'chhena',
  hang: 'hung curd',
  caramel: 'caramelised milk',
}
const PAGES = {
  reduce: '/book',
  curdle: '/stove/curd',
  hang: '/stove/curd',
  caramel: '/stove/caramel',
}
const WHYS = [
  { why: 'spoiled', text: 'spoiled' },
  { why: 'spilt', text: 'spilt' },
  { why: 'not-liked', text: 'nobody liked it' },
] as const
const throwing = ref('')
function gone(ref_: string, why: 'used-up' | (typeof WHYS)[number]['why']) {
  throwing.value = ''
  log.mutate({ id: Number(ref_), event: { kind: 'gone', why } })
}
</script>

<template>
  <section v-if="standing.length" class="tray" aria-label="What stands in the fridge">
    <p class="legend"><b>What stands in the fridge</b></p>
    <ul>
      <li v-for="b in standing" :key="b.ref">
        <b class="left">{{ grams(b.mass_kg) }}</b>
        <span class="what">
          <RouterLink :to="b.to">{{ b.name }}</RouterLink>
          <span class="soft">
            {{ KINDS[b.kind] }}, {{ percent(b.total_solids) }} solids, weighed
            {{ day(b.weighed_at_s) }}
          </span>
        </span>
        <span :class="b.over ? 'over' : 'ends'">
          {{ b.over ? 'Its days are over: let it go.' : `Use it by ${day(b.ends)}.` }}
        </span>
        <span class="acts">
          <template v-if="throwing === b.ref">
            <button
              v-for="w in WHYS"
              :key="w.why"
              type="button"
              class="touch"
              @click="gone(b.ref, w.why)"
            >
              {{ w.text }}<span class="visually-hidden">: {{ b.name }}</span>
            </button>
            <button type="button" class="touch" @click="throwing = ''">keep it</button>
          </template>
          <template v-else>
            <button type="button" class="touch" @click="gone(b.ref, 'used-up')">
              used up<span class="visually-hidden">: {{ b.name }}</span>
            </button>
            <button type="button" class="touch" @click="throwing = b.ref">
              thrown away<span class="visually-hidden">: {{ b.name }}</span>
            </button>
          </template>
        </span>
      </li>
    </ul>
    <p class="soft">
      Sweets offers it first; the weight is what was weighed, less what went into sweets. Smell and
      look before you use it: the days are cautious, at or below 5 °C.
    </p>
    <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
  </section>
</template>

<style scoped>
.tray > .soft {
  margin-top: 10px;
}
li {
  display: grid;
  grid-template-columns: 110px minmax(0, 1.4fr) minmax(0, 1fr) auto;
  gap: 4px 20px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--ridge);
}
.left {
  font-size: 26px;
  text-align: right;
  white-space: nowrap;
}
.what {
  display: grid;
}
.over {
  color: var(--madder);
  font-weight: 650;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 84px minmax(0, 1fr);
    padding: 8px 0;
  }
  .left {
    font-size: 22px;
  }
  .ends,
  .over,
  .acts {
    grid-column: 2;
  }
}
</style>
