import '@fontsource-variable/eczar/wght.css'
import '@fontsource-variable/anek-devanagari/standard.css'
import './theme/tokens.css'
import './theme/base.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { createWebHistory } from 'vue-router'
import App from './App.vue'
import { makeRouter } from './router'
import { keepLastWords } from './shell/lastWords'

const router = makeRouter(createWebHistory())
keepLastWords(router)
createApp(App).use(router).use(VueQueryPlugin).mount('#app')
