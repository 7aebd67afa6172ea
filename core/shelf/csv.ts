import Papa from 'papaparse'
import { findUnit, parseQuantity } from '../quantity/parse'
import { fromSI, type Unit, UNITS } from '../quantity/units'
import { type Properties, SHELF_FIELDS, SHELF_KINDS, type ShelfField, type ShelfKind } from './fields'
import { ShelfEntry } from './schema'

/** A row that cannot be kept: where, and what is wrong. */
export interface BadRow {
  /** Line of the file, from 1, where the row begins. */
  line: number
  /** Heading of the column; empty when it is the whole row. */
  column: string
  message: string
}

const COMMON = ['kind', 'label', 'engine', 'count', 'place', 'note', 'price'] as const

/** Every property of any kind once, in the order of the kinds. */
const FIELDS: ShelfField[] = [
  ...new Map(
    Object.values(SHELF_FIELDS)
      .flat()
      .map((field) => [field.key, field]),
  ).values(),
]

/** Unit that a quantity is written in: the dimension's first. */
const unitOf = (field: ShelfField): Unit | undefined =>
  field.type === 'quantity' ? UNITS[field.dimension][0] : undefined
const headingOf = (field: ShelfField): string => {
  const unit = field.type === 'quantity' ? unitOf(field)!.symbol : field.type === 'number' ? field.unit : ''
  return unit ? `${field.key} (${unit})` : field.key
}

