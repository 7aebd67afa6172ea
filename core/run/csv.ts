import Papa from 'papaparse'
import { findUnit } from '../quantity/parse'
import { fromSI, toSI, type Unit, UNITS } from '../quantity/units'
import {
  cellsOf,
  type DecimalMark,
  decimalMarkOf,
  linesOf,
  type Separator,
  separatorOf,
  withPoint,
} from '../spreadsheet/cells'
import { firstRow, guessHeader, type HeaderGuess, type Heading, headingsOf, letterOf } from '../spreadsheet/headings'
import { CHANNEL, CHANNELS, type Channel, type ChannelSample } from './channels'

/** What a column of a logger's file is taken as. */
export interface ColumnUse {
  /** Place of the column, from 0. */
  column: number
  use: Channel | 'time'
  unit: Unit
}

export interface BadRow {
  /** Line of the file, from 1. */
  line: number
  column: string
  message: string
}

/** Longest run, s. */
const LONGEST = 1e6

/** A time as a clock shows it: hours, minutes and seconds; or minutes and seconds. */
const CLOCK = { symbol: 'h:min:s', factor: 1, aliases: ['hh:mm:ss', 'h:mm:ss', 'hms', 'clock'], decimals: 0 }
const SHORT_CLOCK = { symbol: 'min:s', factor: 1, aliases: ['mm:ss', 'm:ss'], decimals: 0 }

/** Units a file's time can be in. */
export const TIME_UNITS: Unit[] = [
  { symbol: 's', factor: 1, aliases: ['sec', 'seconds'], decimals: 1 },
  { symbol: 'ms', factor: 1e-3, aliases: ['milliseconds'], decimals: 0 },
  { symbol: 'min', factor: 60, aliases: ['minutes'], decimals: 2 },
  CLOCK,
  SHORT_CLOCK,
]

/** Words by which a heading gives away what its column is. */
const GUESS: [RegExp, Channel | 'time'][] = [
  [/^(t|time|elapsed|timestamp|seconds?|ms)\b/i, 'time'],
  [/\bear\b|heard/i, 'heard'],
  [/tank/i, 'tank'],
  [/mech|gauge|second pressure/i, 'gauge'],
  [/drill|pump/i, 'drill'],
  [/press|^p\b|oil p|psi|bar|kpa/i, 'pressure'],
  [/rpm|speed|engine|crank|^n\b/i, 'speed'],
  [/temp|^t oil|°c|°f|deg/i, 'temperature'],
]

/** A column that is likely a channel or the time; without a unit where its file says none. */
export type GuessedColumn = Omit<ColumnUse, 'unit'> & { unit?: Unit }

/** What the first lines of a logger's file say of it: what parts its cells, which of its lines has the headings, and its decimal mark. */
export interface FileHead {
  separator: Separator
  header: HeaderGuess
  headings: Heading[]
  mark?: DecimalMark
  /** Its first rows. */
  rows: string[][]
}

const LOOKED_AT = 60

/** @param header which line has the headings, where somebody says so */
export function fileHead(text: string, header?: HeaderGuess): FileHead {
  const lines = linesOf(text.slice(0, 60_000)).slice(0, LOOKED_AT)
  const separator = separatorOf(lines)
  const rows = lines.map((line) => cellsOf(line, separator)[0] ?? [])
  const guess = header ?? guessHeader(rows)
  return {
    separator,
    header: guess,
    headings: headingsOf(rows, guess),
    mark: decimalMarkOf(rows.slice(firstRow(guess)).flat()),
    rows,
  }
}

/** What each column of a file is likely to be, with the unit that its heading, or the row under it, says; columns that nothing is known of are left out. */
export function guessColumns({
  headings,
  header,
  rows,
}: Pick<FileHead, 'headings' | 'header' | 'rows'>): GuessedColumn[] {
  const taken = new Set<string>()
  return headings.flatMap(({ column, text, name, unit: said }): GuessedColumn[] => {
    const use =
      GUESS.find(([pattern, use]) => pattern.test(name) && !taken.has(use))?.[1] ??
      GUESS.find(([pattern, use]) => pattern.test(text) && !taken.has(use))?.[1]
    if (!use) return []
    taken.add(use)
    const symbol = said ?? /\b(psi|bar|kpa|rpm|ms|seconds?)\b|°[cf]/i.exec(text)?.[0]
    const first = rows.slice(firstRow(header)).find((row) => row[column])?.[column] ?? ''
    const unit = use === 'time' && /\d:\d\d:\d\d/.test(first) ? CLOCK : symbol ? unitOf(use, symbol) : undefined
    return [{ column, use, ...(unit ? { unit } : {}) }]
  })
}

/** A unit by its symbol for a use; undefined where it is none of it. */
export function unitOf(use: Channel | 'time', symbol: string): Unit | undefined {
  if (use !== 'time') return findUnit(symbol, CHANNEL[use].dimension)
  const plain = symbol.toLowerCase()
  return TIME_UNITS.find((unit) => unit.symbol === plain || unit.aliases.includes(plain))
}

/** Units that a use can be in. */
export function unitsFor(use: Channel | 'time'): Unit[] {
  return use === 'time' ? TIME_UNITS : UNITS[CHANNEL[use].dimension]
}

/**
 * Guessed columns as they can be read by.
 *
 * @throws RangeError naming the heading whose unit nobody says
 */
