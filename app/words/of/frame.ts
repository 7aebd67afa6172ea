import words from '../../../i18n/locales/en/frame.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('frame', words)
