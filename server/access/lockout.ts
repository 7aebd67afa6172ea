/** Tries that nobody has to wait after; then the wait doubles from the first, ms, to the longest. */
const FREE = 5
const FIRST = 30_000
const LONGEST = 3_600_000

/** Wrong passphrases from everywhere in an hour, after which every device waits. */
export const MOST_IN_AN_HOUR = 100

/**
 * How long the next try has to wait.
 *
 * @param failures wrong ones since the last right one
 * @param last when the last wrong one was, ms
 * @returns ms from `now`; 0 when it may be tried
 */
export function waitFor(failures: number, last: number, now: number): number {
  if (failures < FREE) return 0
  return Math.max(0, last + Math.min(LONGEST, FIRST * 2 ** (failures - FREE)) - now)
}

/** A wait in words. */
export function waitWords(ms: number): string {
  const minutes = Math.ceil(ms / 60_000)
  return ms <= 90_000 ? `${Math.ceil(ms / 1000)} seconds` : `${minutes} minutes`
}
