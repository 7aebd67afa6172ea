import words from '../../../i18n/locales/en/guide.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('guide', words)
