import words from '../../../i18n/locales/en/pump.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('pump', words)
