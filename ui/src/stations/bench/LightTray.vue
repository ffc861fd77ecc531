<script setup lang="ts">
import { useMaking } from './making'
import { may } from '@/door/me'
import { LONGEST_NAME } from '@/api/shared'
import { newKey } from '@/api/keys'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { NInput, NModal } from 'naive-ui'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Forecast, type ReduceIn } from '@/api/client'
import SpoonDrawing from '@/pan/SpoonDrawing.vue'
import { percent, stageName } from '@/say'
import WhyWord from '@/sentence/WhyWord.vue'
import { useKeys } from '@/shell/keys'
import { milkColour } from '@/theme/milk'
import RehearseForm from '../rehearse/RehearseForm.vue'
import type { Figures } from './figures'

/** The tray of doing: the ribbon, the two spoons, the caution, and lighting it. */
const props = defineProps<{
  forecast: Forecast
  figures: Figures
  plan: ReduceIn
  blocked: boolean
}>()

const router = useRouter()
const client = useQueryClient()
const naming = ref(false)
const rehearsing = ref(false)
const name = ref('')
const making = useMaking()
const key = ref('')

function ask() {
  if (props.blocked) return
  const plain = `${props.forecast.milk_name}, ${props.forecast.understood.stop}`
  name.value = making.called('Milk', plain).slice(0, LONGEST_NAME)
  key.value = newKey()
  naming.value = true
}
const light = useMutation({
  mutationFn: () =>
    unwrap(
      api.POST('/api/batches', {
        body: {
          batch: {
            kind: 'reduce',
            name: name.value.trim(),
            plan: props.plan,
            key: key.value,
            ...making.sent(),
          },
        },
      }),
    ),
  onSuccess: async (batch) => {
    naming.value = false
    making.letGo()
    await client.invalidateQueries({ queryKey: ['stove'] })
    await router.push(`/stove/${batch.id}`)
  },
})
useKeys([{ key: 'l', does: 'light it', run: ask }])
</script>

<template>
  <section class="tray doing" aria-label="The way down">
    <slot />
    <div class="side">
      <div class="act">
        <p
          v-for="c in forecast.cautions.slice(0, 1)"
          :key="c.title"
          class="caution"
          :class="c.severity"
        >
          <svg width="24" height="22" viewBox="0 0 24 22" aria-hidden="true">
            <path d="M12 2.200 22 20H2z" />
            <path d="M12 8v6M12 17v.4" />
          </svg>
          <span
            ><b>{{ c.title }}</b> {{ c.text }}</span
          >
        </p>
        <span class="verbs">
          <button
            id="begin"
            type="button"
            class="plate begin"
            :disabled="blocked || !may('cook')"
            @click="ask"
          >
            Light it
          </button>
          <button type="button" class="touch" :disabled="blocked" @click="rehearsing = true">
            or rehearse it
          </button>
          <span v-if="!may('cook')" class="soft">lighting is for those who cook here</span>
        </span>
      </div>
      <div class="spoons">
        <figure
          v-for="s in [
            { at: 'hot', stage: figures.hot, note: `${percent(figures.solids)} solids` },
            { at: 'cold', stage: figures.cold, note: 'after a night at 5 °C' },
          ]"
          :key="s.at"
        >
          <SpoonDrawing :stage="s.stage" :colour="milkColour(figures.concentration)" />
          <figcaption>
            <b>{{ s.at }}: {{ stageName(s.stage) }}</b>
            <span class="soft"
              >{{ s.note }} <WhyWord :why="forecast.whys[s.at]" text="why?"
            /></span>
          </figcaption>
        </figure>
      </div>
    </div>
  </section>
  <NModal v-model:show="rehearsing">
    <RehearseForm :asked="{ plan }" @cancel="rehearsing = false" />
  </NModal>
  <NModal v-model:show="naming">
    <div class="tray naming" role="dialog" aria-label="Light it">
      <form @submit.prevent="light.mutate()">
        <h2 class="heading">Before you light it</h2>
        <ul class="cautions">
          <li v-for="c in forecast.cautions" :key="c.title" :class="c.severity">
            <b>{{ c.title }}</b> {{ c.text }}
          </li>
        </ul>
        <label for="batch-name">Call it</label>
        <NInput
          v-model:value="name"
          placeholder=""
          size="large"
          :maxlength="LONGEST_NAME"
          :input-props="{ id: 'batch-name', autocomplete: 'off' }"
        />
        <p v-if="light.error.value" class="problem" role="alert">{{ light.error.value.message }}</p>
        <p class="buttons">
          <button type="submit" class="plate" :disabled="!name.trim() || light.isPending.value">
            The flame is on
          </button>
          <button type="button" class="plate line" @click="naming = false">Not yet</button>
        </p>
      </form>
    </div>
  </NModal>
</template>

<style scoped>
.doing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 38px;
  padding: 14px 28px 14px 20px;
}
.side {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: 8px;
}
.verbs {
  display: grid;
  justify-items: center;
}
.spoons {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
figcaption {
  margin-top: 6px;
  font-size: 13.5px;
  line-height: 18px;
}
figcaption b {
  display: block;
  font-size: 15px;
  font-weight: 650;
}
.act {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
}
.caution {
  display: flex;
  gap: 10px;
  font-size: 14.5px;
  line-height: 19px;
}
.caution svg {
  flex: none;
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.danger svg {
  stroke: var(--madder);
}
.danger b {
  color: var(--madder);
}
.naming {
  width: min(480px, 94vw);
}
.cautions {
  display: grid;
  gap: 6px;
  margin: 10px 0 16px;
  font-size: 17px;
}
label {
  font-weight: 650;
}
.buttons {
  display: flex;
  gap: 12px;
  margin-top: 18px;
}
.naming .problem {
  margin-top: 10px;
}
@media (max-width: 900px) {
  .doing {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
    padding: 12px 14px 14px;
  }
  .spoons {
    justify-items: center;
  }
}
</style>
