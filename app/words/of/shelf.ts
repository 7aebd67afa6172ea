import words from '../../../i18n/locales/en/shelf.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('shelf', words)
