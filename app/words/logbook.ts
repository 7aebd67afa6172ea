import { catalogueOf } from '#core/engine/catalogue'
import type { LeftOfTrend } from '#core/logbook/ages'
import type { StoryKind, StoryLine } from '#core/logbook/story'
import type { Quantity } from '#core/record/quantity'
import type { Check, FittedShells, Inspection, Layout, Reading, SheetOil } from '#core/record/schema'
import type { ServiceLine } from '#core/record/service'
import type { RecordedCase } from '#core/record/traceCase'
import type { Cause } from '#core/trace/vocabulary'
import type { Run } from '#core/run/run'
import { t } from './of/logbook'
import { named, said } from './speak'
import { causeWords } from './trace'

export const KIND_WORDS = said(t, {
  reading: 'kinds.reading',
  look: 'kinds.look',
  choice: 'kinds.choice',
  shells: 'kinds.shells',
  bench: 'kinds.bench',
  case: 'kinds.case',
  service: 'kinds.service',
  oil: 'kinds.oil',
  engine: 'kinds.engine',
  photo: 'kinds.photo',
  note: 'kinds.note',
  run: 'kinds.run',
}) satisfies Record<StoryKind, string>

/** Why a reading is not counted in the trend of hot idle. */
export const LEFT_WORDS = said(t, {
  elsewhere: 'years.isElsewhere',
  'before-start': 'years.isBeforeStart',
  'no-meter': 'years.hasNoMeter',
  'meter-back': 'years.goesBack',
  'measured-since': 'years.measuredSince',
  faint: 'years.isFaint',
}) satisfies Record<LeftOfTrend, string>

const FIELD_WORDS: Record<string, string> = said(t, {
  layout: 'lines.layout',
  use: 'lines.use',
  name: 'lines.name',
  engine: 'lines.engine',
  work: 'lines.work',
  school: 'lines.school',
  oil: 'lines.oil',
  oils: 'lines.oils',
  fill: 'lines.fill',
  parked: 'lines.parked',
})

/** What is chosen, by the last word of its key. */
const CHOICE_WORDS: Record<string, string> = said(t, {
  bench: 'choices.bench',
  experience: 'choices.experience',
  benchOil: 'choices.benchOil',
  stack: 'choices.stack',
  body: 'choices.body',
  housing: 'choices.housing',
  sleeve: 'choices.sleeve',
  construction: 'choices.construction',
  drilling: 'choices.drilling',
  capOrder: 'choices.capOrder',
  method: 'choices.method',
  filter: 'choices.filter',
  port: 'choices.port',
  direction: 'choices.direction',
  shelf: 'choices.shelf',
  why: 'choices.why',
  metalFrom: 'choices.metalFrom',
  fitted: 'choices.fitted',
  packing: 'choices.packing',
  coverSeal: 'choices.coverSeal',
  year: 'choices.year',
  drive: 'choices.drive',
  by: 'choices.by',
  seal: 'choices.seal',
  form: 'choices.form',
  elsewhere: 'choices.elsewhere',
  portLeft: 'choices.portLeft',
  fittingLeft: 'choices.fittingLeft',
  handedTo: 'choices.handedTo',
})

/** What was chosen, by the last word of its key and the choice; what is not here was written by hand. */
const CHOSEN_WORDS: Record<string, string> = said(t, {
  'coverSeal.gasket': 'chosen.coverSealGasket',
  'coverSeal.sealer': 'chosen.coverSealSealer',
  'coverSeal.dry': 'chosen.coverSealDry',
  'packing.assembly-lubricant': 'chosen.packingAssemblyLubricant',
  'packing.jelly': 'chosen.packingJelly',
  'packing.oil': 'chosen.packingOil',
  'packing.dry': 'chosen.packingDry',
  'seal.dry': 'chosen.sealDry',
  'seal.sealer': 'chosen.sealSealer',
  'seal.washer': 'chosen.sealWasher',
  'seal.press': 'chosen.sealPress',
  'form.early': 'chosen.formEarly',
  'form.late': 'chosen.formLate',
  'sleeve.in': 'chosen.sleeveIn',
  'sleeve.none': 'chosen.sleeveNone',
  'bench.air': 'chosen.benchAir',
  'bench.dead-head': 'chosen.benchDeadHead',
  'drilling.single': 'chosen.drillingSingle',
  'drilling.through': 'chosen.drillingThrough',
  'construction.two-layer': 'chosen.constructionTwoLayer',
  'construction.three-layer': 'chosen.constructionThreeLayer',
  'elsewhere.yes': 'chosen.elsewhereYes',
  'portLeft.none': 'chosen.portLeftNone',
  'portLeft.gauge': 'chosen.portGauge',
  'portLeft.pump': 'chosen.portPump',
  'portLeft.pad': 'chosen.portPad',
  'method.drill': 'chosen.methodDrill',
  'method.tank': 'chosen.methodTank',
  'method.starter': 'chosen.methodStarter',
  'method.hand': 'chosen.methodHand',
  'filter.off': 'chosen.filterOff',
  'filter.dry': 'chosen.filterDry',
  'filter.filled': 'chosen.filterFilled',
  'port.gauge': 'chosen.portGauge',
  'port.pump': 'chosen.portPump',
  'port.pad': 'chosen.portPad',
  'direction.clockwise': 'chosen.directionClockwise',
  'direction.anticlockwise': 'chosen.directionAnticlockwise',
})

/** What was chosen, as it is read. */
export const chosenWords = (key: string, value: string): string =>
  CHOSEN_WORDS[`${key.slice(key.lastIndexOf('.') + 1)}.${value}`] ?? value

