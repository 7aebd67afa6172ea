import words from '../../../i18n/locales/en/breakIn.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('breakIn', words)
