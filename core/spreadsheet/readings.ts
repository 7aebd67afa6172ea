import { catalogueOf } from '../engine/catalogue'
import { type Doubt, doubtOf } from '../engine/plausible'
import { readNumber } from '../quantity/number'
import { findUnit, parseQuantity } from '../quantity/parse'
import { type Unit, UNITS } from '../quantity/units'
import { type Impossible, impossible } from '../record/bounds'
import type { Quantity } from '../record/quantity'
import type { Reading, Sheet } from '../record/schema'
import { type DecimalMark, isNumeric, withPoint } from './cells'
import { bestMatch } from './matching'
import { bearingIn, type Column, keyFor, namedReadings } from './roles'

/** Why a cell is not taken. */
export type Refusal =
  | { code: 'what' | 'which-bearing' | 'not-here' | 'too-many-cells' }
  | { code: 'unit'; unit?: string }
  | { code: 'number'; message: string }
  | { code: 'twice'; line: number }
  | { code: 'impossible'; reason: Impossible }

/** A cell of a file, and the reading that it would become. */
export interface ImportLine {
  /** Line of the file, from 1. */
  line: number
  column: number
  /** As it stands there. */
  cell: string
  key?: string
  label: string
  quantity?: Quantity
  /** SI. */
  value?: number
  unit?: Unit
  instrument?: string
  note?: string
  /** The reading that stands there now. */
  before?: Reading
  state: 'new' | 'changes' | 'same' | 'doubtful' | 'refused'
  refusal?: Refusal
  doubt?: Doubt
}

/** Differences under this, as a share, are none: a value that was written and read again. */
const SAME = 1e-7

/**
 * What each cell of a file would become: the reading, its value, what stands there now, and whether it is new, changes something, is doubtful, or is refused and
 * why. A bare number whose unit nobody said is refused: no unit is ever guessed.
 *
 * @param rows all rows of the file
 * @param from the row that the file's own begin with
 */
export function importLines(
  sheet: Sheet,
  rows: readonly (readonly string[])[],
  from: number,
  columns: readonly Column[],
  mark: DecimalMark | undefined,
): ImportLine[] {
  const { quantities } = catalogueOf(sheet.layout)
  const at = (use: string) => columns.find((column) => column.use === use)?.column
  const [number, what, value, unitAt, instrumentAt, noteAt] = (
    ['number', 'what', 'value', 'unit', 'instrument', 'note'] as const
  ).map(at)
  const patterns = columns.filter(({ use }) => use.includes('.'))
  const counted = number === undefined && patterns.some(({ use }) => use.includes('#'))
  const width = columns.length
  const lines: ImportLine[] = []
  const seen = new Map<string, number>()
  let count = 0
  rows.slice(from).forEach((row, i) => {
    if (row.every((cell) => cell === '')) return
    const line = from + i + 1
    const text = (place: number | undefined) => (place === undefined ? '' : (row[place] ?? ''))
    count++
    const beside = {
      ...(text(instrumentAt) ? { instrument: text(instrumentAt).slice(0, 80) } : {}),
      ...(text(noteAt) ? { note: text(noteAt).slice(0, 500) } : {}),
    }
    const enter = (
      column: number,
      cell: string,
      key: string | undefined,
      label: string,
      unit: string | undefined,
      missing: Refusal,
    ) => {
      const quantity = key === undefined ? undefined : quantities.get(key)
      const begun = {
        line,
        column,
        cell,
        label: quantity?.label ?? label,
        ...(quantity ? { key, quantity } : {}),
        ...beside,
      }
      const refuse = (refusal: Refusal) => void lines.push({ ...begun, state: 'refused', refusal })
      if (row.length > width && row.slice(width).some((each) => each !== '')) return refuse({ code: 'too-many-cells' })
      if (key === undefined) return refuse(missing)
      if (!quantity) return refuse({ code: 'not-here' })
      const read = valueIn(cell, quantity, unit, mark)
      if ('code' in read) return refuse(read)
      const first = seen.get(quantity.key)
      if (first !== undefined) return refuse({ code: 'twice', line: first })
      const reason = impossible(quantity, read.value)
      if (reason) return refuse({ code: 'impossible', reason })
      seen.set(quantity.key, line)
      const before = sheet.readings[quantity.key]
      const same =
        before && Math.abs(before.value - read.value) <= SAME * Math.max(Math.abs(before.value), Math.abs(read.value))
      lines.push({
        ...begun,
        ...read,
        ...(before ? { before } : {}),
        state: same ? 'same' : before ? 'changes' : 'new',
      })
    }
    if (what !== undefined && value !== undefined && text(what) !== '' && text(value) !== '') {
      const found = bestMatch(text(what), namedReadings(sheet.layout))
      const own = text(unitAt) || columns.find(({ column }) => column === value)?.unit
      enter(value, text(value), found?.key, text(what), own, { code: 'what' })
    }
    const of = number === undefined ? (counted ? { number: count } : undefined) : bearingIn(text(number))
    for (const { column, use, name, unit } of patterns)
      if (text(column) !== '')
        enter(column, text(column), keyFor(use, of), `${name} ${text(number)}`.trim(), unit, { code: 'which-bearing' })
  })
  return doubted(sheet, lines)
}

