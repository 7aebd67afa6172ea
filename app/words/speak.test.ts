import { createI18n, type Composer } from 'vue-i18n'
import { afterEach, expect, test } from 'vitest'
import { writeNumbersAs } from './numbers'
import { inSentence, LOOKS_UP, lowered, named, said, speakIn, speakWith, wordsOf } from './speak'

const t = wordsOf('bench', {
  lines: '{n} line | {n} lines',
  over: "{reading} is over {limit}: a pipe {'|'} and an at {'@'} stand as they are",
  primed: 'Primed',
})

function speaking(language: 'en' | 'de', words: Record<string, string>): void {
  const i18n = createI18n({ ...LOOKS_UP, locale: language, messages: { en: {}, de: {}, [language]: words } })
  speakWith(i18n.global as unknown as Composer)
  speakIn(language)
}

afterEach(() => {
  writeNumbersAs('en')
  speaking('en', {})
})

test('one is one and all others are many; what stands in a sentence stands by name', () => {
  expect([0, 1, 2, 11].map((n) => t('lines', { n }, n))).toEqual(['0 lines', '1 line', '2 lines', '11 lines'])
  expect(t('over', { limit: '7 bar', reading: '8 bar' })).toBe(
    '8 bar is over 7 bar: a pipe | and an at @ stand as they are',
  )
})

test('another language has its own plurals and its own order; what it lacks is English, not a key', () => {
  speaking('de', { 'bench.lines': '{n} Zeile | {n} Zeilen', 'bench.over': 'Grenze {limit}, gelesen {reading}' })
  expect([1, 2].map((n) => t('lines', { n }, n))).toEqual(['1 Zeile', '2 Zeilen'])
  expect(t('over', { limit: '7 bar', reading: '8 bar' })).toBe('Grenze 7 bar, gelesen 8 bar')
  expect(t('primed')).toBe('Primed')
})

test('messages kept by name are said when they are asked for', () => {
  const titles = said(t, { done: 'primed' })
  speaking('de', { 'bench.primed': 'Befüllt' })
  expect(titles.done).toBe('Befüllt')
  expect(Object.keys(titles)).toEqual(['done'])
})

test('what core names keeps its numbers, in the person’s decimals', () => {
  expect(named('Oil in: 5.3 L of the 7.5 are enough')).toBe('Oil in: 5.3 L of the 7.5 are enough')
  writeNumbersAs('de')
  expect(named('Oil in: 5.3 L of the 7.5 are enough')).toBe('Oil in: 5,3 L of the 7,5 are enough')
  speaking('de', { 'core.Main # journal': 'Hauptlager #, Zapfen' })
  expect(named('Main 12 journal')).toBe('Hauptlager 12, Zapfen')
  expect([named('Tip clearance'), named(undefined), named('')]).toEqual(['Tip clearance', undefined, ''])
})

test('a sentence that core makes of a label is said with the label’s own words, whatever stands where', () => {
  speaking('de', {
    'core.Main # bore': 'Hauptlager #, Bohrung',
    'core.* out of limit': 'außer Maß: *',
    'core.*: *': '*: *',
    'core.void: *': 'ungültig: *',
    'core.left out': 'fehlt',
    'core.Gallery plug, front': 'Kanalstopfen vorn',
  })
  expect(named('Main 3 bore out of limit')).toBe('außer Maß: Hauptlager 3, Bohrung')
  expect(named('main 3 bore out of limit')).toBe('außer Maß: Hauptlager 3, Bohrung')
  expect(named('void: main 12 bore')).toBe('ungültig: Hauptlager 12, Bohrung')
  expect(named('gallery plug, front: left out')).toBe('Kanalstopfen vorn: fehlt')
  // What the language lacks stays as core says it.
  expect(named('banjo out of limit')).toBe('außer Maß: banjo')
  expect(named('banjo left in')).toBe('banjo left in')
})

test('a label inside a sentence is lowered in English, and spelled as it is elsewhere', () => {
  expect([inSentence('Main 3 bore'), lowered('OK as it is'), inSentence('PCV valve')]).toEqual([
    'main 3 bore',
    'OK as it is',
    'PCV valve',
  ])
  speaking('de', { 'core.Idle hot': 'Leerlauf, heiß' })
  expect(inSentence('Idle hot')).toBe('Leerlauf, heiß')
})
