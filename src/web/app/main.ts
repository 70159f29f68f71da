import '../shared/style.css'
import { createPinia } from 'pinia'
import { createApp, h } from 'vue'
import { languageAmong } from '@core/language'
import { screenLanguage, speakOnScreen } from '../language'
import { chosenLanguage } from '../shared/chosen-language'
import App from './App.vue'
import { watchVersions } from './newer-version'
import { router } from './router'

async function begin(): Promise<void> {
  // Where its words cannot be had, the screens speak English.
  await speakOnScreen(chosenLanguage() ?? languageAmong(navigator.languages) ?? 'en').catch(() => undefined)
  // All of it is drawn anew when another language is chosen.
  createApp(() => h(App, { key: screenLanguage() }))
    .use(createPinia())
    .use(router)
    .mount('#app')
}
void begin()
watchVersions()
