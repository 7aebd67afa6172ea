import type { Quantity } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { quantityAt } from './values'

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
  const quantity = quantityAt(sheet, key)
  if (!quantity) return undefined
  return (
    (quantity.bearing && nearTheOthers(sheet, key, quantity.bearing)) ?? {
      low: quantity.plausible[0],
      high: quantity.plausible[1],
      from: 'kind',
    }
  )
}

/** Where the other readings of a bearing and of its sisters say that a journal or bore should lie. */
function nearTheOthers(
  { readings }: Sheet,
  key: string,
  { set, number, side, place }: NonNullable<Quantity['bearing']>,
): Doubt | undefined {
  if (!side) return undefined
  const first = (of: number, which: 'journal' | 'bore') => readings[`${set}.${of}.${which}`]?.value
  const own = place && first(number, side)
  // Another place on the same journal or bore differs by hundredths, not more.
  if (place) return own ? { low: 0.998 * own, high: 1.002 * own, from: 'sisters' } : undefined
  const mate = first(number, side === 'journal' ? 'bore' : 'journal')
  if (mate !== undefined)
    return side === 'bore'
      ? { low: mate, high: mate * 1.005, from: 'mate' }
      : { low: mate / 1.005, high: mate, from: 'mate' }
  const sisters = Object.keys(readings)
    .filter((other) => other !== key)
    .flatMap((other) => {
      const [of, which, what, ...beside] = other.split('.')
      return of === set && (what === 'journal' || what === 'bore') && beside.length === 0
        ? [first(Number(which), what)!]
        : []
    })
    .sort((a, b) => a - b)
  if (sisters.length === 0) return undefined
  const middle = sisters[Math.floor(sisters.length / 2)]
  return { low: 0.98 * middle, high: 1.02 * middle, from: 'sisters' }
}

/** Seven figures: a mended value should read as it was typed, but for the slip. */
function round(value: number): number {
  return Number(value.toPrecision(7))
}
