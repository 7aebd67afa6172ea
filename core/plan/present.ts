import type { Hours } from '../house/plan'
import { MINUTE, type Stretch, type WallTime } from './types'

export const DAY = 86_400_000
/** The day of a moment on the wall: `2026-12-01`. */
export const dayOf = (at: WallTime): string => new Date(at).toISOString().slice(0, 10)
/** A moment on the wall as it is written: `2026-12-01T08:30`. */
export const wallWords = (at: WallTime): string => new Date(at).toISOString().slice(0, 16)
/** A moment on the wall from how it is written. */
export const wallTime = (text: string): WallTime => Date.parse(`${text}Z`)

/** Whether somebody comes on a day. */
export function comesOn({ days, away, extra }: Hours, day: string): boolean {
  const weekday = ((new Date(`${day}T00:00Z`).getUTCDay() + 6) % 7) + 1
  return extra.includes(day) || (days.includes(weekday) && !away.includes(day))
}

/** When somebody is there, from the day of a moment on, for so many days and the first after them. */
export function presentOf(hours: Hours, now: WallTime, count: number): Stretch[] {
  const midnight = Math.floor(now / DAY) * DAY
  const at = (day: WallTime, time: string) => {
    const [h, m] = time.split(':').map(Number)
    return day + (60 * h! + m!) * MINUTE
  }
  return Array.from({ length: count + 1 }, (_, i) => midnight + i * DAY)
    .filter((day) => comesOn(hours, dayOf(day)))
    .flatMap((day) => hours.hours.map(([from, to]) => ({ from: at(day, from), to: at(day, to) })))
}

/**
 * The clock on a wall of a time zone at a moment.
 *
 * @param at ms since 1970
 * @param zone such as Europe/Berlin
 * @throws RangeError for a zone that there is not
 */
export function onTheWall(at: number, zone: string): WallTime {
  const parts = Object.fromEntries(
    wallFormat(zone)
      .formatToParts(at)
      .map(({ type, value }) => [type, Number(value)]),
  )
  return Date.UTC(parts.year!, parts.month! - 1, parts.day!, parts.hour!, parts.minute!, parts.second!)
}
const formats = new Map<string, Intl.DateTimeFormat>()
function wallFormat(zone: string): Intl.DateTimeFormat {
  const format =
    formats.get(zone) ??
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
  formats.set(zone, format)
  return format
}
