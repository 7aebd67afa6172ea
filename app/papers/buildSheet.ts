import { catalogueOf } from '#core/engine/catalogue'
import { judgeClearance } from '#core/bearing/judge'
import { measurementsOf } from '#core/logbook/measurements'
import type { PaperAnswers } from '#core/logbook/papers'
import { REASONS } from '#core/targets/targets'
import { type BearingSet, bearingsOf, clearanceLimits } from '#core/parts/clearances'
import { BAND_SIGMAS } from '#core/quantity/uncertain'
import { STATIONS } from '#core/record/quantity'
import type { Sheet } from '#core/record/schema'
import { PAGES } from '~/composables/stations'
import { findingWords } from '~/words/logbook'
import { inSentence, named, said } from '~/words/speak'
import { t } from '~/words/of/papers'
import type { Block } from './paper'
import { fittedParts } from './fittedParts'
import { barePressure, each, handAndDay, limitWords, pressures, range, type Units } from './saying'

/** A build sheet: every measurement with its limit and whose that is, its uncertainty, instrument and hand; prediction and reading side by side; parts and plug marks. */
export function buildSheet(sheet: Sheet, answers: PaperAnswers, entries: number | undefined, units: Units): Block[] {
  return [
    { kind: 'facts', facts: aboutThe(sheet, entries) },
    ...states(sheet, answers, units),
    ...bearings(sheet, units),
    ...measurements(sheet, units),
    ...looked(sheet),
    ...fittedParts(sheet, units),
    { kind: 'signature', lines: [t('sheet.signedBy'), t('sheet.signedOn')] },
  ]
}

const KINDS: Record<Sheet['layout']['kind'], string> = said(t, {
  inline: 'sheet.kindInline',
  v: 'sheet.kindV',
  flat: 'sheet.kindFlat',
  opposed: 'sheet.kindOpposed',
  single: 'sheet.kindSingle',
  rotary: 'sheet.kindRotary',
})

function aboutThe({ engine, work, layout, use, oil, oils }: Sheet, entries: number | undefined): [string, string][] {
  return [
    [t('sheet.about'), engine],
    ...(work ? ([[t('sheet.work'), work]] as [string, string][]) : []),
    [
      t('sheet.layout'),
      t('sheet.layoutIs', { kind: KINDS[layout.kind], n: layout.cylinders, mains: layout.mains }, layout.cylinders),
    ],
    [t('sheet.use'), named(use)],
    [t('sheet.oil'), oil.grade],
    ...(oils?.firstFill ? ([[t('sheet.firstFill'), oils.firstFill.grade]] as [string, string][]) : []),
    ...(oils?.prime ? ([[t('sheet.primeOil'), oils.prime.grade]] as [string, string][]) : []),
    // Where the server has not told, nothing is said of it.
    ...(entries === undefined
      ? []
      : ([[t('sheet.revision'), t('sheet.entries', { n: entries }, entries)]] as [string, string][])),
  ]
}

function states({ experience }: Sheet, { outlook }: PaperAnswers, units: Units): Block[] {
  const bar = units.unit('pressure').symbol
  return [
    { kind: 'heading', words: t('sheet.pressure') },
    ...(outlook.voids.length > 0
      ? [
          {
            kind: 'text' as const,
            tone: 'careful' as const,
            words: t('sheet.voided', { what: outlook.voids.map(({ about }) => named(about)).join('; ') }),
          },
        ]
      : []),
    ...(experience
      ? [{ kind: 'text' as const, words: t('sheet.withExperience', { engines: experience.engines }) }]
      : []),
    {
      kind: 'table',
      label: t('sheet.pressure'),
      columns: [
        { head: t('sheet.state') },
        { head: t('sheet.at') },
        { head: t('sheet.wanted') },
        { head: `${t('sheet.predicted')}, ${bar}`, figures: true },
        { head: t('sheet.band'), figures: true },
        { head: `${t('sheet.read')}, ${bar}`, figures: true },
        { head: t('sheet.verdict') },
      ],
      rows: outlook.states.map((state) => [
        named(state.label),
        t('sheet.speedAndOil', {
          speed: units.say(state.measured?.speed ?? state.speed, 'speed'),
          oil: units.say(state.measured?.temperature ?? state.temperature, 'temperature'),
        }),
        `${range(units, state.target, 'pressure')}, ${named(REASONS[state.target.school])}`,
        barePressure(units, state.pressure),
        pressures(units, state),
        state.measured ? barePressure(units, state.measured.reading) : '',
        named(state.verdict),
      ]),
    },
    ...(outlook.assumed.length > 0
      ? [
          {
            kind: 'text' as const,
            tone: 'quiet' as const,
            words: t('sheet.assumed', {
              what: outlook.assumed
                .slice(0, 6)
                .map(({ label, share }) =>
                  t('sheet.share', { what: inSentence(label), share: Math.max(1, Math.round(100 * share)) }),
                )
                .join(', '),
            }),
          },
        ]
      : []),
  ]
}

