import words from '../../../i18n/locales/en/glossary.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('glossary', words)
