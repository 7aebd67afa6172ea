import { createI18n, type Composer } from 'vue-i18n'
import { afterEach, expect, test } from 'vitest'
import { writeNumbersAs } from './numbers'
import { LOOKS_UP, named, said, speakIn, speakWith, wordsOf } from './speak'

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
