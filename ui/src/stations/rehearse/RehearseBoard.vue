<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useLarder } from '@/api/kitchen'
import { may } from '@/door/me'
import { day } from '@/say'
import { planFrom, wordsFrom } from '../bench/plan'
import LessonCell from './LessonCell.vue'
import RehearseForm from './RehearseForm.vue'
import { byShelf, useBegin, useRehearsals } from './rehearsal'

/** The school: lessons on their shelves, the one that the Book asks for, and free play with any plan. */
const larder = useLarder()
const board = useRehearsals()
const begin = useBegin()
const asking = ref(false)
const chosen = ref<string | null>(null)

const shelves = computed(() =>
  board.data.value ? byShelf(board.data.value.lessons, board.data.value.shelves) : [],
)
const proposed = computed(() => board.data.value?.next ?? null)
const lesson = computed(() => {
  const key = chosen.value ?? proposed.value?.lesson
  return board.data.value?.lessons.find((l) => l.key === key) ?? null
})
const because = computed(() =>
  proposed.value && proposed.value.lesson === lesson.value?.key ? proposed.value.because : null,
)
function choose(key: string) {
  chosen.value = key
  window.scrollTo({ top: 0, behavior: 'smooth' })
}

const words = computed(() => (larder.data.value ? wordsFrom({}, larder.data.value) : null))
const said = computed(() => {
  const kitchen = larder.data.value
  const w = words.value
  if (!kitchen || !w) return null
  const named = (list: { id?: number | null; name: string }[], id: string) =>
    list.find((x) => String(x.id) === id)?.name ?? '…'
  return { ...w, milk: named(kitchen.milks, w.milk), pan: named(kitchen.pans, w.pan) }
})
const lines = computed(() => board.data.value?.rehearsals ?? [])
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Rehearse</h1>
    <section class="tray next" aria-label="The lesson">
      <p class="legend"><RouterLink to="/stove">The Stove</RouterLink><b>rehearse</b></p>
      <p class="legend right soft">
        each tick a try, the dot your best; nothing stands in the Book
      </p>
      <template v-if="lesson">
        <div>
          <p class="sentence">
            Learn <b>{{ lesson.learn }}</b> {{ chosen ? '' : 'next' }}, in
            <b>{{ lesson.minutes }} minutes</b
            ><template v-if="because"
              >: of your
              <RouterLink :to="`/book/${because.batch}`">{{ because.name }}</RouterLink> of
              {{ day(because.at_s) }} you wrote “{{ because.fault }}”</template
            >.
          </p>
          <p class="soft">Simulated milk: nothing is lost, and nothing of it is learned from.</p>
        </div>
        <button
          type="button"
          class="plate"
          :disabled="begin.isPending.value || !may('log')"
          @click="begin.mutate({ lesson: lesson.key, level: 2 })"
        >
          Begin it
        </button>
      </template>
    </section>
    <p v-if="begin.error.value" class="problem" role="alert">{{ begin.error.value.message }}</p>
    <section v-for="shelf in shelves" :key="shelf.key" class="shelf" :aria-label="shelf.name">
      <h2 class="heading">{{ shelf.name }}</h2>
      <ol>
        <LessonCell
          v-for="l in shelf.lessons"
          :key="l.key"
          :lesson="l"
          :chosen="l.key === lesson?.key"
          @choose="choose(l.key)"
        />
      </ol>
    </section>
    <section v-if="said" class="tray free" aria-label="Free play">
      <p class="legend"><b>Free play</b><span class="soft">any plan, without milk</span></p>
      <p class="answer">
        Rehearse <b>{{ said.stop }}</b> from <b>{{ said.amount }} of {{ said.milk }}</b> in
        <b>{{ said.pan }}</b>. Any other plan is said on its
        <RouterLink to="/bench">Bench</RouterLink> and rehearsed from there; an evening that went
        wrong, from its page in the <RouterLink to="/book">Book</RouterLink>.
      </p>
      <button type="button" class="plate line" @click="asking = true">Rehearse it</button>
    </section>
    <section v-if="lines.length" class="before" aria-label="Rehearsals so far">
      <h2 class="heading">Free play so far</h2>
      <ol>
        <li v-for="l in lines" :key="l.id">
          <RouterLink :to="`/stove/rehearse/${l.id}`">
            <b class="points">{{ l.points === null ? '…' : Math.round(l.points) }}</b>
            <span>
              {{ l.name.replace('Rehearsal: ', '') }}
              <span class="soft"
                >{{ day(l.created_at_s) }}<template v-if="l.level">, level {{ l.level }}</template
                >, seed {{ l.seed }}{{ l.finished ? '' : ', still going' }}</span
              >
            </span>
          </RouterLink>
        </li>
      </ol>
    </section>
    <NModal v-model:show="asking">
      <RehearseForm v-if="words" :asked="{ plan: planFrom(words) }" @cancel="asking = false" />
    </NModal>
  </div>
</template>

<style scoped>
.next,
.free {
  display: flex;
  gap: 30px;
  align-items: center;
}
.next > div,
.free .answer {
  flex: 1;
}
.next .plate {
  min-width: 166px;
  min-height: 60px;
  font-size: 21px;
}
.shelf {
  margin-top: 14px;
}
.shelf ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(286px, 1fr));
  gap: 4px 12px;
}
.free {
  margin-top: 34px;
}
.before {
  margin: 20px 32px;
}
.before li a {
  display: flex;
  gap: 20px;
  align-items: center;
  padding: 6px 0;
  color: var(--ink);
  font-weight: 400;
  font-size: 17px;
  border-bottom: 1px solid var(--ridge);
}
.before li span span {
  display: block;
  font-size: 15px;
}
.points {
  min-width: 1.6em;
  font-size: 30px;
  line-height: 36px;
  text-align: right;
}
@media (max-width: 900px) {
  .next,
  .free {
    flex-direction: column;
    align-items: stretch;
  }
  .next .legend.right {
    display: none;
  }
  .shelf ol {
    grid-template-columns: minmax(0, 1fr);
  }
  .before {
    margin: 20px 12px;
  }
}
</style>
