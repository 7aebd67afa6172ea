import { type Unit, fromSI } from './units'

/** A minus that lines up with figures. */
const MINUS = '−'
/** A thin space that does not break: parts thousands where a comma is the decimal mark. */
export const THIN = '\u202f'
export type DecimalMark = '.' | ','

/**
 * The number shown for an SI value in a unit, without the unit's symbol.
 *
 * @param value SI value
 * @param unit what to show it in
 * @param decimals places after the decimal mark; the unit's own when left out
 * @param mark between the whole and its decimals, as the reader's language has it
 * @example formatNumber(1.6e5, bar) // "1.6"
 */
export function formatNumber(value: number, unit: Unit, decimals = unit.decimals, mark: DecimalMark = '.'): string {
  const number = fromSI(value, unit)
  const text = Math.abs(number).toFixed(decimals)
  const negative = number < 0 && Number(text) !== 0
  const [whole, part] = text.split('.')
  const grouped =
    whole.length > 3 && unit.symbol === 'rpm' ? whole.replace(/\B(?=(\d{3})+$)/g, mark === '.' ? ',' : THIN) : whole
  return (negative ? MINUS : '') + grouped + (part === undefined ? '' : mark + part)
}

/** The number with its unit: "1.6 bar". */
export function formatQuantity(value: number, unit: Unit, decimals = unit.decimals, mark: DecimalMark = '.'): string {
  return `${formatNumber(value, unit, decimals, mark)} ${unit.symbol}`.trim()
}

/** Decimals that show a reading no finer than its instrument: the place of the resolution's leading figure. */
export function decimalsFor(resolution: number, unit: Unit): number {
  const place = -Math.floor(Math.log10(resolution / unit.factor) + 1e-9)
  return Math.min(5, Math.max(0, place))
}
