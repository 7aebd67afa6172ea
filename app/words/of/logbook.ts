import words from '../../../i18n/locales/en/logbook.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('logbook', words)
