<script setup lang="ts">
defineProps<{ flame?: string }>()
const HEIGHT: Record<string, number> = { gentle: 0.55, medium: 0.8, strong: 1 }
</script>

<template>
  <svg
    width="38"
    height="38"
    viewBox="0 0 38 38"
    class="burner"
    :class="{ lit: flame }"
    aria-hidden="true"
  >
    <path
      d="M3 9H35M5 9V34M33 9V34"
      fill="none"
      stroke="currentColor"
      stroke-width="2.2"
      stroke-linecap="round"
    />
    <path
      d="M12.500 28h13a2 2 0 0 1 2 2v2.500h-17V30a2 2 0 0 1 2-2zM15 32h8v2.500h-8z"
      fill="currentColor"
    />
    <g
      v-if="flame"
      :transform="`translate(0 ${27.5 * (1 - HEIGHT[flame]!)}) scale(1 ${HEIGHT[flame]})`"
    >
      <path
        v-for="x in [13.2, 19, 24.8]"
        :key="x"
        :d="`M${x - 2.8} 27.500C${x - 4.5} 21 ${x - 0.6} 18 ${x} 12c.6 6 4.500 9 2.800 15.500z`"
        fill="#fffef8"
        stroke="currentColor"
        stroke-width="1.6"
        stroke-linejoin="round"
      />
    </g>
  </svg>
</template>

<style scoped>
.burner {
  flex: none;
  color: var(--ink-soft);
}
.burner.lit {
  color: var(--cobalt);
}
:global(.fire.hot .burner) {
  color: var(--on-saffron);
}
</style>
