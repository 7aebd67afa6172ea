import words from '../../../i18n/locales/en/trace.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('trace', words)
