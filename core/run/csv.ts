import Papa from 'papaparse'
import { findUnit } from '../quantity/parse'
import { fromSI, toSI, type Unit, UNITS } from '../quantity/units'
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

/** Units a file's time can be in. */
export const TIME_UNITS: Unit[] = [
  { symbol: 's', factor: 1, aliases: ['sec', 'seconds'], decimals: 1 },
  { symbol: 'ms', factor: 1e-3, aliases: ['milliseconds'], decimals: 0 },
  { symbol: 'min', factor: 60, aliases: ['minutes'], decimals: 2 },
]

/** Words by which a heading gives away what its column is. */
const GUESS: [RegExp, Channel | 'time'][] = [
  [/^(t|time|elapsed|timestamp|seconds?|ms)\b/i, 'time'],
  [/tank/i, 'tank'],
  [/mech|gauge|second pressure/i, 'gauge'],
  [/drill|pump/i, 'drill'],
  [/press|^p\b|oil p|psi|bar|kpa/i, 'pressure'],
  [/rpm|speed|engine|crank|^n\b/i, 'speed'],
  [/temp|^t oil|°c|°f|deg/i, 'temperature'],
]

/** Headings of a file and what each is likely to be, with the unit in its brackets; columns that nothing is known of are left out. */
export function guessColumns(headings: string[]): ColumnUse[] {
  const taken = new Set<string>()
  return headings.flatMap((heading, column) => {
    const [, name, symbol] = /^\s*(.*?)\s*(?:[([]([^()[\]]*)[)\]])?\s*$/.exec(heading)!
    const use =
      GUESS.find(([pattern, use]) => pattern.test(name) && !taken.has(use))?.[1] ??
      GUESS.find(([pattern, use]) => pattern.test(heading) && !taken.has(use))?.[1]
    if (!use) return []
    taken.add(use)
    const said = symbol ?? /\b(psi|bar|kpa|rpm|ms)\b|°[cf]/i.exec(name)?.[0]
    return [{ column, use, unit: unitOf(use, said) }]
  })
}

/** A unit by its symbol for a use; the usual one where it is not said. */
export function unitOf(use: Channel | 'time', symbol?: string): Unit {
  if (use === 'time')
    return (
      TIME_UNITS.find(
        (unit) => unit.symbol === symbol?.toLowerCase() || unit.aliases.includes(symbol?.toLowerCase() ?? ''),
      ) ?? TIME_UNITS[0]
    )
  const { dimension } = CHANNEL[use]
  return (symbol ? findUnit(symbol, dimension) : undefined) ?? UNITS[dimension][0]
}

/** Units that a use can be in. */
export function unitsFor(use: Channel | 'time'): Unit[] {
  return use === 'time' ? TIME_UNITS : UNITS[CHANNEL[use].dimension]
}

/** What parts the cells of a file, by its first line. */
function delimiterOf(firstLine: string): string {
  return [';', '\t', ','].find((delimiter) => firstLine.includes(delimiter)) ?? ','
}

/** Headings of a file. */
export function headingsOf(text: string): string[] {
  const [first] = text
    .slice(0, 20_000)
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/, 1)
  return (Papa.parse<string[]>(first, { delimiter: delimiterOf(first) }).data[0] ?? []).map((cell) => cell.trim())
}

/**
 * Reads the samples of a logger's file, piece by piece, so that a page can show how far it is and stop it.
 *
 * A row whose time is no number or goes back is named and left out; of other cells the empty ones are left out, those out of any instrument's
 * range or no number at all are named and the row goes in without them.
 *
 * @param from the file's time that counts as the run's beginning, s; its first row's when left out
 * @throws RangeError when no column is the time or none is a reading
 */
export function* readSamples(
  text: string,
  columns: ColumnUse[],
  piece = 4000,
  from?: number,
): Generator<{ samples: ChannelSample[]; bad: BadRow[]; share: number }> {
  const time = columns.find(({ use }) => use === 'time')
  const channels = columns.filter((each): each is ColumnUse & { use: Channel } => each.use !== 'time')
  if (!time) throw new RangeError('columns: none is the time')
  if (channels.length === 0) throw new RangeError('columns: none is a reading')
  const source = text.replace(/^\uFEFF/, '')
  const headings = headingsOf(source)
  const lines = source.split(/\r\n|\r|\n/)
  const delimiter = delimiterOf(lines[0])
  let zero = from
  let last = -Infinity
  for (let begin = 1; begin < lines.length; begin += piece) {
    const samples: ChannelSample[] = []
    const bad: BadRow[] = []
    // Rows of a logger have no line breaks in their cells, so a line is a row.
    const { data } = Papa.parse<string[]>(lines.slice(begin, begin + piece).join('\n'), { delimiter })
    data.forEach((cells, i) => {
      const line = begin + i + 1
      if (cells.every((cell) => cell.trim() === '')) return
      const seconds = numberIn(cells[time.column], delimiter)
      if (seconds === undefined)
        return void bad.push({
          line,
          column: headings[time.column],
          message: `“${cells[time.column] ?? ''}” is not a time`,
        })
      const at = toSI(seconds, time.unit)
      zero ??= at
      if (at <= last)
        return void bad.push({ line, column: headings[time.column], message: 'does not come after the row before' })
      last = at
      if (at - zero > LONGEST || at < zero)
        return void bad.push({
          line,
          column: headings[time.column],
          message: 'lies more than eleven days after the first row',
        })
      const sample: ChannelSample = { time: at - zero }
      for (const { column, use, unit } of channels) {
        const cell = cells[column]?.trim() ?? ''
        if (cell === '') continue
        const number = numberIn(cell, delimiter)
        const value = number === undefined ? undefined : toSI(number, unit)
        const [least, most] = CHANNEL[use].range
        if (value === undefined) bad.push({ line, column: headings[column], message: `“${cell}” is not a number` })
        else if (value < least || value > most)
          bad.push({
            line,
            column: headings[column],
            message: `${cell} ${unit.symbol} is out of any instrument’s range`,
          })
        else sample[use] = value
      }
      if (Object.keys(sample).length > 1) samples.push(sample)
    })
    yield { samples, bad, share: Math.min(1, (begin + piece) / lines.length) }
  }
}

function numberIn(cell: string | undefined, delimiter: string): number | undefined {
  const text = (cell ?? '').trim().replace('−', '-')
  const plain = delimiter === ',' ? text : text.replace(',', '.')
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
