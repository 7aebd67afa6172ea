import { findUnit } from '../quantity/parse'
import { toSI, UNITS } from '../quantity/units'
import { CHANNEL, CHANNELS, type Channel, type ChannelSample } from './channels'

export type LineResult = { ok: true; sample: Partial<ChannelSample> } | { ok: false; message: string }

/** Bare numbers on a line are in these. */
const BARE: Record<Channel, string> = {
  pressure: 'kPa',
  gauge: 'kPa',
  speed: 'rpm',
  temperature: '°C',
  drill: 'rpm',
  tank: 'kPa',
  heard: 'rpm',
}

/**
 * Reads a line from a home-made logger: `P=231 N=820 T=18.5`, in any order, parted by spaces, commas or semicolons. `t` is seconds
 * of the logger's own clock; `P` pressure, `G` mechanical gauge, `K` tank, `N` crank, `D` drill, `H` crank by ear, `T` oil. A number may carry its unit
 * (`P=2.31bar`, `P=33psi`); bare ones are kPa, rpm and °C. A trailing `*` and two hexadecimal digits is the exclusive-or
 * of the bytes before it, and is checked. Lines that begin with `#` are remarks.
 *
 * @example parseLine('P=2.31bar N=820') // { ok: true, sample: { pressure: 231000, speed: 13.67 } }
 */
export function parseLine(line: string): LineResult {
  const text = line.trim()
  if (text === '' || text.startsWith('#')) return { ok: true, sample: {} }
  const summed = /^(.*)\*([0-9a-f]{2})$/i.exec(text)
  if (summed && checksum(summed[1]) !== parseInt(summed[2], 16))
    return { ok: false, message: `the line was garbled on its way (${text})` }
  const sample: Partial<ChannelSample> = {}
  for (const part of (summed ? summed[1] : text).split(/[\s,;]+/).filter(Boolean)) {
    const [, letter, number, symbol] = /^([A-Za-z])=([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)(.*)$/.exec(part) ?? []
    if (letter === undefined) return { ok: false, message: `“${part}” is not a letter, = and a number` }
    if (letter === 't') {
      sample.time = Number(number)
      continue
    }
    const channel = CHANNELS.find((each) => CHANNEL[each].letter === letter)
    if (!channel)
      return {
        ok: false,
        message: `“${letter}” is none of t, ${CHANNELS.map((each) => CHANNEL[each].letter).join(', ')}`,
      }
    const { dimension } = CHANNEL[channel]
    const unit = findUnit(symbol || BARE[channel], dimension)
    if (!unit)
      return {
        ok: false,
        message: `“${symbol}” is not a unit of ${letter}; use ${UNITS[dimension].map((each) => each.symbol).join(', ')}`,
      }
    sample[channel] = toSI(Number(number), unit)
  }
  return { ok: true, sample }
}

/** Exclusive-or of a line's bytes. */
export function checksum(text: string): number {
  return [...new TextEncoder().encode(text)].reduce((sum, byte) => sum ^ byte, 0)
}

/** A sample as a line with its checksum, in the bare units. */
export function writeLine(sample: Partial<ChannelSample>): string {
  const parts = sample.time === undefined ? [] : [`t=${Number(sample.time.toFixed(3))}`]
  for (const channel of CHANNELS) {
    const value = sample[channel]
    if (value === undefined) continue
    const unit = findUnit(BARE[channel], CHANNEL[channel].dimension)!
    parts.push(`${CHANNEL[channel].letter}=${Number(((value - (unit.offset ?? 0)) / unit.factor).toPrecision(7))}`)
  }
  const text = parts.join(' ')
  return `${text}*${checksum(text).toString(16).padStart(2, '0')}`
}
