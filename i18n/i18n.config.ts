import { LOOKS_UP } from '../app/words/speak'

export default defineI18nConfig(() => ({ ...LOOKS_UP }))
