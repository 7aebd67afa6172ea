import words from '../../../i18n/locales/en/sight.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('sight', words)
