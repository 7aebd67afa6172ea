import type { Band } from '../outlook/band'
import { GAUGE_ERROR } from '../outlook/measured'
import { type Expectation, expectedAt } from './expectation'
import type { WatchRules } from './watchRules'

/** How far a known oil temperature may be out, K: a sender in the sump's wall, 15, and what it lags as the oil warms. */
const TEMPERATURE_ERROR = 18
/** How far under the best value a stop is, in half bands: 1.645 σ each, so 3.6 σ. */
const FAR = 2.2
/** Under so much of the band's lower edge nothing excuses a reading. */
const HALF = 0.5

/** Every reading that a healthy engine can show at a moment. */
export interface Envelope {
  /** The band over all speeds and temperatures that may be behind the reading, Pa. */
  band: Band
  /** Best values at the slowest and the fastest of them, Pa. */
  slowest: number
  fastest: number
  /** Lowest reading of a healthy engine of this build: 3.6 σ and the gauge's error under the best value, Pa. */
  least: number
  /** Half of the band's lower edge, Pa. */
  half: number
}

/** Lowest reading that a healthy engine of this build gives at one speed and temperature, Pa. */
export function stopUnder({ pressure, low }: Band): number {
  return Math.max(0, pressure - FAR * (pressure - low) - GAUGE_ERROR)
}

/**
 * The band over the speeds of the last seconds, since a sender's reading is of the speeds before it, and over the temperatures that the oil may have: a known
 * one with its error, an unknown one from the coldest start to hot oil.
 *
 * @param speeds slowest and fastest of the last seconds, rev/s; undefined where no speed is read
 * @param temperature °C; undefined where none is read
 */
export function envelopeOf(
  expectation: Expectation,
  rules: WatchRules,
  speeds: [number, number] | undefined,
  temperature: number | undefined,
): Envelope {
  const [slow, fast] = speeds ?? rules.speeds
  const between = fast - slow > 0.02 * fast ? [slow, 0.5 * (slow + fast), fast] : [0.5 * (slow + fast)]
  const [cold, hot] = rules.temperatures
  const warm =
    temperature === undefined
      ? [cold, cold + 0.3 * (hot - cold), cold + 0.6 * (hot - cold), hot + TEMPERATURE_ERROR]
      : [temperature - TEMPERATURE_ERROR, temperature, temperature + TEMPERATURE_ERROR]
  const bands = warm.map((each) => between.map((speed) => expectedAt(expectation, speed, each)))
  const all = bands.flat()
  const now = bands[temperature === undefined ? bands.length - 1 : 1]
  const pressures = now.map(({ pressure }) => pressure)
  const low = Math.min(...all.map((band) => band.low))
  return {
    band: {
      pressure: pressures.reduce((sum, each) => sum + each, 0) / pressures.length,
      low,
      high: Math.max(...all.map((band) => band.high)),
    },
    slowest: Math.min(...pressures),
    fastest: Math.max(...pressures),
    least: Math.min(...all.map(stopUnder)),
    half: HALF * low,
  }
}
