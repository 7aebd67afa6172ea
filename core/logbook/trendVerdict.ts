import type { Trend } from './trend'

const YEAR = 365.25 * 86400e3

/**
 * How a trend stands: under its floor at its last reading; within a year of where it may be, or past that; else in order, by its readings, or by the estimate alone.
 *
 * @param now ms since 1970: a last reading of years ago says nothing of today
 */
export function trendVerdict({ points, meets, told }: Trend, now: number): 'stop' | 'watch' | 'assumed' | 'pass' {
  const last = points.at(-1)!
  if (meets.expected?.run === last.run) return 'stop'
  if (meets.earliest && meets.earliest.at - Math.max(last.at, now) < YEAR) return 'watch'
  return told < 0.5 ? 'assumed' : 'pass'
}

/** The day from which on hot idle may stand under its floor, where that lies ahead of the last reading, ms. */
export const floorFrom = (trend: Trend | undefined): number | undefined =>
  trend?.meets.earliest && trend.meets.earliest.at > trend.points.at(-1)!.at ? trend.meets.earliest.at : undefined
