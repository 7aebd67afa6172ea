import { planeClearances, type Shape, shapeOf, type Survey } from '../bearing/survey'
import { RULE_JOURNAL } from '../house/firstRules'
import { ruleOf } from '../house/limits'
import type { FittedShells, Sheet } from '../record/schema'
import type { Sourced } from '../record/sourced'
import { type BearingSet, bearingWord, mainsOf, READ, rodsOf } from './bearingReadings'
import { meanErrors, type ReadErrors, readErrors, totalError } from './readErrors'

export type { BearingSet }

/** Clearance taken for a journal diameter when nothing at all is known: 0.0009 of the diameter, and how far that may be out. */
const USUAL = 0.0009
const USUAL_SHARE = 0.22
/** Least that one not measured is off its measured sisters, m. */
const SISTERS_SIGMA = 8e-6

export interface BearingRecord {
  set: BearingSet
  number: number
  label: string
  journal?: Sourced
  /** Over fitted shells: read, or from housing and wall. */
  bore?: Sourced
  /** Diametral clearance, m; assumed until journal and bore are both recorded, computed once other shells were chosen. */
  clearance: Sourced
  /** How a clearance that stands on readings is out, with what it shares with its sisters. */
  errors?: ReadErrors
  /** Journal diameter used by the model, m. */
  diameter: number
  /** Shapes of both sides, where more than one reading was taken. */
  shape?: { journal: Shape; bore: Shape; planes: number[] }
  /** Shells that were chosen and not measured with yet. */
  chosen?: FittedShells
  /** Set when journal and bore cannot go together. */
  conflict?: string
}

export function bearingCount({ layout }: Pick<Sheet, 'layout'>, set: BearingSet): number {
  return (set === 'main' ? mainsOf : rodsOf)(layout)
}

/** Every main or rod with its clearance: measured where both sides are, else from its measured sisters, else usual for its size. */
export function bearingsOf(sheet: Sheet, set: BearingSet): BearingRecord[] {
  const word = bearingWord(set, sheet.layout)
  const usual = sheet.layout.cylinders <= 2 ? (set === 'main' ? 0.045 : 0.038) : set === 'main' ? 0.065 : 0.052
  const records = Array.from({ length: bearingCount(sheet, set) }, (_, i): BearingRecord => {
    const journal = sideOf(sheet, set, i + 1, 'journal')
    const bore = sideOf(sheet, set, i + 1, 'bore') ?? overShells(sheet, set, i + 1)
    const record: BearingRecord = {
      set,
      number: i + 1,
      label: `${word} ${i + 1}`,
      journal,
      bore,
      diameter: journal?.value ?? bore?.value ?? usual,
      clearance: { value: 0, sigma: 0, source: 'layout' },
    }
    if (journal && bore) {
      if (bore.value <= journal.value)
        record.conflict = `${word} ${i + 1}: the bore is not larger than the journal. Check which value stands in which column.`
      else {
        record.errors = readErrors(sheet, set, i + 1, ['journal', ...sidesOfBore(sheet, set, i + 1)])
        record.clearance = {
          value: bore.value - journal.value,
          sigma: totalError(record.errors),
          source: 'measured',
        }
        record.shape = shapesOf(sheet, set, i + 1)
        withChosenShells(sheet, record)
      }
    } else {
      // A strip of plastic gauge gives the clearance without either side.
      const strip = readingOf(sheet, `${set}.${i + 1}.clearance`, READ.strip)
      if (strip) {
        record.clearance = { ...strip, source: 'measured' }
        record.errors = readErrors(sheet, set, i + 1, ['strip'])
      }
    }
    return record
  })
  const read = records.filter(({ clearance, chosen, errors }) => clearance.source === 'measured' && !chosen && errors)
  const measured = read.map(({ clearance }) => clearance.value)
  const sizes = records.filter((record) => record.journal || record.bore).map((record) => record.diameter)
  const size = sizes.length > 0 ? mean(sizes) : usual
  for (const record of records) {
    if (!record.journal && !record.bore) record.diameter = size
    if (record.clearance.source === 'measured' || record.chosen) continue
    if (measured.length >= 2) {
      record.errors = meanErrors(
        read.map(({ errors }) => errors!),
        Math.max(SISTERS_SIGMA, spread(measured)),
      )
      record.clearance = { value: mean(measured), sigma: totalError(record.errors), source: 'computed' }
    } else {
      const value = USUAL * record.diameter
      record.clearance = { value, sigma: USUAL_SHARE * value, source: 'layout' }
    }
  }
  return records
}

/** A reading of a bearing, where there is one. */
function readingOf({ readings }: Sheet, key: string, usual: number): Sourced | undefined {
  const found = readings[key]
  return found && { value: found.value, sigma: found.uncertainty ?? usual, source: found.source }
}

