import words from '../../../i18n/locales/en/relief.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('relief', words)
