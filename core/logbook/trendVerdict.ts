import type { Trend } from './trend'

const YEAR = 365.25 * 86400e3

/** How a trend stands: under its floor now; within a year of where it may be; else in order, by its readings, or by the estimate alone. */
export function trendVerdict({ points, meets, told }: Trend): 'stop' | 'watch' | 'assumed' | 'pass' {
  const last = points.at(-1)!
  if (meets.expected?.run === last.run) return 'stop'
  if (meets.earliest && meets.earliest.at - last.at < YEAR) return 'watch'
  return told < 0.5 ? 'assumed' : 'pass'
}

/** The day from which on hot idle may stand under its floor, where that lies ahead of the last reading, ms. */
export const floorFrom = (trend: Trend | undefined): number | undefined =>
  trend?.meets.earliest && trend.meets.earliest.at > trend.points.at(-1)!.at ? trend.meets.earliest.at : undefined
