<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { useLarder, useStove } from '@/api/kitchen'
import BurnerIcon from '@/pan/BurnerIcon.vue'
import { need } from '@/stations/stove/need'

const larder = useLarder()
const stove = useStove()

/** Each burner with its batch and what that needs next. */
const fires = computed(() =>
  (larder.data.value?.burners ?? []).map((burner) => {
    const batch = stove.data.value?.find(
      (b) => b.burner_id === burner.id && (b.phase === 'heating' || b.phase === 'boiling'),
    )
    return { burner, batch, need: batch ? need(batch) : null }
  }),
)
</script>

<template>
  <section class="fires" aria-label="Burners">
    <component
      :is="f.batch ? RouterLink : 'div'"
      v-for="f in fires"
      :key="f.burner.id"
      :to="f.batch ? `/stove/${f.batch.id}` : undefined"
      class="fire"
      :class="{ hot: f.need?.now, off: !f.batch }"
    >
      <BurnerIcon :flame="f.batch?.flame" />
      <div>
        <b>{{ f.batch ? f.batch.name : f.burner.name }}</b>
        <span>{{ f.need ? f.need.strip : 'free' }}</span>
      </div>
    </component>
  </section>
</template>

<style scoped>
.fires {
  display: flex;
  gap: 22px;
  padding-top: 15px;
}
.fire {
  display: flex;
  gap: 11px;
  align-items: center;
  height: 44px;
  color: var(--ink);
  font-weight: 400;
  line-height: 18px;
}
.fire:hover {
  text-decoration: none;
}
.fire b {
  display: block;
  max-width: 190px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-weight: 650;
}
.fire span {
  display: block;
  font-size: 13.5px;
  color: var(--ink-soft);
  white-space: nowrap;
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
  border-radius: 22px;
  padding: 0 18px 0 5px;
}
.fire.hot span {
  color: var(--on-saffron);
}
@media (max-width: 900px) {
  .fires {
    gap: 0;
    padding: 0;
    border-bottom: 2px solid var(--cobalt);
  }
  .fire {
    flex: 1;
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