/** The shelf as a CSV file: one row for each item, quantities in the unit of their heading. */
export function shelfToCsv(items: Omit<ShelfEntry, 'photo'>[]): string {
  const fields = [...COMMON, ...FIELDS.map(headingOf)]
  const data = items.map((item) => [
    ...COMMON.map((key) => item[key] ?? ''),
    ...FIELDS.map((field) => {
      const value = item.properties[field.key]
      const unit = unitOf(field)
      return value === undefined
        ? ''
        : typeof value === 'number' && unit
          ? Number(fromSI(value, unit).toPrecision(9))
          : value
    }),
  ])
  // A cell that a spreadsheet would run as a formula is kept from it.
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`
}

interface Column {
  heading: string
  common?: (typeof COMMON)[number]
  field?: ShelfField
  /** Unit of bare numbers in it. */
  unit?: Unit
}

/**
 * Reads a CSV file of the shelf: columns by their headings in any order, a unit behind a heading in brackets counts for its bare numbers, and any
 * cell may carry its own. Good rows are given with their lines, bad ones with line and column.
 *
 * @throws RangeError when the headings cannot be used: nothing is read then
 */
/** Faults after which a file is no file of a shelf, and its most lines. */
const MOST_BAD = 2000
const MOST_LINES = 50_000

export function shelfFromCsv(text: string): { good: { line: number; entry: ShelfEntry }[]; bad: BadRow[] } {
  const good: { line: number; entry: ShelfEntry }[] = []
  const bad: BadRow[] = []
  let columns: Column[] | undefined
  let line = 1
  let read = 0
  const source = text.replace(/^\uFEFF/, '')
  Papa.parse<string[]>(source, {
    step: ({ data, errors, meta }, parser) => {
      if (bad.length > MOST_BAD || line > MOST_LINES) {
        bad.push({
          line,
          column: '',
          message:
            bad.length > MOST_BAD
              ? 'too much before this line cannot be read: the rest was left'
              : `a file of more than ${MOST_LINES} lines is taken in parts`,
        })
        return parser.abort()
      }
      const at = line
      line += source.slice(read, meta.cursor).split('\n').length - 1
      read = meta.cursor
      if (data.every((cell) => cell.trim() === '')) return
      if (!columns) {
        columns = data.map(columnOf)
        for (const needed of ['kind', 'label', 'count'])
          if (!columns.some(({ common }) => common === needed))
            throw new RangeError(`headings: there is no column “${needed}”`)
        const seen = columns.map((column) => column.common ?? column.field!.key)
        const twice = seen.find((key, i) => seen.indexOf(key) < i)
        if (twice) throw new RangeError(`headings: “${twice}” stands twice`)
        return
      }
      const fault = errors[0]
      if (fault)
        return void bad.push({
          line: at,
          column: '',
          message: fault.code === 'MissingQuotes' ? 'a quotation mark is not closed' : fault.message,
        })
      if (data.length > columns.length)
        return void bad.push({
          line: at,
          column: '',
          message: `has ${data.length} cells under ${columns.length} headings`,
        })
      const entry = entryOf(columns, data)
      if ('problems' in entry) bad.push(...entry.problems.map((problem) => ({ line: at, ...problem })))
      else good.push({ line: at, entry })
    },
  })
  if (!columns) throw new RangeError('headings: the file is empty')
  return { good, bad }
}

function columnOf(heading: string): Column {
  const [, name, symbol] = /^\s*(.*?)\s*(?:\(([^()]*)\))?\s*$/.exec(heading)!
  const common = COMMON.find((key) => key === name.toLowerCase())
  if (common) return { heading, common }
  const field = FIELDS.find(({ key }) => key.toLowerCase() === name.toLowerCase())
  if (!field)
    throw new RangeError(
      `headings: “${heading.trim()}” is not known; use ${[...COMMON, ...FIELDS.map(({ key }) => key)].join(', ')}`,
    )
  if (field.type !== 'quantity') return { heading, field }
  const unit = symbol ? findUnit(symbol, field.dimension) : unitOf(field)
  if (!unit)
    throw new RangeError(
      `headings: “${symbol}” is not a unit of ${field.key}; use ${UNITS[field.dimension].map((each) => each.symbol).join(', ')}`,
    )
  return { heading, field, unit }
}

function entryOf(columns: Column[], cells: string[]): ShelfEntry | { problems: { column: string; message: string }[] } {
  const problems: { column: string; message: string }[] = []
  const common: Record<string, unknown> = {}
  const properties: Properties = {}
  const kind = cells[columns.findIndex((column) => column.common === 'kind')]?.trim().toLowerCase() as ShelfKind
  if (!SHELF_KINDS.includes(kind))
    return { problems: [{ column: 'kind', message: `“${kind}” is none of ${SHELF_KINDS.join(', ')}` }] }
  columns.forEach((column, i) => {
    // What was kept from a spreadsheet's formulas is as it was.
    const cell = (cells[i] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
    if (cell === '') return
    const say = (message: string) => void problems.push({ column: column.heading.trim(), message })
    if (column.common) {
      if (column.common === 'kind') common.kind = kind
      else if (column.common === 'count' || column.common === 'price') {
        const number = Number(cell.replace(',', '.'))
        if (Number.isFinite(number)) common[column.common] = number
        else say(`“${cell}” is not a number`)
      } else common[column.common] = cell
      return
    }
    const field = SHELF_FIELDS[kind].find(({ key }) => key === column.field!.key)
    if (!field) return say(`is not a property of a ${kind}`)
    if (field.type === 'quantity') {
      const parsed = parseQuantity(cell, field.dimension, column.unit!)
      if (!parsed.ok) say(parsed.message)
      else properties[field.key] = parsed.value
    } else if (field.type === 'number') {
      const number = Number(cell.replace('−', '-').replace(',', '.'))
      if (Number.isFinite(number)) properties[field.key] = number
      else say(`“${cell}” is not a number`)
    } else properties[field.key] = field.type === 'choice' ? cell.toLowerCase() : cell
  })
  if (problems.length > 0) return { problems }
  const parsed = ShelfEntry.safeParse({ ...common, properties })
  if (parsed.success) return parsed.data
  return {
    problems: parsed.error.issues.map(({ path, message }) => {
      const key = String(path[path[0] === 'properties' ? 1 : 0] ?? '')
      const column = columns.find((each) => each.common === key || each.field?.key === key)
      return { column: column?.heading.trim() ?? key, message: column ? message : `${key} ${message}` }
    }),
  }
}
