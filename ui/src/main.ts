import '@fontsource-variable/eczar/wght.css'
import '@fontsource-variable/anek-devanagari/standard.css'
import './theme/tokens.css'
import './theme/base.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { createWebHistory } from 'vue-router'
import App from './App.vue'
import { makeRouter } from './router'

createApp(App).use(makeRouter(createWebHistory())).use(VueQueryPlugin).mount('#app')
