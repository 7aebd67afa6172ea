import words from '../../../i18n/locales/en/sound.json' with { type: 'json' }
import { wordsOf } from '../speak'

export const t = wordsOf('sound', words)
