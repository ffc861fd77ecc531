<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useAnyBatch, useLarder, useRecord, useStory } from '@/api/kitchen'
import BatchCurve from '@/charts/BatchCurve.vue'
import OnPaper from '@/form/OnPaper.vue'
import { reachesTold } from '@/making/reaches'
import RiverDrawing from '@/making/RiverDrawing.vue'
import { day, grams, weight } from '@/say'
import BatchPhotos from './BatchPhotos.vue'
import PartCurve from './PartCurve.vue'
import ReadingsTray from './ReadingsTray.vue'
import StoryNotes from './StoryNotes.vue'
import { useBegin } from '../rehearse/rehearsal'
import { againOf, depthOf, didOf, figuresOf, onStove } from './told'

/** One batch of any kind from what went in to how long it kept: its story, its river, told and got, notes. */
const route = useRoute()
const id = () => Number(route.params.id)
const told = useStory(id)
const whole = useAnyBatch(id)
const larder = useLarder()

const story = computed(() => told.data.value)
const reduced = computed(() => story.value?.line.kind === 'reduce')
/** Of a reduction: its curve against what was told when it was lit. */
const record = useRecord(id, reduced)
const lit = computed(() => (reduced.value ? record.data.value : undefined))
const batch = computed(() => (story.value && whole.data.value) || undefined)
const did = computed(() => didOf(story.value!))
const river = computed(() =>
  reachesTold(story.value!, batch.value?.kind === 'sweet' ? batch.value : null),
)
/** What of its bases is weighed. */
const came = computed(() => story.value!.parts.filter((p) => p.kg > 0))
/** The first reach of each base leads to its page. */
const opens = computed(
  () => new Set(story.value!.parts.map((p) => river.value.find((r) => r.batch === p.id)?.key)),
)
const figures = computed(() => {
  const found = figuresOf(story.value!, larder.data.value?.kitchen.currency ?? 'INR')
  const depth =
    batch.value && lit.value ? depthOf(batch.value, lit.value.told.stop_depth_m.likely) : null
  return depth ? [...found, depth] : found
})
/** The same evening without milk; a sweet is rehearsed base by base. */
const rehearse = useBegin()
const again = computed(() => batch.value && againOf(batch.value))
/** What was judged cold is known to be wrong. */
const FAULTS: Record<string, string> = {
  'too-thick': 'too-thick-cold',
  'too-thin': 'too-thin-cold',
}
const wrong = computed(() => ({
  of: story.value?.line.id,
  fault: batch.value?.kind === 'reduce' ? FAULTS[batch.value.verdict ?? ''] : undefined,
}))
const weighedIn = computed(() =>
  batch.value?.kind === 'sweet' ? batch.value.rows.filter((r) => r.weighed_kg !== null) : [],
)
</script>

