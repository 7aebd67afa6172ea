import type { Sheet } from '../build/schema'

/** When an engine was last primed, at the check or as the last act, ms since 1970; undefined while it was not. */
export function primedAt(sheet: Pick<Sheet, 'readings'>): number | undefined {
  const times = ['prime.checkPressure', 'prime.pressure'].map((key) => Date.parse(sheet.readings[key]?.at ?? '')).filter(Number.isFinite)
  return times.length > 0 ? Math.max(...times) : undefined
}

/** Whether it has run since: its oil is then where it runs, and no prime runs out. */
export function hasRun(sheet: Pick<Sheet, 'readings'>): boolean {
  return Object.keys(sheet.readings).some((key) => /^start\.(firstPressure|\w+\.pressure)$/.test(key))
}
