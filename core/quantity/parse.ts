import { distance } from 'fastest-levenshtein'
import { readNumber } from './number'
import { type Dimension, type Unit, UNITS, toSI } from './units'

export type ParseResult =
  { ok: true; value: number; unit: Unit } | { ok: false; code: 'empty' | 'number' | 'unit'; message: string }

/**
 * Reads a quantity as a builder types it: `2.4 thou`, `.0024"`, `0.061 mm`, `61 µm`, `3/8 in`, `1-3/8"`, `1½ thou`, `27 ft-lbs`,
 * `52 psi`, `3.6 bar`, `1.234,5`. A bare number takes the unit in use.
 *
 * A comma stands for the decimal point; in speeds and counts one before three digits parts thousands.
 *
 * @param text what was typed
 * @param dimension what kind of quantity the field holds
 * @param unit the unit a bare number is in
 * @returns the SI value and the unit it was typed in, or what is wrong and what would be right
 * @example parseQuantity('2.4 thou', 'clearance', mm) // { ok: true, value: 0.00006096, unit: thou }
 */
export function parseQuantity(text: string, dimension: Dimension, unit: Unit): ParseResult {
  const typed = text.trim()
  if (typed === '') return { ok: false, code: 'empty', message: 'Nothing was typed.' }
  const number = readNumber(typed, dimension === 'speed' || dimension === 'count')
  if (!number)
    return {
      ok: false,
      code: 'number',
      message: `“${typed}” does not start with a number that can be read one way only. Type it like ${example(dimension, unit)}.`,
    }
  const found = number.rest === '' ? unit : findUnit(number.rest, dimension)
  if (!found) return { ok: false, code: 'unit', message: notAUnit(number.rest, dimension) }
  return { ok: true, value: toSI(number.value, found), unit: found }
}

/** What a unit is compared by: lower case, one space for whatever stands between its parts. */
const plainOf = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s·⋅.*-]+/g, ' ')
    .trim()

/** The unit of a dimension written as `text`, whatever its case or what parts it; undefined too where the case says another: `mPa` is not MPa, `Mm` not mm. */
export function findUnit(text: string, dimension: Dimension): Unit | undefined {
  const written = text.trim()
  const exact = UNITS[dimension].find((unit) => unit.symbol === written)
  if (exact) return exact
  const plain = plainOf(written)
  return UNITS[dimension].find(
    (unit) =>
      (plainOf(unit.symbol) === plain ||
        unit.aliases.some((alias) => alias === written.toLowerCase() || (plainOf(alias) === plain && plain !== ''))) &&
      !otherPrefix(written, unit),
  )
}

/** Whether the case of what was typed says milli for mega or the other way round; one who types in capitals or small letters alone says neither. */
function otherPrefix(written: string, { symbol }: Unit): boolean {
  const mixed = written !== written.toLowerCase() && written !== written.toUpperCase()
  return mixed && /^m/i.test(written) && /^m/i.test(symbol) && written[0] !== symbol[0]
}

/** What is wrong with a unit, and what could have been meant. */
function notAUnit(written: string, dimension: Dimension): string {
  const known = UNITS[dimension]
    .map(({ symbol }) => symbol)
    .filter(Boolean)
    .join(', ')
  if (!known) return `A plain number is wanted here, without “${written}”.`
  const near = nearest(written, dimension)
  if (near) return `“${written}” is not a unit for this. Was ${near} meant? Or use ${known}.`
  return `“${written}” is not a unit for this. Use ${known}.`
}

/** The unit that was most likely meant: the same letters in another case, or a slip of the finger away. */
function nearest(written: string, dimension: Dimension): string | undefined {
  const plain = plainOf(written)
  const ways = UNITS[dimension].flatMap((unit) =>
    [unit.symbol, ...unit.aliases]
      .filter((way) => way !== '')
      .map((way) => ({ symbol: unit.symbol, away: distance(plainOf(way), plain), length: way.length })),
  )
  const [best] = ways
    .filter(({ away, length }) => away === 0 || (away === 1 && length > 1 && plain.length > 1))
    .sort((a, b) => a.away - b.away || b.length - a.length)
  return best?.symbol
}

function example(dimension: Dimension, unit: Unit): string {
  const sample: Partial<Record<Dimension, string>> = {
    clearance: '0.056',
    diameter: '65.981',
    length: '41.2',
    pressure: '3.6',
    temperature: '95',
    speed: '650',
  }
  return `${sample[dimension] ?? '1.5'} ${unit.symbol}`.trim()
}