/** Readings of one side in two planes at three angles; the first is the one every builder takes. */
export function surveyOf(sheet: Sheet, set: BearingSet, number: number, side: 'journal' | 'bore'): Survey {
  const at = (place?: string) => sheet.readings[`${set}.${number}.${side}${place ? `.${place}` : ''}`]?.value
  return [
    [at(), at('left'), at('right')],
    [at('rear'), at('rearLeft'), at('rearRight')],
  ]
}

/** A side as the model takes it: the mean of its vertical readings. */
function sideOf(sheet: Sheet, set: BearingSet, number: number, side: 'journal' | 'bore'): Sourced | undefined {
  const first = readingOf(sheet, `${set}.${number}.${side}`, READ.side)
  const rear = readingOf(sheet, `${set}.${number}.${side}.rear`, READ.side)
  if (!first || !rear) return first
  return { ...first, value: 0.5 * (first.value + rear.value), sigma: 0.5 * Math.hypot(first.sigma, rear.sigma) }
}

/** What the bore over fitted shells was read from. */
const sidesOfBore = (sheet: Sheet, set: BearingSet, number: number) =>
  `${set}.${number}.bore` in sheet.readings ? (['bore'] as const) : (['housing', 'wall'] as const)

/** Bore over fitted shells from the bare housing and the shell's wall: both walls come off. */
function overShells(sheet: Sheet, set: BearingSet, number: number): Sourced | undefined {
  const housing = readingOf(sheet, `${set}.${number}.housing`, READ.side)
  const wall = readingOf(sheet, `${set}.${number}.wall`, READ.wall)
  return housing && wall
    ? { value: housing.value - 2 * wall.value, sigma: Math.hypot(housing.sigma, 2 * wall.sigma), source: 'measured' }
    : undefined
}

function shapesOf(sheet: Sheet, set: BearingSet, number: number): BearingRecord['shape'] {
  const [journal, bore] = (['journal', 'bore'] as const).map((side) => surveyOf(sheet, set, number, side))
  const taken = [journal, bore].map((survey) => survey.flat().filter((value) => value !== undefined).length)
  if (
    taken[0] === 0 ||
    taken[1] === 0 ||
    taken[0] + taken[1] < 3 ||
    journal[0][0] === undefined ||
    bore[0][0] === undefined
  )
    return undefined
  return { journal: shapeOf(journal), bore: shapeOf(bore), planes: planeClearances(bore, journal) }
}

/** Shells chosen since the bore was read: what they will leave, computed and not measured, until it is read again. */
function withChosenShells(sheet: Sheet, record: BearingRecord): void {
  const chosen = sheet.shells[`${record.set}.${record.number}`]
  if (!chosen || chosen.boreAt !== (sheet.readings[`${record.set}.${record.number}.bore`]?.at ?? '')) return
  record.chosen = chosen
  const errors = { ...record.errors!, own: Math.hypot(record.errors!.own, SHELL_SIGMA) }
  record.errors = errors
  record.clearance = { value: record.clearance.value - chosen.wall, sigma: totalError(errors), source: 'computed' }
}

/** Two shell walls, as good as makers grade them, m. */
const SHELL_SIGMA = 3e-6

export interface Limits {
  least: number
  most: number
  /** Whose they are; the maker's where he gave one of them, and the house's stands beside it. */
  source: 'maker' | 'house'
}

/** The limits a set is judged by: the maker's where given, one side being enough, else the house rule for its diameter and use. */
export function clearanceLimits(sheet: Sheet, set: BearingSet, diameter: number): Limits {
  const least = sheet.readings[`limit.${set}Least`]?.value
  const most = sheet.readings[`limit.${set}Most`]?.value
  const house = houseLimits(sheet, diameter)
  if ((least === undefined && most === undefined) || (least ?? -Infinity) >= (most ?? Infinity)) return house
  // A house's side that would cross the maker's gives way.
  const [lowest, highest] = [least ?? house.least, most ?? house.most]
  return {
    least: least ?? (lowest < highest ? lowest : 0.5 * highest),
    most: most ?? (lowest < highest ? highest : 2 * lowest),
    source: 'maker',
  }
}

/** The house rule for a diameter and this sheet's use. */
export function houseLimits(sheet: Sheet, diameter: number): Limits {
  const [least, most] = ['least', 'most'].map(
    (side) => (ruleOf(sheet, `clearance.${sheet.use}.${side}`) / RULE_JOURNAL) * diameter,
  )
  return { least, most, source: 'house' }
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

function spread(values: number[]): number {
  const middle = mean(values)
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / Math.max(1, values.length - 1))
}
