import words from '../../../i18n/locales/en/passages.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('passages', words)
