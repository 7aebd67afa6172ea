import { type Unit, fromSI } from './units'

/** A minus that lines up with figures. */
const MINUS = '−'

/**
 * The number shown for an SI value in a unit, without the unit's symbol.
 *
 * @param value SI value
 * @param unit what to show it in
 * @param decimals places after the point; the unit's own when left out
 * @example formatNumber(1.6e5, bar) // "1.6"
 */
export function formatNumber(value: number, unit: Unit, decimals = unit.decimals): string {
  const number = fromSI(value, unit)
  const text = Math.abs(number).toFixed(decimals)
  const negative = number < 0 && Number(text) !== 0
  const [whole, part] = text.split('.')
  const grouped = whole.length > 3 && unit.symbol === 'rpm' ? whole.replace(/\B(?=(\d{3})+$)/g, ',') : whole
  return (negative ? MINUS : '') + grouped + (part === undefined ? '' : `.${part}`)
}

/** The number with its unit: "1.6 bar". */
export function formatQuantity(value: number, unit: Unit, decimals = unit.decimals): string {
  return `${formatNumber(value, unit, decimals)} ${unit.symbol}`.trim()
}

/** Decimals that show a reading no finer than its instrument: the place of the resolution's leading figure. */
export function decimalsFor(resolution: number, unit: Unit): number {
  const place = -Math.floor(Math.log10(resolution / unit.factor) + 1e-9)
  return Math.min(5, Math.max(0, place))
}