export function withUnits(columns: readonly GuessedColumn[], headings: readonly Heading[]): ColumnUse[] {
  return columns.map(({ column, use, unit }) => {
    const heading = headings.find((each) => each.column === column)?.text ?? letterOf(column)
    if (!unit)
      throw new RangeError(
        `headings: “${heading}” says no unit; write it behind in brackets, one of ${unitsFor(use)
          .map(({ symbol }) => symbol)
          .join(', ')}`,
      )
    return { column, use, unit }
  })
}

/**
 * Reads the samples of a logger's file, piece by piece, so that a page can show how far it is and stop it.
 *
 * A row whose time is no number or goes back is named and left out; of other cells the empty ones are left out, those out of any instrument's
 * range or no number at all are named and the row goes in without them.
 *
 * @param from the file's time that counts as the run's beginning, s; its first row's when left out
 * @param head what its first lines say of it; as they are read where left out
 * @throws RangeError when no column is the time or none is a reading
 */
export function* readSamples(
  text: string,
  columns: ColumnUse[],
  piece = 4000,
  from?: number,
  head: FileHead = fileHead(text),
): Generator<{ samples: ChannelSample[]; bad: BadRow[]; share: number }> {
  const time = columns.find(({ use }) => use === 'time')
  const channels = columns.filter((each): each is ColumnUse & { use: Channel } => each.use !== 'time')
  if (!time) throw new RangeError('columns: none is the time')
  if (channels.length === 0) throw new RangeError('columns: none is a reading')
  const { separator, mark, headings } = head
  const named = (column: number) => headings.find((each) => each.column === column)?.text ?? letterOf(column)
  const lines = linesOf(text)
  let zero = from
  let last = -Infinity
  for (let begin = firstRow(head.header); begin < lines.length; begin += piece) {
    const samples: ChannelSample[] = []
    const bad: BadRow[] = []
    // Rows of a logger have no line breaks in their cells, so a line is a row.
    const { data } = Papa.parse<string[]>(lines.slice(begin, begin + piece).join('\n'), { delimiter: separator })
    data.forEach((cells, i) => {
      const line = begin + i + 1
      if (cells.every((cell) => cell.trim() === '')) return
      const wrong = (column: number, message: string) => void bad.push({ line, column: named(column), message })
      const told = cells[time.column] ?? ''
      const shown = timeIn(told, time.unit, mark, separator)
      if (shown === undefined) return wrong(time.column, `“${told}” is not a time`)
      // A clock goes on over midnight.
      const at = time.unit === CLOCK && last - shown > DAY / 2 ? shown + DAY * Math.ceil((last - shown) / DAY) : shown
      zero ??= at
      if (at <= last) return wrong(time.column, 'does not come after the row before')
      last = at
      if (at - zero > LONGEST || at < zero) return wrong(time.column, 'lies more than eleven days after the first row')
      const sample: ChannelSample = { time: at - zero }
      for (const { column, use, unit } of channels) {
        const cell = cells[column]?.trim() ?? ''
        if (cell === '') continue
        const number = numberIn(cell, mark, separator)
        const value = number === undefined ? undefined : toSI(number, unit)
        const [least, most] = CHANNEL[use].range
        if (value === undefined) wrong(column, `“${cell}” is not a number`)
        else if (value < least || value > most) wrong(column, `${cell} ${unit.symbol} is out of any instrument’s range`)
        else sample[use] = value
      }
      if (Object.keys(sample).length > 1) samples.push(sample)
    })
    yield { samples, bad, share: Math.min(1, (begin + piece) / lines.length) }
  }
}

const DAY = 86400

/** A time of a file, s: a number in its unit, or as a clock shows it, its day before it or not. */
function timeIn(cell: string, unit: Unit, mark: DecimalMark | undefined, separator: Separator): number | undefined {
  if (unit !== CLOCK && unit !== SHORT_CLOCK) {
    const number = numberIn(cell, mark, separator)
    return number === undefined ? undefined : toSI(number, unit)
  }
  const [, hours, minutes, seconds] =
    /(?:^|[\sT])(?:(\d+):)?(\d{1,3}):(\d{1,2}(?:[.,]\d+)?)\s*Z?$/.exec(cell.trim()) ?? []
  if (minutes === undefined) return undefined
  const [s, min] = [Number(seconds!.replace(',', '.')), Number(minutes)]
  if (s >= 60 || (hours !== undefined && min >= 60) || (hours === undefined && unit === CLOCK)) return undefined
  return Number(hours ?? 0) * 3600 + min * 60 + s
}

function numberIn(cell: string, mark: DecimalMark | undefined, separator: Separator): number | undefined {
  const text = cell.trim().replace('−', '-')
  const plain = mark ? withPoint(text, mark) : separator === ',' ? text : text.replace(',', '.')
  if (plain === '' || !/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain)) return undefined
  return Number(plain)
}

/** Samples as a CSV file, each channel that has any in the unit of its heading. */
export function samplesToCsv(
  samples: ChannelSample[],
  unit: (channel: Channel) => Unit = (channel) => UNITS[CHANNEL[channel].dimension][0],
): string {
  const used = CHANNELS.filter((channel) => samples.some((sample) => sample[channel] !== undefined))
  const fields = ['time (s)', ...used.map((channel) => `${channel} (${unit(channel).symbol})`)]
  const data = samples.map((sample) => [
    Number(sample.time.toFixed(3)),
    ...used.map((channel) =>
      sample[channel] === undefined ? '' : Number(fromSI(sample[channel], unit(channel)).toPrecision(7)),
    ),
  ])
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`
}
