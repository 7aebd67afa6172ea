import words from '../../../i18n/locales/en/brief.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('brief', words)