function bearings(sheet: Sheet, units: Units): Block[] {
  const rows = (['main', 'rod'] as BearingSet[]).flatMap((set) =>
    bearingsOf(sheet, set)
      .filter(({ clearance }) => clearance.source !== 'layout')
      .map(({ number, label, journal, bore, clearance, diameter, conflict }) => {
        const limits = clearanceLimits(sheet, set, diameter)
        const sides = [sheet.readings[`${set}.${number}.journal`], sheet.readings[`${set}.${number}.bore`]]
        return [
          named(label),
          journal ? units.show(journal.value, 'diameter') : '',
          bore ? units.show(bore.value, 'diameter') : '',
          units.show(clearance.value, 'clearance'),
          units.show(BAND_SIGMAS * clearance.sigma, 'clearance'),
          limitWords(units, { ...limits, whose: limits.source }, 'clearance'),
          named(conflict ? 'stop' : judgeClearance(clearance, limits).verdict),
          each(...sides.map((side) => side?.instrument), ...sides.map((side) => side?.by)),
        ]
      }),
  )
  if (rows.length === 0) return []
  const [size, gap] = [units.unit('diameter').symbol, units.unit('clearance').symbol]
  return [
    { kind: 'heading', words: t('sheet.bearings') },
    {
      kind: 'table',
      label: t('sheet.bearings'),
      columns: [
        { head: t('sheet.bearing') },
        { head: `${t('sheet.journal')}, ${size}`, figures: true },
        { head: `${t('sheet.bore')}, ${size}`, figures: true },
        { head: `${t('sheet.clearance')}, ${gap}`, figures: true },
        { head: t('sheet.give'), figures: true },
        { head: t('sheet.limit') },
        { head: t('sheet.verdict') },
        { head: t('sheet.with') },
      ],
      rows,
    },
    { kind: 'drawing', name: 'crank', label: t('sheet.crank') },
    { kind: 'text', tone: 'quiet', words: t('sheet.plusMinusIs') },
  ]
}

/** Sides of the bearings stand in their own table. */
const isSide = (key: string) => /^(main|rod)\.\d+\.(journal|bore)$/.test(key)

function measurements(sheet: Sheet, units: Units): Block[] {
  const all = measurementsOf(sheet).filter(({ quantity }) => !isSide(quantity.key))
  const SOURCES = { measured: '', planned: t('sheet.planned'), maker: t('sheet.fromMaker') }
  return STATIONS.flatMap((station): Block[] => {
    const own = all.filter(({ quantity }) => quantity.station === station)
    if (own.length === 0) return []
    // Its bearings have their own table.
    const title = station === 'bearings' ? t('sheet.bearingsBeside') : titleOf(station)
    return [
      { kind: 'heading', words: title },
      {
        kind: 'table',
        label: title,
        columns: [
          { head: t('sheet.what') },
          { head: t('sheet.value'), figures: true },
          { head: t('sheet.give'), figures: true },
          { head: t('sheet.limit') },
          { head: t('sheet.with') },
        ],
        rows: own.map(({ quantity, reading, sigma, heldTo }) => [
          named(quantity.label),
          units.sayReading(reading.value, quantity),
          reading.source === 'measured' ? units.showReading(BAND_SIGMAS * sigma, quantity) : '',
          heldTo ? each(limitWords(units, heldTo, quantity.dimension), heldTo.verdict && named(heldTo.verdict)) : '',
          each(SOURCES[reading.source], reading.instrument, handAndDay(reading), reading.note),
        ]),
      },
    ]
  })
}

const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title

/** What was looked at: checks and findings, whose hand, and what was remarked. */
function looked(sheet: Sheet): Block[] {
  const { checks, inspections } = catalogueOf(sheet.layout)
  const rows = [
    ...checks.flatMap(({ key, label, station }) => {
      const check = sheet.checks[key]
      return check
        ? [[titleOf(station), named(label), t(check.state === 'done' ? 'sheet.done' : 'sheet.fault'), remarkOf(check)]]
        : []
    }),
    ...inspections.flatMap(({ key, label, station }) => {
      const found = sheet.inspections[key]
      return found
        ? [[titleOf(station), named(label), findingWords(key, found.finding, sheet.layout), remarkOf(found)]]
        : []
    }),
  ]
  if (rows.length === 0) return []
  return [
    { kind: 'heading', words: t('sheet.looked') },
    {
      kind: 'table',
      label: t('sheet.looked'),
      columns: ['', t('sheet.what'), t('sheet.found'), t('sheet.remark')].map((head) => ({ head })),
      rows,
    },
  ]
}
const remarkOf = (seen: { by?: string; at?: string; note?: string }) => each(handAndDay(seen), seen.note)
