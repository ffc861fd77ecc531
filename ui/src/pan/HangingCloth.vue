<script setup lang="ts">
/** The cloth that hangs from its stick over a bowl of whey; its words stand on both. */
defineProps<{ big: string; range: string; whey: string; note: string }>()
</script>

<template>
  <svg class="cloth" viewBox="0 0 280 332" role="img" :aria-label="`${big} hanging, ${whey} below`">
    <path d="M86 8h108" class="ink thick" />
    <path d="M140 8v26M124 28l16 22 16-22M128 52h24" class="ink" />
    <path
      d="M132 54c-8 26-54 44-54 90 0 42 38 62 62 64 24-2 62-22 62-64 0-46-46-64-54-90z"
      class="bag"
    />
    <path
      d="M136 60c-6 30-34 44-40 84M140 60c-2 30-14 44-16 70M144 60c6 30 34 44 40 84M141 60c4 30 13 44 16 70"
      class="fold"
    />
    <text x="140" y="160" text-anchor="middle" class="big">{{ big }}</text>
    <text x="140" y="182" text-anchor="middle" class="small">{{ range }}</text>
    <path
      d="M140 220c-4 6-4 9 0 10 4-1 4-4 0-10zM140 238c-4 6-4 9 0 10 4-1 4-4 0-10z"
      class="ink thin"
    />
    <path d="M6 232c2 44 36 92 72 92h124c36 0 70-48 72-92" class="bowl" />
    <path d="M13 252h254c-8 36-36 69-65 69H78c-29 0-57-33-65-69z" class="whey" />
    <text x="140" y="284" text-anchor="middle" class="wheyed">{{ whey }}</text>
    <text x="140" y="304" text-anchor="middle" class="small">{{ note }}</text>
  </svg>
</template>

<style scoped>
.cloth {
  width: 100%;
  max-width: 280px;
}
.ink,
.bowl,
.bag {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.thick {
  stroke-width: 5;
}
.thin {
  stroke-width: 1.6;
}
.bag {
  fill: var(--enamel);
}
.fold {
  fill: none;
  stroke: var(--ridge);
  stroke-width: 1.5;
}
.bowl {
  stroke: var(--iron);
  stroke-width: 5;
}
.whey {
  fill: color-mix(in srgb, var(--leaf) 22%, var(--enamel));
  stroke: var(--ink);
  stroke-width: 1.4;
}
text {
  font-size: 14px;
}
.big {
  font-size: 30px;
  font-weight: 700;
}
.wheyed {
  font-size: 17px;
  font-weight: 650;
}
</style>
