import { MINUTE } from './types'

const CLOCK = /^(\d{1,2})(?::|\.|h)?(\d{2})?$/

/** `8`, `8:30`, `0830` or `8h30` as `08:30`; undefined for what is no time of a day. */
function clockFrom(text: string): string | undefined {
  const [, hours, minutes = '00'] = CLOCK.exec(text.trim()) ?? []
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return undefined
  return `${hours.padStart(2, '0')}:${minutes}`
}

/**
 * Hours as they are typed: `8-12, 13-17:30`.
 *
 * @returns stretches in their order, or undefined for what says no hours: no end after its beginning, two that overlap, no time of a day
 */
export function hoursFrom(text: string): [string, string][] | undefined {
  const stretches = text
    .split(/[,;]/)
    .map((part) => part.split(/\s*(?:-|–|to)\s*/).map(clockFrom))
    .sort(([a = ''], [b = '']) => a.localeCompare(b))
  const found: [string, string][] = []
  for (const [from, to, ...more] of stretches) {
    if (from === undefined || to === undefined || more.length > 0 || from >= to) return undefined
    if (found.length > 0 && found.at(-1)![1] > from) return undefined
    found.push([from, to])
  }
  return found
}

/** Hours as they are shown: `08:00–12:00, 13:00–17:00`. */
export const hoursShown = (hours: readonly (readonly [string, string])[]): string =>
  hours.map(([from, to]) => `${from}–${to}`).join(', ')

/**
 * How long something takes as it is typed: `24`, `1.5`, `1,5 h`, `1:30`, `45 min`, `2 days`; a plain number is hours.
 *
 * @returns ms; undefined for what says no time, or one of over 1000 hours
 */
export function durationFrom(text: string): number | undefined {
  const typed = text.trim().toLowerCase().replace(',', '.')
  const [, hours, minutes] = /^(\d{1,3}):([0-5]\d)(?:\s*h)?$/.exec(typed) ?? []
  const [, figure, unit = 'h'] = /^(\d+(?:\.\d+)?)\s*(min|minutes?|h|hours?|d|days?)?$/.exec(typed) ?? []
  const each = unit.startsWith('m') ? 1 : unit.startsWith('d') ? 1440 : 60
  const all = hours === undefined ? Number(figure) * each : 60 * Number(hours) + Number(minutes)
  return all >= 1 && all <= 60_000 ? Math.round(all * MINUTE) : undefined
}
