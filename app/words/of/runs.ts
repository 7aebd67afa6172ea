import words from '../../../i18n/locales/en/runs.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('runs', words)
