import type { Sheet } from '../record/schema'
import { catalogueOf } from './values'

export interface Doubt {
  /** The range looked for, SI. */
  low: number
  high: number
  /** Where the range comes from. */
  from: 'kind' | 'sisters' | 'mate'
  /** What was probably meant, SI, when a slipped decimal or a mixed-up unit would explain it. */
  proposal?: number
}

/** Slips that hands make, most common first: the decimal one place out, two places, millimetres for inches and back. */
const SLIPS = [0.1, 10, 0.01, 100, 1 / 25.4, 25.4, 0.001, 1000]

/**
 * Doubt about a value, or undefined when it is plausible.
 *
 * A journal or bore is looked for near its recorded mate (bore within 0.5 percent above journal), else near its recorded
 * sisters (2 percent), else in the quantity's own range.
 */
export function doubtOf(sheet: Sheet, key: string, value: number): Doubt | undefined {
  const range = expectedRange(sheet, key)
  if (!range || (value >= range.low && value <= range.high)) return undefined
  const proposal = SLIPS.map((slip) => value * slip).find((mended) => mended >= range.low && mended <= range.high)
  return proposal === undefined ? range : { ...range, proposal: round(proposal) }
}

function expectedRange(sheet: Sheet, key: string): Doubt | undefined {
  const quantity = catalogueOf(sheet.layout).get(key)
  if (!quantity) return undefined
  const beside = /^((?:main|rod)\.\d+\.(?:journal|bore))\.(?:left|right|rear|rearLeft|rearRight)$/.exec(key)
  const first = beside && sheet.readings[beside[1]]?.value
  // Another place on the same journal or bore differs by hundredths, not more.
  if (first) return { low: 0.998 * first, high: 1.002 * first, from: 'sisters' }
  const part = /^(main|rod)\.(\d+)\.(journal|bore)$/.exec(key)
  if (part) {
    const [, set, number, side] = part
    const mate = sheet.readings[`${set}.${number}.${side === 'journal' ? 'bore' : 'journal'}`]?.value
    if (mate !== undefined) {
      return side === 'bore'
        ? { low: mate, high: mate * 1.005, from: 'mate' }
        : { low: mate / 1.005, high: mate, from: 'mate' }
    }
    const sisters = Object.entries(sheet.readings)
      .filter(([other]) => other !== key && other.startsWith(`${set}.`) && /\.(journal|bore)$/.test(other))
      .map(([, reading]) => reading.value)
      .sort((a, b) => a - b)
    if (sisters.length > 0) {
      const middle = sisters[Math.floor(sisters.length / 2)]
      return { low: 0.98 * middle, high: 1.02 * middle, from: 'sisters' }
    }
  }
  return { low: quantity.plausible[0], high: quantity.plausible[1], from: 'kind' }
}

/** Seven figures: a mended value should read as it was typed, but for the slip. */
function round(value: number): number {
  return Number(value.toPrecision(7))
}
