import '@fontsource/barlow-semi-condensed/latin-400.css'
import '@fontsource/barlow-semi-condensed/latin-500.css'
import '@fontsource/barlow-semi-condensed/latin-600.css'
import '@fontsource/barlow-semi-condensed/latin-ext-400.css'
import '@fontsource/barlow-semi-condensed/latin-ext-600.css'
import './style/degree.css'
import './kit/element.css'
import './style/sheet.css'
import './kit/kit.css'
import { createPinia } from 'pinia'
import { createApp, h } from 'vue'
import App from './App.vue'
import { withServer } from './api/useServer.ts'
import { withLanguage } from './kit/inLanguage.ts'
import { keepFocus } from './kit/keepFocus.ts'
import { router } from './router.ts'
import { tellUnhandled } from './unhandled.ts'
import { language, loadFirstWords, loadWords } from './words/words.ts'

// A newer version was put in place meanwhile, and a view that was not opened yet is gone with the old one: load anew, nothing is lost.
// Where nobody answers it is the signal that is gone: then what is open stays open.
addEventListener('vite:preloadError', () => {
  const stay = () => undefined
  void fetch('/', { method: 'HEAD', cache: 'no-store' }).then(({ ok }) => (ok ? location.reload() : undefined), stay)
})

await loadFirstWords()
// Whoever turns to another language sees the whole page anew.
const app = createApp({ render: () => h(App, { key: language.value }) })
tellUnhandled(app)
keepFocus()
withServer(withLanguage(app)).use(createPinia()).use(router).mount('#app')

// What is said of a unit is fetched once the first view stands.
void loadWords()
