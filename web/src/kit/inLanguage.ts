// What the library of controls says by itself, months and how a dialog is closed, in the language of the page.
import type { Language } from '@yastik/core/words'
import dayjs from 'dayjs'
import { localeContextKey } from 'element-plus/es/hooks/use-locale/index'
import english from 'element-plus/es/locale/lang/en'
import { shallowRef, watch, type App } from 'vue'
import { language } from '../words/words.ts'

type Spoken = typeof english
/** Of each language that the library speaks, but English: fetched when it is read. One that it does not speak has English months here. */
const others: Readonly<Partial<Record<Language, () => Promise<Spoken>>>> = {
  es: async () => {
    const [{ default: spoken }] = await Promise.all([import('element-plus/es/locale/lang/es'), import('dayjs/locale/es')])
    return spoken
  },
}
export function withLanguage(app: App): App {
  const spoken = shallowRef<Spoken>(english)
  watch(
    language,
    async (next) => {
      const own = (await others[next]?.()) ?? english
      if (next !== language.value) return
      dayjs.locale(next)
      spoken.value = own
    },
    { immediate: true },
  )
  return app.provide(localeContextKey, spoken)
}
