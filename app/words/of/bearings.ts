import words from '../../../i18n/locales/en/bearings.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('bearings', words)
