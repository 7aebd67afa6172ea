import type { Instrument } from './schema'

const DAY = 86_400_000

/**
 * Standard uncertainty of one reading, m: half a step of the display (rectangular), repeatability, and a zero that drifts by half a step
 * for each week since it was checked, up to two steps; never checked counts as two.
 * Source: GUM, JCGM 100:2008, 4.3.7 and 5.1.2; the drift is a house rule.
 *
 * @param at when it was read, ms
 */
export function instrumentSigma({ resolution, repeatability, zeroedAt }: Instrument, at: number): number {
  const weeks = zeroedAt ? Math.max(0, at - Date.parse(zeroedAt)) / (7 * DAY) : Infinity
  const drift = resolution * Math.min(2, 0.5 * weeks)
  return Math.hypot(resolution / Math.sqrt(12), repeatability, drift / Math.sqrt(3))
}
