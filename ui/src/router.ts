import { createRouter, type RouteComponent, type RouterHistory } from 'vue-router'
import type { Right } from './api/client'
import { ADDRESSES } from './api/shared'
import NoSuchPage from './shell/NoSuchPage.vue'
import BenchStation from './stations/bench/BenchStation.vue'

type Address = keyof typeof ADDRESSES
type Page = [title: string, component: RouteComponent | (() => Promise<RouteComponent>)]

/** The page of each address; the plan lives in the Bench's address, the other stations load when first visited. */
const PAGES: Record<Exclude<Address, 'home'>, Page> = {
  knock: ['At the door', () => import('./door/DoorWay.vue')],
  door: ['The door', () => import('./stations/larder/DoorStation.vue')],
  larder: ['Larder', () => import('./stations/larder/LarderStation.vue')],
  reduce: ['Bench', BenchStation],
  curdle: ['Curdle', () => import('./stations/bench/CurdleBench.vue')],
  strain: ['Strain', () => import('./stations/bench/StrainBench.vue')],
  caramel: ['Caramelised milk', () => import('./stations/bench/CaramelBench.vue')],
  sweets: ['Sweets', () => import('./stations/sweets/SweetsStation.vue')],
  told: ['A sweet of your own', () => import('./stations/sweets/ToldSweet.vue')],
  'own-sweet': ['Your own sweet', () => import('./stations/sweets/OwnSweet.vue')],
  day: ['Day', () => import('./stations/day/DayStation.vue')],
  'day-begun': ['Day', () => import('./stations/day/DayBegun.vue')],
  stove: ['Stove', () => import('./stations/stove/StoveStation.vue')],
  pan: ['Stove', () => import('./stations/stove/PanStove.vue')],
  across: ['Across the room', () => import('./stations/stove/AcrossRoom.vue')],
  rehearse: ['Rehearse', () => import('./stations/rehearse/RehearseBoard.vue')],
  rehearsal: ['Rehearsal', () => import('./stations/rehearse/RehearsePage.vue')],
  curd: ['Stove', () => import('./stations/stove/CurdStove.vue')],
  'caramel-pan': ['Stove', () => import('./stations/stove/CaramelStove.vue')],
  sweet: ['Stove', () => import('./stations/stove/SweetStove.vue')],
  book: ['Book', () => import('./stations/book/BookList.vue')],
  mend: ['What went wrong', () => import('./stations/mend/MendStation.vue')],
  beside: ['Side by side', () => import('./stations/book/BesidePage.vue')],
  season: ['The season', () => import('./stations/book/SeasonPage.vue')],
  learned: ['What was learned', () => import('./stations/book/LearnedPage.vue')],
  batch: ['Book', () => import('./stations/book/BookPage.vue')],
  science: ['Science', () => import('./reading/TextPage.vue')],
  using: ['How to use it', () => import('./reading/TextPage.vue')],
}

/** Pages where one logs. */
const LOGGED: Address[] = ['stove', 'pan', 'curd', 'caramel-pan', 'sweet', 'rehearse', 'rehearsal']

declare module 'vue-router' {
  interface RouteMeta {
    title?: string
    needs?: Right
  }
}

export function makeRouter(history: RouterHistory) {
  const pages = Object.entries(PAGES) as [Exclude<Address, 'home'>, Page][]
  const router = createRouter({
    history,
    routes: [
      { path: ADDRESSES.home, redirect: ADDRESSES.reduce },
      ...pages.map(([name, [title, component]]) => ({
        path: ADDRESSES[name],
        component,
        meta: LOGGED.includes(name) ? { title, needs: 'log' as const } : { title },
      })),
      { path: '/:rest(.*)*', component: NoSuchPage, meta: { title: 'No such page' } },
    ],
  })
  router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? '')} · Mulvek`
  })
  return router
}
