import words from '../../../i18n/locales/en/plan.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('plan', words)
