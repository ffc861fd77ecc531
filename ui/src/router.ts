import { createRouter, createWebHistory } from 'vue-router'
import BenchStation from './stations/bench/BenchStation.vue'

/** The plan lives in the Bench's address; the other stations load when first visited. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/bench' },
    { path: '/bench', component: BenchStation, meta: { title: 'Bench' } },
    {
      path: '/bench/curdle',
      component: () => import('./stations/bench/CurdleBench.vue'),
      meta: { title: 'Curdle' },
    },
    {
      path: '/bench/strain',
      component: () => import('./stations/bench/StrainBench.vue'),
      meta: { title: 'Strain' },
    },
    {
      path: '/bench/caramel',
      component: () => import('./stations/bench/CaramelBench.vue'),
      meta: { title: 'Caramelised milk' },
    },
    {
      path: '/sweets',
      component: () => import('./stations/sweets/SweetsStation.vue'),
      meta: { title: 'Sweets' },
    },
    {
      path: '/sweets/own',
      component: () => import('./stations/sweets/OwnSweet.vue'),
      meta: { title: 'Your own sweet' },
    },
    {
      path: '/larder',
      component: () => import('./stations/larder/LarderStation.vue'),
      meta: { title: 'Larder' },
    },
    {
      path: '/stove/:id(\\d+)?',
      component: () => import('./stations/stove/StoveStation.vue'),
      meta: { title: 'Stove' },
    },
    {
      path: '/stove/rehearse',
      component: () => import('./stations/rehearse/RehearseStart.vue'),
      meta: { title: 'Rehearse' },
    },
    {
      path: '/stove/rehearse/:id(\\d+)',
      component: () => import('./stations/rehearse/RehearseStove.vue'),
      meta: { title: 'Rehearsal' },
    },
    {
      path: '/stove/curd/:id(\\d+)',
      component: () => import('./stations/stove/CurdStove.vue'),
      meta: { title: 'Stove' },
    },
    {
      path: '/stove/sweet/:id(\\d+)',
      component: () => import('./stations/stove/SweetStove.vue'),
      meta: { title: 'Stove' },
    },
    {
      path: '/book',
      component: () => import('./stations/book/BookList.vue'),
      meta: { title: 'Book' },
    },
    {
      path: '/book/:id(\\d+)',
      component: () => import('./stations/book/BookPage.vue'),
      meta: { title: 'Book' },
    },
    { path: '/:rest(.*)*', redirect: '/bench' },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Mulvek`
})
