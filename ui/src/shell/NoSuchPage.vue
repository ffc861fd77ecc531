<script setup lang="ts">
import { useRoute } from 'vue-router'
import { ADDRESSES } from '@/api/shared'

/** For an address that leads nowhere. */
const route = useRoute()
const WAYS = [
  ['stove', 'the Stove', 'what goes on now'],
  ['reduce', 'the Bench', 'plan a base'],
  ['sweets', 'Sweets', 'plan a sweet'],
  ['book', 'the Book', 'what was made'],
  ['larder', 'the Larder', 'milks, pans, what stands in the fridge'],
] as const
</script>

<template>
  <div class="page">
    <section class="tray" aria-label="No such page">
      <h1 class="sentence">There is no page here.</h1>
      <p class="soft">
        Nothing stands at <b>{{ route.path }}</b>: a letter too many, or it was taken out. Nothing
        is lost by it.
      </p>
      <ul>
        <li v-for="[name, text, does] in WAYS" :key="name">
          <RouterLink :to="ADDRESSES[name]">{{ text }}</RouterLink>
          <span class="soft">{{ does }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
ul {
  margin-top: 14px;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 14px;
  font-size: 20px;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  font-weight: 650;
}
</style>
