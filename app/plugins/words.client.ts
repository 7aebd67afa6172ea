import type { Composer } from 'vue-i18n'
import { nextTask } from '~/composables/nextTask'
import { remembered } from '~/sync/browserStorage'
import { writeDatesAs } from '~/words/dates'
import { writeNumbersAs } from '~/words/numbers'
import { controlWords } from '~/words/controls'
import { speakIn, speakWith } from '~/words/speak'

/**
 * Words are English, or of the language that this browser was told to take; numbers and dates are the browser's own, or
 * that language's.
 */
export default defineNuxtPlugin({
  name: 'words',
  dependsOn: ['i18n:plugin'],
  async setup(application) {
    const i18n = application.$i18n as Composer & {
      localeCodes: { value: string[] }
      setLocale: (code: string) => Promise<void>
    }
    const chosen = remembered('uldo.language', '')
    const language = i18n.localeCodes.value.find((code) => code === chosen)
    writeNumbersAs(language ?? navigator.language)
    writeDatesAs(language)
    speakWith(i18n)
    if (language) {
      await i18n.setLocale(language)
      speakIn(language)
    }
    const { aria, ...others } = controlWords()
    const { config } = application.vueApp.config.globalProperties.$primevue as { config: { locale?: object } }
    const locale = (config.locale ??= {}) as Record<string, unknown>
    Object.assign(locale, others)
    locale.aria = { ...(locale.aria as object), ...aria }
    document.documentElement.lang = language ?? 'en'
    await nextTask()
  },
})
