import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { coreWordsText } from '../words'

it('the list of what core names is that of core', () => {
  expect(readFileSync(new URL('../../i18n/core.json', import.meta.url), 'utf8')).toBe(coreWordsText())
})
