import words from '../../../i18n/locales/en/start.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('start', words)
