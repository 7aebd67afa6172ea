import words from '../../../i18n/locales/en/outlook.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('outlook', words)