/** What was found when something was looked at, as it is read. */
export const findingWords = (key: string, value: string, layout: Layout): string =>
  named(
    catalogueOf(layout)
      .inspections.find((each) => each.key === key)
      ?.findings.find((each) => each.value === value)?.words ?? value,
  )

/** The title of a choice: of which valve or passage, where there are several. */
export function choiceTitle(key: string, layout: Layout): string | undefined {
  const field = key.slice(key.lastIndexOf('.') + 1)
  const choice = CHOICE_WORDS[field]
  if (choice === undefined) return undefined
  const of = key.slice(0, -field.length - 1)
  const passage = catalogueOf(layout).passages.find((each) => each.key === of)
  const whose = of === 'relief2' ? t('lines.valve2Only') : passage && named(passage.label)
  return whose ? t('choices.of', { of: whose, choice }) : choice
}

/** A line of the story as it is read. */
export interface LineWords {
  what: string
  before: string
  after: string
  instrument: string
}

/** Says a reading in the person's units. */
type Say = (value: number, quantity: Quantity) => string

/** A line in words; its values in the person's units. */
export function lineWords(line: StoryLine, layout: Layout, say: Say): LineWords {
  const value = (of: unknown) => (of === undefined ? '' : valueOf(line, of, layout, say))
  return {
    what: titleOf(line, layout),
    before: value(line.before),
    after: line.after === undefined ? t('lines.takenOut') : value(line.after),
    instrument: line.part === 'readings' ? ((line.after as Reading | undefined)?.instrument ?? '') : '',
  }
}

function titleOf({ part, key }: StoryLine, layout: Layout): string {
  const { quantities, checks, inspections } = catalogueOf(layout)
  const label =
    part === 'readings'
      ? quantities.get(key)?.label
      : part === 'checks'
        ? checks.find((each) => each.key === key)?.label
        : part === 'inspections'
          ? inspections.find((each) => each.key === key)?.label
          : undefined
  if (part === 'choices') return choiceTitle(key, layout) ?? keyAsWords(key)
  if (label !== undefined) return named(label)
  const [of = '', number = ''] = key.split('.')
  if (part === 'shells') return t('lines.shellsOf', { bearing: key.replace('.', ' ') })
  if (part === 'benches') return t(of === 'relief2' ? 'lines.valve2' : 'lines.valve', { number })
  if (part === 'cases') return t('lines.case', { number })
  if (part === 'services') return t('lines.service', { number })
  return FIELD_WORDS[part] ?? keyAsWords(key)
}

/** What this layout has no place for: its key, as words. */
const keyAsWords = (key: string) =>
  key
    .replaceAll('.', ' ')
    .replaceAll(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()

function valueOf({ part, kind, key }: StoryLine, of: unknown, layout: Layout, say: Say): string {
  if (kind === 'photo') {
    const count = (of as Reading).photos?.length ?? 0
    return t('lines.photos', { n: count }, count)
  }
  if (kind === 'note') return (of as Reading).note ?? ''
  switch (part) {
    case 'readings': {
      const { value, typed } = of as Reading
      const quantity = catalogueOf(layout).quantities.get(key)
      return quantity ? say(value, quantity) : (typed ?? String(value))
    }
    case 'checks':
      return t((of as Check).state === 'done' ? 'lines.done' : 'lines.fault')
    case 'inspections': {
      const { finding, shell } = of as Inspection
      const zones = Object.keys(shell?.zones ?? {}).length
      const scores = Object.values(shell?.pictures ?? {}).reduce((sum, each) => sum + each.scores.length, 0)
      return [
        findingWords(key, finding, layout),
        zones > 0 ? t('lines.zones', { n: zones }, zones) : '',
        scores > 0 ? t('lines.scores', { n: scores }, scores) : '',
      ]
        .filter(Boolean)
        .join(', ')
    }
    case 'choices':
      return chosenWords(key, of as string)
    case 'shells':
      return t('lines.shellsAre', { upper: (of as FittedShells).upper, lower: (of as FittedShells).lower })
    case 'cases': {
      const { closed, found } = of as RecordedCase
      if (!closed) return t('lines.caseOpen')
      return found ? t('lines.caseFound', { cause: causeWords(found.cause as Cause) }) : t('lines.caseClosed')
    }
    case 'services':
      return serviceWords(of as ServiceLine, say)
    case 'oil':
      return (of as SheetOil).grade
    default:
      return typeof of === 'string' ? of : t('lines.written')
  }
}

/** What was read and done at a service, in one line. */
export function serviceWords({ pressure, oil, filter, topUp, note }: ServiceLine, say: Say): string {
  const quantity = (dimension: Quantity['dimension']) => ({ dimension }) as Quantity
  return [
    pressure !== undefined && t('services.hotIdle', { pressure: say(pressure, quantity('pressure')) }),
    oil && t('services.oil', { grade: oil.grade }),
    filter && t('services.filter'),
    topUp !== undefined && t('services.toppedUp', { volume: say(topUp, quantity('volume')) }),
    note,
  ]
    .filter(Boolean)
    .join('; ')
}

/** A run as a line of the story. */
export function runWords({ kind, setup, endedAt, outcome, stopped, found }: Run): LineWords {
  const ended = outcome ?? ''
  // What stopped it stands in its outcome.
  const came = stopped ? ended : endedAt ? t('lines.ended', { outcome: ended }) : t('lines.underWay')
  return {
    what: t(kind === 'start' ? 'lines.firstStart' : setup.stage === 'check' ? 'lines.primeCheck' : 'lines.primeLast'),
    before: '',
    after: [came, found && t('lines.foundAfter', { words: found })].filter(Boolean).join('; '),
    instrument: '',
  }
}
