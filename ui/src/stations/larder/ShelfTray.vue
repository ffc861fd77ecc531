<script setup lang="ts">
import { computed, ref } from 'vue'
import { useLog } from '@/api/kitchen'
import { serverNow } from '@/api/outbox'
import { midnights, shown, useShelf, type Stands } from '@/api/standing'
import { clock, day, grams, percent } from '@/say'
import { steadyNow } from '@/shell/now'
import { KIND_NAMES } from './names'
import ShelfVessel from './ShelfVessel.vue'

/**
 * The shelf: what is left of what was made, from the log by itself. Below each vessel hangs its time as a wick, an ember
 * where it ends; what it can still make stands under it.
 */
const shelf = useShelf()
const log = useLog()
const now = computed(() => (steadyNow.value, serverNow()))
const things = computed(() => shown(shelf.data.value ?? [], now.value))
/** What ends first and a sweet can be made of; else what ends first. */
const first = computed(() => {
  const good = things.value.filter((t) => !t.over && t.uses.length)
  return good.find((t) => t.uses[0]!.words.sweet) ?? good[0]
})

const HOUR_PX = 1.7
const HORIZON_H = 96
const px = (hours: number) => Math.max(0, Math.min(HORIZON_H, hours)) * HOUR_PX
const nights = computed(() => midnights(now.value, HORIZON_H))
const weekday = (at: number) => day(at).split(' ')[0]!.replace(',', '')
const wick = (t: Stands) => px((t.endsAt - now.value) / 3600)
const end = (t: Stands) => {
  if (t.over) return 'let it go'
  const said =
    new Date(t.endsAt * 1000).getDate() !== new Date(now.value * 1000).getDate()
      ? `${weekday(t.endsAt)} ${clock(t.endsAt)}`
      : clock(t.endsAt)
  return `ends ${said}`
}
const SOON_H = 24
const soon = (t: Stands) => !t.over && t.endsAt - now.value < SOON_H * 3600

const PAGES: Record<Stands['kind'], string> = {
  reduce: '/book',
  curdle: '/stove/curd',
  hang: '/stove/curd',
  caramel: '/stove/caramel',
  whey: '/stove/curd',
  syrup: '/stove/sweet',
  sauce: '/stove/sweet',
  dough: '/stove/sweet',
}
const share = (t: Stands) =>
  t.kind === 'syrup'
    ? `${Math.round(t.total_solids * 100)} °Brix`
    : `${percent(t.total_solids)} solids`
/** "23 sponge balls", "kalakand, 30 pieces", "kneads 4 kg of flour" */
const makes = ({ name, says }: Stands['uses'][number]) =>
  says.startsWith('kneads') ? says : /^\d+$/.test(says) ? `${says} ${name}` : `${name}, ${says}`

const WHYS = [
  { why: 'spoiled', text: 'spoiled' },
  { why: 'spilt', text: 'spilt' },
  { why: 'not-liked', text: 'nobody liked it' },
] as const
const throwing = ref('')
function gone(t: Stands, why: 'used-up' | (typeof WHYS)[number]['why']) {
  throwing.value = ''
  log.mutate(
    { id: t.batch, event: { kind: 'gone', why, of: t.of } },
    { onSettled: () => void shelf.refetch() },
  )
}
</script>

<template>
  <section v-if="things.length" class="shelf-tray" aria-label="The shelf">
    <div v-if="first" class="tray say">
      <p class="legend"><b>The shelf</b> <span class="soft">what is left, from the log</span></p>
      <p class="sentence">
        <b>Use the {{ KIND_NAMES[first.kind] }} first:</b> it
        {{ end(first).replace('ends', 'ends at') }}.
        <template v-if="first.uses[0]!.words.sweet"
          >It makes
          <RouterLink :to="{ path: '/sweets', query: first.uses[0]!.words }">{{
            makes(first.uses[0]!)
          }}</RouterLink>.</template
        >
        <template v-else
          >It {{ first.uses[0]!.says.startsWith('kneads') ? '' : 'makes '
          }}{{ makes(first.uses[0]!) }}.</template
        >
      </p>
    </div>
    <div class="scroll" tabindex="0" role="group" aria-label="What stands there">
      <ol class="things" :style="{ '--n': things.length }">
        <li v-for="t in things" :key="t.key" :class="{ over: t.over, soon: soon(t) }">
          <p class="name">
            <b class="words">{{ KIND_NAMES[t.kind] }}</b>
            <span class="mass">{{ grams(t.mass_kg) }}</span>
            <span class="soft"
              ><RouterLink :to="`${PAGES[t.kind]}/${t.batch}`">{{ t.name }}</RouterLink
              >, {{ share(t) }}</span
            >
          </p>
          <div class="vessel"><ShelfVessel :thing="t" /></div>
          <div class="time">
            <span class="wick" :style="{ '--long': `${wick(t)}px` }" aria-hidden="true" />
            <p class="end" :style="{ '--top': `${wick(t) - 30}px` }">
              <b>{{ end(t) }}</b>
              <span class="soft">{{ Math.min(t.gone, t.of_h) }} of {{ t.of_h }} h gone</span>
            </p>
          </div>
          <ul class="uses">
            <li v-for="u in t.over ? [] : t.uses" :key="u.name">
              <RouterLink v-if="u.words.sweet" :to="{ path: '/sweets', query: u.words }">{{
                makes(u)
              }}</RouterLink>
              <template v-else>{{ makes(u) }}</template>
            </li>
          </ul>
          <p class="acts">
            <template v-if="throwing === t.key">
              <button
                v-for="w in WHYS"
                :key="w.why"
                type="button"
                class="touch"
                @click="gone(t, w.why)"
              >
                {{ w.text }}<span class="visually-hidden">: {{ t.name }}</span>
              </button>
              <button type="button" class="touch" @click="throwing = ''">keep it</button>
            </template>
            <template v-else>
              <button type="button" class="touch" @click="gone(t, 'used-up')">
                used up<span class="visually-hidden"
                  >: {{ KIND_NAMES[t.kind] }} of {{ t.name }}</span
                >
              </button>
              <button type="button" class="touch" @click="throwing = t.key">
                thrown away<span class="visually-hidden"
                  >: {{ KIND_NAMES[t.kind] }} of {{ t.name }}</span
                >
              </button>
            </template>
          </p>
        </li>
      </ol>
      <ul class="nights" aria-hidden="true">
        <li v-for="n in nights" :key="n.at" :style="{ top: `${n.hours * HOUR_PX}px` }">
          <span>{{ weekday(n.at) }}</span>
        </li>
      </ul>
    </div>
    <p class="soft">
      Cautious days at or below 5 °C, from when it was weighed; smell and look before you use it.
      What went into a sweet is taken off by itself.
    </p>
    <p v-if="log.error.value" class="problem" role="alert">{{ log.error.value.message }}</p>
  </section>
