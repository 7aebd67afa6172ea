/**
 * Writes i18n/core.json: all that core names things by, from which another language's file is made. Its words stand with
 * the part that they belong to, and are said in another language by `named` (app/words/speak.ts). `npm run words`.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { OLD_SHELLS } from '../core/bearing/shell'
import { catalogueOf, inspectionsOf } from '../core/engine/catalogue'
import { RULES } from '../core/house/rules'
import { circuitAtState } from '../core/outlook/circuitState'
import { sensitivities } from '../core/outlook/sensitivity'
import { modelOf } from '../core/outlook/model'
import { STATE_LABELS } from '../core/outlook/states'
import { bearingsOf } from '../core/parts/clearances'
import { START_POINTS } from '../core/parts/firstStart'
import { liftersOf } from '../core/parts/lifterLook'
import { METAL_FOUND } from '../core/parts/stripDown'
import { guideOf, STAGES, WORD_TITLES } from '../core/prime/steps'
import { primeSetUpOf } from '../core/prime/setUp'
import { newSheet, PRESETS } from '../core/record/layouts'
import { Layout, type Sheet } from '../core/record/schema'
import { USES } from '../core/record/words'
import { breakInPlan, recheckList, remindersOf } from '../core/start/breakIn'
import { REASONS, STATE_NAMES } from '../core/targets/targets'
import { KIND_WORDS, SHELF_FIELDS } from '../core/shelf/fields'

/** Fields in which core keeps words for people. */
const SAID = new Set([
  'label',
  'reason',
  'short',
  'words',
  'action',
  'fault',
  'means',
  'title',
  'one',
  'many',
  'group',
  'options',
  'suits',
  'kit',
  'steps',
  'why',
])

const METHODS = ['drill', 'tank', 'starter', 'hand'] as const
/** Values of a layout or a choice that are shown as they are kept. */
const KEPT =
  'hydraulic solid sliding roller iron aluminium gear gerotor upper lower mains rods head turbo within over under near take taken pump loose tight wide journal bore'.split(
    ' ',
  )
/** Verdicts, and where a value is from: each is its own word. */
const GRADES_OF_TRUST = ['pass', 'watch', 'stop', 'unknown', 'assumed', 'void', 'measured', 'maker', 'planned']

/** All words for people in what core gives, at any depth. */
function wordsIn(value: unknown, found: Set<string>, said = false): void {
  if (typeof value === 'string')
    void (said && /[a-z]{2}/i.test(value) && found.add(value.replace(/\d+(?:\.\d+)?/g, '#')))
  else if (Array.isArray(value)) for (const each of value) wordsIn(each, found, said)
  else if (value && typeof value === 'object')
    for (const [key, each] of Object.entries(value)) wordsIn(each, found, SAID.has(key))
}

/** Sentences that stand in more than one place, or that a function of core is given. */
const MADE = [
  '* tapered beyond its limit',
  '* out of round beyond its limit',
  'void: *',
  'floor clearance out of range',
  'vacuum does not hold',
  'scavenge stage too small',
  'one-piece valve in a sleeved block',
  'loose piston without its bore',
  'one-piece valve in a housing for a loose piston',
  'crank stiff after mains *',
  'crank stiff after main *',
  'Last prime, read at the gauge',
  'Spring a tenth stiffer',
  '*, read',
  'Oil in: 5.3 L of the 7.5 are enough to prime with; the rest before it is started.',
]

/** What core says that something is about, as its sources make it; a label in it as `*`, numbers as `#`. */
function abouts(): string[] {
  const core = new URL('../core/', import.meta.url)
  const sources = readdirSync(core, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => readFileSync(new URL(name, core), 'utf8'))
  return (
    sources
      .flatMap((text) => [...text.matchAll(/\babout: (?:'([^']+)'|`([^`]+)`)/g)])
      .map(([, plain, made]) => plain ?? made.replace(/\$\{[^}]*\}/g, '*'))
      // What was found of something is said with each of its words (`findingWords`).
      .filter((text) => text !== '* *' && text !== '*: *')
      .concat(MADE)
  )
}

/** Of any part, what it was found to be: `*: left out`. */
function findingWords(): string[] {
  const layouts = Object.keys(PRESETS).map((preset) => newSheet(preset, '', '').layout)
  const findings = layouts.flatMap((layout) => inspectionsOf(layout).flatMap(({ findings }) => findings))
  return [...new Set(findings.map(({ words }) => `*: ${words}`))]
}

/** An engine whose oil was changed since its first start. */
const changed = (sheet: Sheet): Sheet => ({
  ...sheet,
  services: { 'service.1': { at: new Date(0).toISOString(), oil: sheet.oil } },
})

/** Each word by itself, its numbers as `#`, in the order of the alphabet. */
export function coreWords(): Record<string, string> {
  const found = new Set<string>()
  // Every switch of a layout thrown, so that each part that can be fitted is.
  const all = { turbo: true, cooler: true, filter: true, tensioner: true, galleryRelief: true, drilledRods: true }
  for (const preset of Object.keys(PRESETS))
    for (const more of [{}, all, { ...all, drySump: true, cooler: false, coolerPlugged: true, oilLine: 'turbo' }]) {
      // What one kind of engine cannot have, another has.
      const { data } = Layout.safeParse({ preset, ...PRESETS[preset].layout, ...more, pistonJets: 4 })
      if (!data) continue
      const { quantities, checks, inspections, passages } = catalogueOf(data)
      wordsIn([[...quantities.values()], checks, inspections, passages], found)
    }
  for (const preset of Object.keys(PRESETS)) {
    const sheet = newSheet(preset, '', '')
    const guides = METHODS.map((method) => guideOf(sheet, primeSetUpOf(sheet, { method })))
    const circuit = STATE_NAMES.map((_, state) => circuitAtState(sheet, state).elements)
    wordsIn(
      [
        guides,
        breakInPlan(sheet),
        remindersOf(sheet, 0, 0),
        remindersOf(changed(sheet), 0),
        recheckList(sheet.layout),
        circuit,
      ],
      found,
    )
    wordsIn(
      [
        sensitivities(sheet),
        bearingsOf(sheet, 'main'),
        bearingsOf(sheet, 'rod'),
        liftersOf(sheet.layout),
        modelOf(sheet).inputs,
      ],
      found,
    )
  }
  wordsIn(Object.values(REASONS), found, true)
  for (const text of [...abouts(), ...findingWords()]) found.add(text.replace(/\d+(?:\.\d+)?/g, '#'))
  wordsIn([STAGES, METAL_FOUND, Object.values(WORD_TITLES).map((title) => ({ title }))], found)
  wordsIn([RULES, KIND_WORDS, SHELF_FIELDS, Object.values(PRESETS).map(({ title }) => ({ title }))], found)
  wordsIn(
    [Object.values(STATE_LABELS), START_POINTS.map(([, words]) => words), USES, OLD_SHELLS, GRADES_OF_TRUST, KEPT],
    found,
    true,
  )
  return Object.fromEntries([...found].sort().map((word) => [word, word]))
}

export const coreWordsText = () => `${JSON.stringify(coreWords(), null, 2)}\n`
const file = fileURLToPath(new URL('../i18n/core.json', import.meta.url))
if (process.argv[1]?.endsWith('words.ts')) writeFileSync(file, coreWordsText())
