<script setup lang="ts">
import { NModal } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import HomeSign from '@/door/HomeSign.vue'
import { may } from '@/door/me'
import BurnerStrip from './BurnerStrip.vue'
import { keys, pressed, type Key } from './keys'
import HelpTray from './HelpTray.vue'
import StationIcon from './StationIcon.vue'

const night = defineModel<boolean>('night', { required: true })
const route = useRoute()
const router = useRouter()
const helping = ref(false)

// the numbers are the stations' places in the order of the work
const STATIONS = [
  { key: '1', path: '/larder', name: 'Larder', icon: 'larder', needs: 'keep' },
  { key: '2', path: '/bench', name: 'Bench', icon: 'bench', needs: 'cook' },
  { key: '3', path: '/sweets', name: 'Sweets', icon: 'sweets', needs: 'cook' },
  { key: '4', path: '/day', name: 'Day', icon: 'day', needs: 'cook' },
  { key: '5', path: '/stove', name: 'Stove', icon: 'stove', needs: 'log' },
  { key: '6', path: '/book', name: 'Book', icon: 'book', needs: 'look' },
] as const
const global: Key[] = [
  ...STATIONS.map((s) => ({ key: s.key, does: s.name, run: () => void router.push(s.path) })),
  { key: 'n', does: 'night kitchen, on and off', run: () => (night.value = !night.value) },
  { key: '?', does: 'how to use this screen', run: () => (helping.value = true) },
]
const on = (event: KeyboardEvent) => pressed(event, global)
onMounted(() => window.addEventListener('keydown', on))
onBeforeUnmount(() => window.removeEventListener('keydown', on))
</script>

<template>
  <header class="rail">
    <RouterLink class="mark" to="/bench">Mulvek</RouterLink>
    <nav class="hooks" aria-label="Stations">
      <RouterLink
        v-for="s in STATIONS"
        :key="s.path"
        :to="s.path"
        class="hang"
        :class="{ on: route.path.startsWith(s.path), only: !may(s.needs) }"
        :aria-current="route.path.startsWith(s.path) ? 'page' : undefined"
      >
        <i aria-hidden="true">{{ s.key }}</i>
        <StationIcon :station="s.icon" :on="route.path.startsWith(s.path)" />
        <b>{{ s.name }}</b>
      </RouterLink>
    </nav>
    <div class="tools">
      <button type="button" class="tool" :aria-pressed="night" @click="night = !night">
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path
            d="M12.500 2.500a7.600 7.600 0 1 0 5 11.200A6.600 6.600 0 0 1 12.500 2.500z"
            :fill="night ? 'currentColor' : 'none'"
            stroke="currentColor"
            stroke-width="1.700"
            stroke-linejoin="round"
          />
        </svg>
        <span class="visually-hidden">Night kitchen</span>
      </button>
      <button type="button" class="tool" @click="helping = true">
        <kbd aria-hidden="true">?</kbd><span class="visually-hidden">How to use this</span>
      </button>
      <HomeSign />
    </div>
    <BurnerStrip class="strip" />
    <HomeSign line />
  </header>
  <NModal v-model:show="helping" :auto-focus="true">
    <HelpTray :address="route.path" :keys="[...keys.list, ...global]" @close="helping = false" />
  </NModal>
</template>

<style scoped>
.rail {
  position: relative;
  z-index: 5;
  display: flex;
  align-items: stretch;
  height: 64px;
  padding: 0 28px;
  max-width: 1336px;
  margin: 0 auto;
}
.rail::before {
  content: '';
  position: absolute;
  left: 50%;
  width: 100vw;
  margin-left: -50vw;
  top: 5px;
  height: 2.5px;
  background: var(--cobalt);
}
.mark {
  flex: none;
  width: 122px;
  padding-top: 17px;
  color: var(--ink);
  font: 700 25px/1.2 var(--words);
}
.mark:hover {
  text-decoration: none;
}
.hooks {
  display: flex;
  gap: 2px;
}
.hang {
  position: relative;
  isolation: isolate;
  display: flex;
  flex-direction: column;
  align-items: center;
  width: 76px;
  height: 62px;
  padding-top: 16px;
  color: var(--cobalt);
}
.hang:hover {
  text-decoration: none;
}
.hang::before {
  content: '';
  position: absolute;
  top: 6px;
  left: 50%;
  width: 7px;
  height: 10px;
  margin-left: -5px;
  border: solid var(--cobalt);
  border-width: 0 0 2px 2px;
  border-radius: 0 0 0 7px;
}
.hang b {
  font-weight: 550;
  font-size: 13.5px;
  line-height: 17px;
}
.hang i {
  position: absolute;
  left: 8px;
  top: 20px;
  font: 500 12px/12px var(--figures);
  color: var(--ink-soft);
}
/* only to be read by this device */
.hang.only:not(.on) {
  color: var(--ink-soft);
}
.hang.on,
.hang.on i {
  color: var(--plate-ink);
}
.hang.on::after {
  content: '';
  position: absolute;
  z-index: -1;
  inset: 12px 1px -2px;
  border-radius: var(--r-plate);
  background: var(--plate);
  box-shadow:
    inset 0 0 0 2.5px var(--plate),
    inset 0 0 0 4px var(--plate-ink);
}
.hang.on::before {
  width: 34px;
  height: 8px;
  margin-left: -17px;
  border-width: 0 2px;
  border-radius: 0;
}
.tools {
  display: flex;
  align-items: center;
  flex: none;
  gap: 2px;
  margin: 0 14px;
  padding-top: 8px;
  color: var(--cobalt);
}
.tool {
  display: grid;
  place-items: center;
  width: 34px;
  height: 34px;
}
.strip {
  margin-left: auto;
  justify-content: flex-end;
}
@media (max-width: 900px) {
  .rail {
    display: block;
    height: auto;
    padding: 0;
  }
  .rail::before,
  .mark,
  .tools {
    display: none;
  }
  .strip {
    margin: 0;
    justify-content: flex-start;
  }
  .hooks {
    position: fixed;
    inset: auto 0 0;
    z-index: 20;
    height: 70px;
    padding: 0 6px;
    background: var(--counter);
    border-top: 2.5px solid var(--cobalt);
  }
  .hang {
    flex: 1;
    width: auto;
    height: 66px;
    padding-top: 13px;
  }
  .hang::before {
    top: -1px;
  }
  .hang.on::before {
    top: -1px;
  }
  .hang.on::after {
    inset: 6px 2px 1px;
  }
  .hang i {
    display: none;
  }
}
</style>
<style>
@media (max-width: 900px) {
  main {
    padding-bottom: 76px;
  }
}
</style>