</template>

<style scoped>
.shelf-tray {
  --above: 196px;
  --below: 178px;
  margin: 6px 0 34px;
}
.sentence a {
  border-bottom: 2px solid var(--cobalt);
  font-weight: 700;
}
.scroll {
  position: relative;
  overflow-x: auto;
  margin: 14px 0 4px;
}
.things {
  display: grid;
  grid-template-columns: repeat(var(--n), minmax(158px, 1fr));
  grid-template-rows: 92px calc(var(--above) - 92px) var(--below) auto auto;
  position: relative;
  z-index: 1;
}
.things > li {
  display: grid;
  grid-row: 1 / span 5;
  grid-template-rows: subgrid;
  padding: 0 10px 0 4px;
}
.name {
  display: grid;
  align-content: start;
  line-height: 21px;
}
.name .words {
  font-size: 20px;
  font-weight: 650;
}
.mass {
  font-size: 21px;
  font-weight: 700;
}
.name .soft {
  font-size: 13.5px;
  line-height: 17px;
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.vessel {
  display: grid;
  align-items: end;
  border-bottom: 4px solid var(--iron);
  margin: 0 -10px 0 -4px;
  padding-left: 8px;
}
.time {
  position: relative;
}
.wick {
  position: absolute;
  left: 44px;
  top: 0;
  width: 5px;
  height: var(--long);
  background: repeating-linear-gradient(var(--iron) 0 18.4px, var(--ink-soft) 18.4px 20.4px);
}
.wick::after {
  content: '';
  position: absolute;
  left: -4px;
  bottom: -14px;
  width: 13px;
  height: 20px;
  border: 2px solid var(--iron);
  border-radius: 50% 50% 46% 46% / 70% 70% 34% 34%;
  background: var(--enamel);
}
.soon .wick::after {
  background: var(--saffron-fill);
}
.over .wick::after {
  border-color: var(--madder);
  background: var(--madder-wash);
}
.end {
  position: absolute;
  left: 60px;
  top: calc(min(var(--below) - 40px, max(0px, var(--top, 0px))));
  display: grid;
  line-height: 19px;
  font-size: 14px;
  background: var(--counter);
  padding-right: 4px;
}
.soon .end b {
  color: var(--saffron-ink);
}
.over .end b {
  color: var(--madder);
}
.uses {
  display: grid;
  align-content: start;
  gap: 3px;
  padding-top: 8px;
  font-size: 14.5px;
  line-height: 19px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  padding: 4px 0;
}
.acts .touch {
  min-height: 40px;
}
.nights {
  position: absolute;
  z-index: 0;
  left: 0;
  right: 0;
  top: var(--above);
  height: var(--below);
  overflow: hidden;
}
.nights li {
  position: absolute;
  left: 0;
  right: 0;
  border-top: 1px solid var(--ridge);
}
.nights span {
  position: absolute;
  right: 4px;
  font-size: 12.5px;
  color: var(--ink-soft);
}
@media (max-width: 900px) {
  .scroll {
    overflow: visible;
  }
  .things {
    grid-template: none / minmax(0, 1fr);
    gap: 10px;
  }
  .things > li {
    grid-row: auto;
    grid-template: none / 110px minmax(0, 1fr);
    gap: 4px 12px;
    padding: 10px 4px;
    border-top: 1px solid var(--ridge);
  }
  .vessel {
    grid-column: 1;
    grid-row: 1 / span 4;
    align-self: start;
    margin: 0;
    padding: 0 0 2px;
  }
  .name,
  .time,
  .uses,
  .acts {
    grid-column: 2;
  }
  .wick {
    position: relative;
    display: block;
    left: 0;
    height: 5px;
    width: calc(var(--long) * 0.9);
    max-width: 100%;
    background: var(--iron);
  }
  .wick::after {
    left: auto;
    right: -10px;
    top: -8px;
    bottom: auto;
  }
  .end {
    position: static;
    grid-auto-flow: column;
    justify-content: start;
    gap: 10px;
    padding-top: 8px;
  }
  .nights {
    display: none;
  }
}
</style>