/** A cell's number as SI, with the unit that it, its row or its heading names. */
function valueIn(
  cell: string,
  { dimension }: Quantity,
  said: string | undefined,
  mark: DecimalMark | undefined,
): { value: number; unit: Unit } | Refusal {
  const text = withPoint(cell, mark)
  const number = readNumber(text)
  if (!number) return { code: 'number', message: cell }
  // A ratio or a count is a plain number; where a dimension has one unit alone, it is that.
  const only = UNITS[dimension].find(({ symbol }) => symbol === '' || UNITS[dimension].length === 1)
  const unit = said === undefined || said === '' ? only : findUnit(said, dimension)
  if (!unit && number.rest === '') return { code: 'unit', ...(said ? { unit: said } : {}) }
  const parsed = parseQuantity(text, dimension, unit ?? UNITS[dimension][0]!)
  return parsed.ok ? { value: parsed.value, unit: parsed.unit } : { code: 'number', message: parsed.message }
}

/** What is doubtful beside the record; then, what is so beside everything else of the file that was not: a slip makes its right neighbours no slips. */
function doubted(sheet: Sheet, lines: readonly ImportLine[]): ImportLine[] {
  const within = (of: Sheet, each: ImportLine): ImportLine => {
    if (each.state !== 'new' && each.state !== 'changes') return each
    const doubt = doubtOf(of, each.key!, each.value!)
    return doubt ? { ...each, state: 'doubtful', doubt } : each
  }
  const first = lines.map((each) => within(sheet, each))
  const after: Sheet = {
    ...sheet,
    readings: {
      ...sheet.readings,
      ...Object.fromEntries(
        first.flatMap(({ key, value, state }) =>
          state === 'new' || state === 'changes' ? [[key!, { value: value!, source: 'measured' as const }]] : [],
        ),
      ),
    },
  }
  return first.map((each) => within(after, each))
}

/** What is written of the lines that are taken: each a reading of its own, by one hand and at one time. */
export function importedReadings(
  lines: readonly ImportLine[],
  confirmed: ReadonlySet<string>,
  hand: { by: string; at: string },
): Record<string, Reading> {
  return Object.fromEntries(
    lines.flatMap(({ key, quantity, value, cell, unit, state, instrument, note }): [string, Reading][] => {
      const kept = state === 'doubtful' && confirmed.has(key!)
      if (state !== 'new' && state !== 'changes' && !kept) return []
      const source = quantity!.planned ? 'planned' : quantity!.fromMaker ? 'maker' : 'measured'
      const bare = isNumeric(cell) && !/[^\d.,\s+\-−e]/i.test(cell)
      return [
        [
          key!,
          {
            value: value!,
            source,
            ...hand,
            typed: (bare ? `${cell} ${unit!.symbol}`.trim() : cell).slice(0, 40),
            ...(instrument && source === 'measured' ? { instrument } : {}),
            ...(note ? { note } : {}),
            ...(kept ? { confirmed: true } : {}),
          },
        ],
      ]
    }),
  )
}
