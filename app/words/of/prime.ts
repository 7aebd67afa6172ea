import words from '../../../i18n/locales/en/prime.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('prime', words)
