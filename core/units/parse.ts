import { type Dimension, type Unit, UNITS, toSI } from './units'

export type ParseResult =
  | { ok: true; value: number; unit: Unit }
  | { ok: false; code: 'empty' | 'number' | 'unit'; message: string }

const NUMBER = /^([+-]?(?:\d+\s+\d+\/\d+|\d+\/\d+|\d*\.\d+(?:e[+-]?\d+)?|\d+\.?(?:e[+-]?\d+)?))\s*(.*)$/i

/**
 * Reads a quantity as a builder types it: `2.4 thou`, `.0024"`, `0.061 mm`, `61 µm`, `3/8 in`, `1 3/8`, `27 ft lb`,
 * `52 psi`, `3.6 bar`. A bare number takes the unit in use.
 *
 * A comma stands for the decimal point, except in speeds and counts, where it parts thousands.
 *
 * @param text what was typed
 * @param dimension what kind of quantity the field holds
 * @param unit the unit a bare number is in
 * @returns the SI value and the unit it was typed in, or what is wrong and what would be right
 * @example parseQuantity('2.4 thou', 'clearance', mm) // { ok: true, value: 0.00006096, unit: thou }
 */
export function parseQuantity(text: string, dimension: Dimension, unit: Unit): ParseResult {
  const typed = text.trim().replace(/−/g, '-')
  if (typed === '') return { ok: false, code: 'empty', message: 'Nothing was typed.' }
  const thousands = dimension === 'speed' || dimension === 'count'
  const match = NUMBER.exec(typed.replace(/(\d),(\d)/g, thousands ? '$1$2' : '$1.$2').replace(/^,(\d)/, '.$1'))
  if (!match) {
    return { ok: false, code: 'number', message: `“${typed}” does not start with a number. Type it like ${example(dimension, unit)}.` }
  }
  const number = fraction(match[1])
  if (!Number.isFinite(number)) return { ok: false, code: 'number', message: `“${typed}” is not a number that can be used.` }
  const found = match[2] === '' ? unit : findUnit(match[2], dimension)
  if (!found) {
    const known = UNITS[dimension].map((u) => u.symbol).filter(Boolean).join(', ')
    return { ok: false, code: 'unit', message: known ? `“${match[2]}” is not a unit for this. Use ${known}.` : `A plain number is wanted here, without “${match[2]}”.` }
  }
  return { ok: true, value: toSI(number, found), unit: found }
}

/** The unit of a dimension written as `text`, whatever its case or spacing, or undefined. */
export function findUnit(text: string, dimension: Dimension): Unit | undefined {
  const exact = UNITS[dimension].find((unit) => unit.symbol === text.trim())
  if (exact) return exact
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ').replace(/\.$/, '')
  return UNITS[dimension].find((unit) => unit.symbol.toLowerCase() === plain || unit.aliases.includes(plain))
}

function fraction(text: string): number {
  const parts = text.trim().split(/\s+/)
  const whole = parts.length === 2 ? Number(parts[0]) : 0
  const last = parts[parts.length - 1]
  const [top, bottom] = last.split('/').map(Number)
  const part = bottom === undefined ? top : top / bottom
  return parts.length === 2 ? whole + Math.sign(whole || 1) * part : part
}

function example(dimension: Dimension, unit: Unit): string {
  const sample: Partial<Record<Dimension, string>> = { clearance: '0.056', diameter: '65.981', length: '41.2', pressure: '3.6', temperature: '95', speed: '650' }
  return `${sample[dimension] ?? '1.5'} ${unit.symbol}`.trim()
}
