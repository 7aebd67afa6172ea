/** How many backups are kept: of the last 24 hours, and of the last days, weeks and months that have one. */
export const KEPT = { today: 10, days: 7, weeks: 4, months: 12 }

/** `uldo-2026-11-26T094812.tar.gz`, in universal time. */
export const nameAt = (time: number) => `uldo-${new Date(time).toISOString().slice(0, 19).replaceAll(':', '')}.tar.gz`

/** When a backup was made, by its name, ms; undefined for a file that is none. */
export function madeAt(name: string): number | undefined {
  const [, day, hour, minute, second] = /^uldo-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})\.tar\.gz$/.exec(name) ?? []
  return day === undefined ? undefined : Date.parse(`${day}T${hour}:${minute}:${second}Z`) || undefined
}

const DAY = 86_400_000
const dayOf = (time: number) => Math.floor(time / DAY)
/** Weeks from Monday on: the first of January 1970 was a Thursday. */
const weekOf = (time: number) => Math.floor((dayOf(time) + 3) / 7)
const monthOf = (time: number) => new Date(time).toISOString().slice(0, 7)

/**
 * Backups that may go: all but the last day’s, and the newest of each of the last seven days, four weeks and twelve months that have one. What is no backup is never named.
 *
 * @param names file names of a folder
 */
export function overdue(names: readonly string[]): string[] {
  const backups = names
    .flatMap((name) => {
      const time = madeAt(name)
      return time === undefined ? [] : [{ name, time }]
    })
    .sort((a, b) => b.time - a.time)
  const kept = new Set<string>()
  const keepNewest = (of: (time: number) => number | string, most: number) => {
    const seen = new Set<number | string>()
    for (const { name, time } of backups) {
      if (seen.has(of(time))) continue
      if (seen.size === most) break
      seen.add(of(time))
      kept.add(name)
    }
  }
  // What was made by hand today, before and after something, stands side by side.
  for (const { name } of backups.filter(({ time }) => time > backups[0].time - DAY).slice(0, KEPT.today)) kept.add(name)
  keepNewest(dayOf, KEPT.days)
  keepNewest(weekOf, KEPT.weeks)
  keepNewest(monthOf, KEPT.months)
  return backups.filter(({ name }) => !kept.has(name)).map(({ name }) => name)
}
