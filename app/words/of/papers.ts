import words from '../../../i18n/locales/en/papers.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('papers', words)
