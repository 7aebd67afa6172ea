import words from '../../i18n/locales/en/glossary.json' with { type: 'json' }
import { t } from './of/glossary'

/** The trade's words as Uldo uses them, in a sentence each; looked up by what a label says. */
export interface Term {
  term: string
  means: string
  /** Other words under which a label may name it. */
  also?: string[]
}

type Key = keyof typeof words
type Name = Extract<Key, `${string}.term`> extends `${infer Own}.term` ? Own : never
const NAMES = Object.keys(words)
  .filter((key) => key.endsWith('.term'))
  .map((key) => key.slice(0, -'.term'.length) as Name)

let listed: Term[] | undefined

/** In the order of the alphabet. */
export const glossary = (): Term[] =>
  (listed ??= NAMES.map((name) => ({
    term: t(`${name}.term`),
    means: t(`${name}.means`),
    ...(`${name}.also` in words ? { also: t(`${name}.also` as Key).split(', ') } : {}),
  })).sort((a, b) => a.term.localeCompare(b.term)))

const plain = (words: string) => words.toLowerCase().replace(/[^\p{L} -]/gu, ' ')

/** The term that a label is about: the longest one that it names by whole words; undefined where it names none. */
export function termOf(label: string): Term | undefined {
  const said = ` ${plain(label)} `.replace(/\s+/g, ' ')
  const named = glossary().flatMap((each) =>
    [each.term, ...(each.also ?? [])]
      .filter((word) => said.includes(` ${plain(word)} `))
      .map((word) => ({ each, length: word.length })),
  )
  return named.sort((a, b) => b.length - a.length)[0]?.each
}
