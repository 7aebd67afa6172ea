import words from '../../../i18n/locales/en/pickup.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('pickup', words)
