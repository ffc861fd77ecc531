<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useLarder } from '@/api/kitchen'
import { day } from '@/say'
import { planFrom, wordsFrom } from '../bench/plan'
import RehearseForm from './RehearseForm.vue'
import { useRehearsals } from './rehearsal'

/** Where rehearsing begins: an ordinary plan to light at once, and the rehearsals so far. */
const larder = useLarder()
const known = useRehearsals()
const asking = ref(false)
const words = computed(() => (larder.data.value ? wordsFrom({}, larder.data.value) : null))
const said = computed(() => {
  const kitchen = larder.data.value
  const w = words.value
  if (!kitchen || !w) return null
  const named = (list: { id?: number | null; name: string }[], id: string) =>
    list.find((x) => String(x.id) === id)?.name ?? '…'
  return { ...w, milk: named(kitchen.milks, w.milk), pan: named(kitchen.pans, w.pan) }
})
const lines = computed(() => known.data.value?.rehearsals ?? [])
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Rehearse</h1>
    <section class="tray">
      <p class="legend"><RouterLink to="/stove">Stove</RouterLink><b>rehearse</b></p>
      <div v-if="said" class="begin">
        <p class="sentence">
          Rehearse <b>{{ said.stop }}</b> from <b>{{ said.amount }} of {{ said.milk }}</b> in
          <b>{{ said.pan }}</b>, without a drop of milk. For another plan, say it on the
          <RouterLink to="/bench">Bench</RouterLink> and rehearse it there.
        </p>
        <button type="button" class="plate" @click="asking = true">Rehearse it</button>
      </div>
    </section>
    <section v-if="lines.length" class="before" aria-label="Rehearsals so far">
      <h2 class="heading">So far</h2>
      <ol>
        <li v-for="l in lines" :key="l.id">
          <RouterLink :to="`/stove/rehearse/${l.id}`">
            <b class="points">{{ l.points === null ? '…' : Math.round(l.points) }}</b>
            <span>
              {{ l.name.replace('Rehearsal: ', '') }}
              <span class="soft"
                >{{ day(l.created_at_s) }}, level {{ l.level }}, seed {{ l.seed
                }}{{ l.finished ? '' : ', still on the fire' }}</span
              >
            </span>
          </RouterLink>
        </li>
      </ol>
    </section>
    <NModal v-model:show="asking">
      <RehearseForm v-if="words" :plan="planFrom(words)" @cancel="asking = false" />
    </NModal>
  </div>
</template>

<style scoped>
.begin {
  display: flex;
  gap: 30px;
  align-items: center;
}
.begin .sentence {
  flex: 1;
}
.before {
  margin: 26px 32px;
}
li a {
  display: flex;
  gap: 20px;
  align-items: center;
  padding: 8px 0;
  color: var(--ink);
  font-weight: 400;
  font-size: 18px;
  border-bottom: 1px solid var(--ridge);
}
li span span {
  display: block;
  font-size: 15px;
}
.points {
  min-width: 1.6em;
  font-size: 34px;
  line-height: 40px;
  text-align: right;
}
@media (max-width: 900px) {
  .begin {
    flex-direction: column;
    align-items: stretch;
  }
  .before {
    margin: 20px 12px;
  }
}
</style>
