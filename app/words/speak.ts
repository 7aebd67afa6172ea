import { decimalMark } from './numbers'
import { type Composer, createI18n } from 'vue-i18n'

/** What stands for a message, by its name. */
export type Values = Record<string, unknown>
type Catalogue = Record<string, string>

/**
 * How messages are looked up: by their whole key, in the person's language and else in English. Also i18n/i18n.config.ts
 * says so, for the application; tests of a part have no application.
 */
export const LOOKS_UP = {
  legacy: false,
  fallbackLocale: 'en',
  missingWarn: false,
  fallbackWarn: false,
  messageResolver: (messages: unknown, key: string) => (messages as Catalogue)[key] ?? null,
} as const

/** English by area, as the parts of the page that use it came. */
const english: Catalogue = {}
type Speaker = Pick<Composer, 't' | 'mergeLocaleMessage' | 'getLocaleMessage'>
let speaker: Speaker | undefined

/** From here on words come from the application's own i18n. */
export function speakWith(composer: Speaker): void {
  speaker = composer
  composer.mergeLocaleMessage('en', english)
}

/**
 * The words of one area: they stand in i18n/locales/en/, and travel with the parts of the page that use them. Another
 * language's file has them all, and is fetched whole.
 *
 * @returns what says one of them: its key, what stands in it by name, and the count that chooses its plural
 */
export function wordsOf<Words extends Catalogue>(area: string, words: Words) {
  const own = Object.fromEntries(Object.entries(words).map(([key, text]) => [`${area}.${key}`, text]))
  Object.assign(english, own)
  speaker?.mergeLocaleMessage('en', own)
  return (key: keyof Words & string, values: Values = {}, count?: number): string => {
    if (!speaker) speakWith(createI18n({ ...LOOKS_UP, locale: 'en' }).global as unknown as Composer)
    return count === undefined ? speaker!.t(`${area}.${key}`, values) : speaker!.t(`${area}.${key}`, values, count)
  }
}

let language = 'en'

/** The language that {@link named} looks in, once its file has come. */
export function speakIn(code: string): void {
  language = code
  composed = undefined
}

interface Composed {
  pattern: RegExp
  key: string
}
let composed: Composed[] | undefined

/** Sentences that core makes of a label and its own words, `* out of limit`, as the language has them: the longest first. */
function composedSentences(): Composed[] {
  const keys = Object.keys(speaker?.getLocaleMessage(language) ?? {}).filter((key) => /^core\..*\*/.test(key))
  return keys
    .sort((a, b) => b.length - a.length)
    .map((key) => {
      const literal = key.slice('core.'.length).split('*')
      return { key, pattern: new RegExp(`^${literal.map((text) => text.replace(/[.?()]/g, '\\$&')).join('(.+)')}$`) }
    })
}

/** A number inside a sentence. */
const NUMBER = /\d+(?:\.\d+)?/g

/**
 * What core says in a word or a sentence, `Main 3 journal`, in the person's language: numbers in it may change, so that
 * its key says `core.Main # journal`. Core's own English where the language has none, and in English itself; its numbers
 * with the person's decimal mark.
 */
export function named<Text extends string | undefined>(text: Text): Text {
  if (!text || (language === 'en' && decimalMark() === '.')) return text
  const numbers = (text.match(NUMBER) ?? []).map((number) => number.replace('.', decimalMark()))
  const key = text.replace(NUMBER, '#')
  const found = inLanguage(key) ?? ofParts(text) ?? key
  return found.replace(/#/g, () => numbers.shift() ?? '') as Text
}

/** A key of core's words in the person's language; undefined where the language lacks it. */
function inLanguage(key: string): string | undefined {
  if (language === 'en' || !speaker) return undefined
  const found = speaker.t(`core.${key}`)
  return found === `core.${key}` ? undefined : found
}

/** A sentence made of parts, each said for itself; undefined where it is none that the language has. */
function ofParts(text: string): string | undefined {
  if (language === 'en' || !speaker) return undefined
  for (const { pattern, key } of (composed ??= composedSentences())) {
    const parts = pattern.exec(text)?.slice(1)
    if (parts) return speaker.t(key).replace(/\*/g, () => partSaid(parts.shift() ?? ''))
  }
  return undefined
}

/** A label inside of a sentence, where core lowers its first letter. */
function partSaid(part: string): string {
  const label = part.replace(/^./, (letter) => letter.toUpperCase())
  const said = named(label)
  return said === label ? named(part) : said
}

/** A word that begins a label, as it stands inside a sentence: English lowers it, another language spells it as it is. */
export const lowered = (words: string): string =>
  language === 'en' ? words.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase()) : words

/** What core names, inside a sentence of the person's language. */
export const inSentence = (label: string): string => lowered(named(label))

/** Messages by what they stand for, each said when it is asked for and not when the page came: the language is known later. */
export function said<Name extends string, Key extends string>(
  say: (key: Key) => string,
  keys: Record<Name, Key>,
): Readonly<Record<Name, string>> {
  const words = {} as Record<Name, string>
  for (const name of Object.keys(keys) as Name[])
    Object.defineProperty(words, name, { get: () => say(keys[name]), enumerable: true })
  return words
}
