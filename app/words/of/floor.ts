import words from '../../../i18n/locales/en/floor.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('floor', words)
