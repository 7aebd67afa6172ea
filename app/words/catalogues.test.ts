import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'

const at = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url))
const json = (path: string) => JSON.parse(readFileSync(at(path), 'utf8')) as Record<string, string>
const sources = readdirSync(at('app'), { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.(vue|ts)$/.test(name) && !/\.test\.ts$/.test(name))
  .map((name) => readFileSync(at(`app/${name}`), 'utf8'))
const areas = readdirSync(at('i18n/locales/en')).map((name) => name.replace('.json', ''))

/** Names of what stands in a message. */
const standsIn = (text: string) => new Set([...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name))

describe('the words', () => {
  it.each(areas)('of %s are all asked for, and nothing is asked for that they lack', (area) => {
    const words = json(`i18n/locales/en/${area}.json`)
    const users = sources.filter((text) => text.includes(`words/of/${area}'`) || text.includes(`./of/${area}'`))
    const asked = new Set(users.flatMap((text) => [...text.matchAll(/'([\w]+\.[\w]+)'/g)].map(([, key]) => key)))
    // The glossary goes through all of its own.
    if (area !== 'glossary') expect(Object.keys(words).filter((key) => !asked.has(key))).toEqual([])
    for (const [key, text] of Object.entries(words)) {
      expect(text.trim(), key).toBe(text)
      const forms = text.split(' | ')
      expect(forms.length, key).toBeLessThan(3)
      // Both forms of a plural have the same things in them.
      for (const form of forms) expect([...standsIn(form)].sort(), key).toEqual([...standsIn(forms[0])].sort())
    }
  })
  it('stand in no message as words of the code that asks for it, unless they are core’s', () => {
    const found = sources.flatMap((text) =>
      [...text.matchAll(/\bt\('[\w]+\.[\w]+', (\{[^{}]*\})/g)].flatMap(([, of]) =>
        [...of.replace(/\w+\([^()]*\)|\[[^[\]]*\]/g, '').matchAll(/[?:] '([^'.]*[A-Za-z]{2}[^'.]*)'/g)].map(
          ([, word]) => word,
        ),
      ),
    )
    expect(found).toEqual([])
  })
  it('of another language are for messages that there are, with the same things in them', () => {
    const english = new Map<string, string>(
      areas.flatMap((area) =>
        Object.entries(json(`i18n/locales/en/${area}.json`)).map(
          ([key, text]) => [`${area}.${key}`, text] as [string, string],
        ),
      ),
    )
    for (const word of Object.keys(json('i18n/core.json'))) english.set(`core.${word}`, word)
    const german = Object.entries(json('i18n/locales/de.json'))
    expect(german.length).toBeGreaterThan(30)
    for (const [key, text] of german) {
      expect(english.has(key), key).toBe(true)
      expect([...standsIn(text)].sort(), key).toEqual([...standsIn(english.get(key)!)].sort())
    }
  })
})
