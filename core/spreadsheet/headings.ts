import { findUnit } from '../quantity/parse'
import { type Dimension, UNITS } from '../quantity/units'
import { isNumeric } from './cells'

const LOOKED_AT = 40
const TIMES = [
  's',
  'sec',
  'seconds',
  'ms',
  'milliseconds',
  'min',
  'minutes',
  'h',
  'hh:mm:ss',
  'h:mm:ss',
  'mm:ss',
  'hh:mm',
]

/** Whether something is written like a unit of anything that is measured here. */
export const isUnit = (text: string): boolean =>
  TIMES.includes(text.toLowerCase()) ||
  (text !== '' && (Object.keys(UNITS) as Dimension[]).some((dimension) => findUnit(text, dimension) !== undefined))

const bare = (cell: string) => /^[([{<]?\s*(.*?)\s*[)\]}>]?$/.exec(cell)![1]!

/** A heading, and the unit that it names: `Main bore (mm)`, `Oil press [psi]`, `Bore, mm`, `RPM / min⁻¹` has none that is known, `pressure_bar`. */
export function splitHeading(heading: string): { name: string; unit?: string } {
  const text = heading.trim()
  const [, before, inside] =
    /^(.*?)\s*[([{<]\s*([^()[\]{}<>]+?)\s*[)\]}>]\s*$/.exec(text) ??
    /^(.*\S)(?:\s*[,;]\s*|\s+\/\s+)(\S+)$/.exec(text) ??
    /^(.*\S)\s+in\s+(\S+)$/i.exec(text) ??
    /^(.*[^\s_])[\s_]+((?!in$)\S+)$/i.exec(text) ??
    []
  return before && inside && isUnit(inside) && !/^[a-z]$/.test(inside.replace(/^[hs]$/, ''))
    ? { name: before, unit: inside }
    : { name: text }
}

/** Which row has the headings, and whether the one under it has their units; `row` −1 where nothing looks like headings. */
export interface HeaderGuess {
  row: number
  units: boolean
}

/**
 * The row with the headings: the first of two or more words over which, in the same columns, numbers stand soon after. Titles above have their words in one
 * cell, and nothing under them.
 */
export function guessHeader(rows: readonly (readonly string[])[]): HeaderGuess {
  const most = Math.min(rows.length, LOOKED_AT)
  for (let row = 0; row < most; row++) {
    const words = rows[row]!.flatMap((cell, column) => (cell !== '' && !isNumeric(cell) ? [column] : []))
    const filled = rows[row]!.filter((cell) => cell !== '').length
    if (words.length === 0 || words.length < 0.6 * filled || (filled < 2 && rows.some((other) => other.length > 1)))
      continue
    const units = isUnitsRow(rows[row + 1])
    const under = rows.slice(row + 1 + (units ? 1 : 0)).filter((other) => other.some((cell) => cell !== ''))
    if (under.slice(0, 3).some((other) => words.some((column) => isNumeric(other[column] ?? '')))) return { row, units }
  }
  return { row: -1, units: false }
}

/** Whether a row says units: most of its cells, and no number among the rest. */
export function isUnitsRow(row: readonly string[] | undefined): boolean {
  const said = (row ?? []).map(bare).filter((cell) => cell !== '' && cell !== '-' && cell !== '–')
  const others = said.filter((cell) => !isUnit(cell))
  return others.length < 0.5 * said.length && !others.some(isNumeric)
}

/** A heading of a file, with the unit that it or the row under it names. */
export interface Heading {
  column: number
  /** As it stands there; the column's letter where it has none. */
  text: string
  name: string
  unit?: string
}

/** A column's letter as spreadsheets have it: A, B, … Z, AA. */
export const letterOf = (column: number): string =>
  (column >= 26 ? letterOf(Math.floor(column / 26) - 1) : '') + String.fromCharCode(65 + (column % 26))

/** How many columns a file has: as its headings, and one without a heading that most rows have; as its longest row where it has no headings. */
function widthOf(rows: readonly (readonly string[])[], header: number): number {
  const filled = (row: readonly string[]) => row.findLastIndex((cell) => cell !== '') + 1
  const widths = rows
    .slice(header + 1)
    .map(filled)
    .filter((width) => width > 0)
  if (header < 0) return Math.max(0, ...widths.slice(0, 200))
  const middle = widths.sort((a, b) => a - b)[Math.floor(widths.length / 2)] ?? 0
  return Math.max(filled(rows[header]!), middle)
}

/** Headings of the rows, one for each column that has any cell. */
export function headingsOf(rows: readonly (readonly string[])[], { row, units }: HeaderGuess): Heading[] {
  const width = widthOf(rows, row)
  return Array.from({ length: width }, (_, column) => {
    const text = (row >= 0 ? rows[row]?.[column] : undefined) || letterOf(column)
    const under = units ? bare(rows[row + 1]?.[column] ?? '') : ''
    const { name, unit } = splitHeading(text)
    const said = isUnit(under) ? under : unit
    return { column, text, name, ...(said ? { unit: said } : {}) }
  })
}

/** Where a file's own rows begin. */
export const firstRow = ({ row, units }: HeaderGuess): number => row + 1 + (units ? 1 : 0)
