import { diametralClearance } from '../bearing/clearance'
import { combined } from '../bearing/survey'
import type { Sheet } from './schema'
import { type Held, heldValue } from './values'

export type BearingSet = 'main' | 'rod'

/** Clearance taken for a journal diameter when nothing at all is known: 0.0009 of the diameter, and how far that may be out. */
const USUAL = 0.0009
const USUAL_SHARE = 0.22

export interface BearingRecord {
  set: BearingSet
  number: number
  label: string
  journal?: Held
  bore?: Held
  /** Diametral clearance, m; assumed until journal and bore are both recorded. */
  clearance: Held
  /** Journal diameter used by the model, m. */
  diameter: number
  /** Set when journal and bore cannot go together. */
  conflict?: string
}

export function bearingCount(sheet: Sheet, set: BearingSet): number {
  return set === 'main' ? sheet.layout.mains : sheet.layout.feed.length
}

/** Every main or rod with its clearance: measured where both sides are, else from its measured sisters, else usual for its size. */
export function bearingsOf(sheet: Sheet, set: BearingSet): BearingRecord[] {
  const word = set === 'main' ? 'Main' : 'Rod'
  const usual = sheet.layout.cylinders <= 2 ? (set === 'main' ? 0.045 : 0.038) : set === 'main' ? 0.065 : 0.052
  const records = Array.from({ length: bearingCount(sheet, set) }, (_, i): BearingRecord => {
    const journal = heldValue(sheet, `${set}.${i + 1}.journal`)
    const bore = heldValue(sheet, `${set}.${i + 1}.bore`)
    const record: BearingRecord = {
      set, number: i + 1, label: `${word} ${i + 1}`, journal, bore, diameter: journal?.value ?? bore?.value ?? usual,
      clearance: { value: 0, sigma: 0, source: 'layout' },
    }
    if (journal && bore) {
      if (bore.value <= journal.value) record.conflict = `${word} ${i + 1}: the bore is not larger than the journal. Check which value stands in which column.`
      else record.clearance = { value: bore.value - journal.value, sigma: clearanceSigma(sheet, set, i + 1, bore, journal), source: 'measured' }
    } else {
      // A strip of plastic gauge gives the clearance without either side.
      const strip = heldValue(sheet, `${set}.${i + 1}.clearance`)
      if (strip) record.clearance = { ...strip, source: 'measured' }
    }
    return record
  })
  const measured = records.filter((record) => record.clearance.source === 'measured').map((record) => record.clearance.value)
  const sizes = records.filter((record) => record.journal || record.bore).map((record) => record.diameter)
  const size = sizes.length > 0 ? mean(sizes) : usual
  for (const record of records) {
    if (!record.journal && !record.bore) record.diameter = size
    if (record.clearance.source === 'measured') continue
    record.clearance = measured.length >= 2
      ? { value: mean(measured), sigma: Math.max(8e-6, spread(measured)), source: 'computed' }
      : { value: USUAL * record.diameter, sigma: USUAL_SHARE * USUAL * record.diameter, source: 'layout' }
  }
  return records
}

/** Share of an instrument's variance that is its zero: the same in everything it reads until it is zeroed again. */
const ZERO_SHARE = 0.5

/** Uncertainty of a clearance: a zero error that one instrument carried through both sides drops out. */
function clearanceSigma(sheet: Sheet, set: BearingSet, number: number, bore: Held, journal: Held): number {
  const instrument = (side: string) => sheet.readings[`${set}.${number}.${side}`]?.instrument
  const shared = instrument('bore')
  if (!shared || shared !== instrument('journal')) return diametralClearance(bore, journal).sigma
  const [zero, own] = [Math.sqrt(ZERO_SHARE), Math.sqrt(1 - ZERO_SHARE)]
  return combined([
    { sigma: zero * bore.sigma, sensitivity: 1, common: shared }, { sigma: own * bore.sigma, sensitivity: 1 },
    { sigma: zero * journal.sigma, sensitivity: -1, common: shared }, { sigma: own * journal.sigma, sensitivity: -1 },
  ])
}

export interface Limits {
  least: number
  most: number
  source: 'maker' | 'house'
}

/** House rule: clearance per journal diameter, by use: tight for thin oil and gentle work, loose for speed and heat. */
const PER_DIAMETER: Record<Sheet['use'], [number, number]> = {
  road: [0.0006, 0.00115], race: [0.0008, 0.0014], marine: [0.0007, 0.0012], generator: [0.0006, 0.00115], farm: [0.0007, 0.0013], aircraft: [0.0006, 0.0013],
}

/** The limits a set is judged by: the maker's where given, else the house rule for its diameter and use. */
export function clearanceLimits(sheet: Sheet, set: BearingSet, diameter: number): Limits {
  const least = sheet.readings[`limit.${set}Least`]?.value
  const most = sheet.readings[`limit.${set}Most`]?.value
  if (least !== undefined && most !== undefined && most > least) return { least, most, source: 'maker' }
  const [low, high] = PER_DIAMETER[sheet.use]
  return { least: low * diameter, most: high * diameter, source: 'house' }
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

function spread(values: number[]): number {
  const middle = mean(values)
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / Math.max(1, values.length - 1))
}
