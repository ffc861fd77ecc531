import '@fontsource-variable/eczar/wght.css'
import '@fontsource-variable/anek-devanagari/standard.css'
import './theme/tokens.css'
import './theme/base.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

createApp(App).use(router).use(VueQueryPlugin).mount('#app')
