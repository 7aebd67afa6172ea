import words from '../../../i18n/locales/en/practice.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('practice', words)
