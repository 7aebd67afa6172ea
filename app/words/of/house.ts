import words from '../../../i18n/locales/en/house.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('house', words)
