import '@fontsource/atkinson-hyperlegible-mono/latin-600.css'
import '@fontsource/atkinson-hyperlegible-next/latin-400.css'
import '@fontsource/atkinson-hyperlegible-next/latin-600.css'
import '@fontsource/atkinson-hyperlegible-next/latin-700.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import { createApp } from 'vue'
import { asRefused } from './api/client'
import App from './App.vue'
import { router } from './router'
import './style.css'
import './print.css'
import { passThrough, theme } from './theme'

const queryClient = new QueryClient({
  defaultOptions: {
    queries: { retry: (failed, e) => failed < 1 && asRefused(e).offline, refetchOnWindowFocus: false, networkMode: 'always' },
  },
})

// A page left open over an upgrade asks for parts that are gone: the new page has them, if there is a server to give it.
window.addEventListener('vite:preloadError', () => {
  fetch('/', { cache: 'no-store' }).then(
    (page) => page.ok && window.location.reload(),
    () => undefined,
  )
})

const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce

createApp(App)
  .use(createPinia())
  .use(router)
  .use(VueQueryPlugin, { queryClient })
  .use(PrimeVue, { theme, pt: passThrough, csp: { nonce } })
  .use(ToastService)
  .mount('#app')
