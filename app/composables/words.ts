const MINUTE = 60e3
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/** So many of something: `1 line`, `1,200 lines`. */
export function many(count: number, one: string, more = `${one}s`): string {
  return `${count.toLocaleString('en')} ${count === 1 ? one : more}`
}

/** A stretch of time as it is said across a bench, ms: minutes up to an hour and a half, hours up to two days, then days. */
export function stretch(ms: number): string {
  return ms < 1.5 * HOUR
    ? `${Math.round(ms / MINUTE)} min`
    : ms < 2 * DAY
      ? `${Math.round(ms / HOUR)} h`
      : many(Math.round(ms / DAY), 'day')
}