<template>
  <div class="page">
    <h1 class="visually-hidden">Book: one batch</h1>
    <section v-if="told.error.value" class="tray">
      <p class="sentence problem">{{ told.error.value.message }}</p>
    </section>
    <template v-else-if="story && batch">
      <section class="tray" aria-label="The batch in words">
        <p class="legend">
          <RouterLink to="/book">all batches</RouterLink><b>{{ story.line.name }}</b>
        </p>
        <p class="sentence">
          {{ did[0] }} <b>{{ did[1] }}</b>. {{ did[2] }}
          <template v-if="story.line.phase === 'running'">It is still under way.</template>
          <template v-else-if="story.line.phase === 'given-up'">It was given up.</template>
          <template v-else-if="story.line.weighed_kg !== null && story.line.kind !== 'sweet'">
            It gave <b class="figure">{{ weight(story.line.weighed_kg) }}</b>.
          </template>
          <template v-if="came.length"
            ><template v-for="(p, i) in came" :key="p.id"
              >{{ i === 0 ? ' Into it came ' : i === came.length - 1 ? ' and ' : ', '
              }}<b>{{ grams(p.kg) }}</b> of
              <RouterLink :to="`/book/${p.id}`">{{ p.name }}</RouterLink></template
            >.
          </template>
          <template v-if="story.went_into.length"
            ><template v-for="(p, i) in story.went_into" :key="p.id"
              >{{ i === 0 ? ' ' : ', ' }}<b>{{ grams(p.kg) }}</b> went into
              <RouterLink :to="`/book/${p.id}`">{{ p.name }}</RouterLink></template
            >.
          </template>
          <span v-if="story.line.wrong.length" class="wrong"
            >{{ story.line.wrong.join('; ') }}.</span
          >
          {{ ' ' }}<RouterLink v-if="again" :to="again">Again, like this time.</RouterLink>
        </p>
      </section>
      <p class="ways">
        <RouterLink class="touch" :to="onStove(story.line)">its log, and more to weigh</RouterLink>
        <RouterLink class="touch" :to="{ path: '/book/mend', query: wrong }"
          >What went wrong?</RouterLink
        >
        <button
          v-if="batch.kind !== 'sweet'"
          type="button"
          class="touch"
          :disabled="rehearse.isPending.value"
          @click="rehearse.mutate({ batch: batch.id, level: 1 })"
        >
          that evening again, without milk
        </button>
        <span v-if="rehearse.error.value" class="problem" role="alert">{{
          rehearse.error.value.message
        }}</span>
        <span v-if="story.others.length" class="others"
          ><span class="soft">beside</span>
          <RouterLink
            v-for="o in story.others.slice(0, 4)"
            :key="o.id"
            class="touch"
            :to="{ path: '/book/beside', query: { a: o.id, b: batch.id } }"
            >{{ o.name }}, {{ day(o.created_at_s) }}</RouterLink
          ></span
        >
      </p>
      <OnPaper v-if="batch.kind === 'sweet' && batch.on_paper" :lines="batch.on_paper.lines" />
      <RiverDrawing
        :reaches="river"
        :low="river.every((r) => !r.rows.length)"
        past
        name="From what went in to what it gave"
      >
        <template #act="{ reach }">
          <RouterLink
            v-if="reach.batch !== null && opens.has(reach.key)"
            :to="`/book/${reach.batch}`"
            >its page</RouterLink
          >
        </template>
      </RiverDrawing>
      <BatchCurve v-if="lit" class="curve" :batch="lit.batch" :told="lit.told" />
      <PartCurve
        v-for="p in story.parts.filter((x) => x.kind === 'reduce')"
        :id="p.id"
        :key="p.id"
        :name="p.name"
      />
      <BatchPhotos :batch-id="batch.id" :name="story.line.name" />
      <section class="tray doing" aria-label="Told and got">
        <div>
          <table>
            <thead>
              <tr>
                <th scope="col">Told and got</th>
                <th scope="col">told</th>
                <th scope="col">got</th>
                <td />
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in figures" :key="r.what">
                <th scope="row">{{ r.what }}</th>
                <td>{{ r.told }}</td>
                <td class="got">{{ r.got }}</td>
                <td class="soft">{{ r.how }}</td>
              </tr>
            </tbody>
          </table>
          <template v-if="weighedIn.length">
            <h2 class="heading">Weighed in</h2>
            <ul class="weighed">
              <li v-for="r in weighedIn" :key="r.number">
                {{ r.name }} <b>{{ grams(r.weighed_kg!) }}</b>{{ ' '
                }}<span class="soft">told {{ grams(r.grams / 1000) }}</span>
              </li>
            </ul>
          </template>
          <template v-if="story.next_time.length">
            <h2 class="heading">Next time</h2>
            <p v-for="say in story.next_time" :key="say" class="next">{{ say }}</p>
          </template>
          <p v-if="story.kept.told" class="soft">{{ story.kept.told }}</p>
        </div>
        <StoryNotes :story="story" :batch="batch" />
      </section>
      <ReadingsTray :batch-id="batch.id" />
    </template>
  </div>
</template>

<style scoped>
.figure {
  white-space: nowrap;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 24px;
  margin: 8px 32px 4px;
}
.others {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
}
.wrong {
  color: var(--madder);
}
.curve {
  margin: 14px 4px 12px;
}
.doing {
  display: grid;
  grid-template-columns: 1.1fr 1fr;
  gap: 40px;
  padding-block: 18px;
}
table {
  border-collapse: collapse;
  align-self: start;
}
th,
td {
  padding: 5px 14px 3px 0;
  text-align: left;
  font-weight: 400;
  font-size: 16px;
}
thead th:first-child {
  font: 650 21px/28px var(--words);
  color: var(--ink);
}
thead th + th {
  color: var(--ink-soft);
}
.got {
  white-space: nowrap;
  font-size: 22px;
  font-weight: 680;
}
.heading {
  margin-top: 16px;
}
.weighed li {
  line-height: 25px;
}
.next {
  font: 18px/25px var(--words);
}
.next::first-letter {
  text-transform: uppercase;
}
@media (max-width: 900px) {
  .ways {
    margin-inline: 16px;
  }
  .doing {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
