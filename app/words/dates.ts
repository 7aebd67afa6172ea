/**
 * Dates and times as the person's own browser writes them: the one place that knows how. `at` is ISO 8601, ms since 1970
 * or a date.
 */
type At = string | number | Date

let language: string | undefined

/** Takes another language than the browser's. */
export const writeDatesAs = (chosen: string | undefined) => void (language = chosen)

const said = (at: At, how: Intl.DateTimeFormatOptions) => new Date(at).toLocaleString(language, how)

/** A day of this season: `16 May`. */
export const dayOf = (at: At) => said(at, { day: 'numeric', month: 'short' })
/** A day of any year: `16 May 2026`. */
export const dateOf = (at: At) => said(at, { day: 'numeric', month: 'short', year: 'numeric' })
/** A day as a sentence or a page's head has it: `16 May 2026`, its month in full. */
export const fullDateOf = (at: At) => said(at, { day: 'numeric', month: 'long', year: 'numeric' })
/** A month of any year: `May 2026`. */
export const monthOf = (at: At) => said(at, { month: 'short', year: 'numeric' })
/** A moment of this season: `16 May, 14:05`. */
export const momentOf = (at: At) => said(at, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
/** A moment of any year: `16 May 2026, 14:05`. */
export const dateAndTimeOf = (at: At) => said(at, { dateStyle: 'medium', timeStyle: 'short' })
/** A time of today: `14:05`. */
export const timeOf = (at: At) => said(at, { hour: '2-digit', minute: '2-digit' })

/** Moments on the shop's wall, ms as if it were universal time: they carry no zone, and are what the clock there says. */
const saidOnWall = (at: number, how: Intl.DateTimeFormatOptions) => said(at, { ...how, timeZone: 'UTC' })

/** `Wed 2 Dec, 14:05`. */
export const wallMoment = (at: number) =>
  saidOnWall(at, { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
/** `14:05`. */
export const wallClock = (at: number) => saidOnWall(at, { hour: '2-digit', minute: '2-digit' })
/** `Wed 2 Dec`. */
export const wallDay = (at: number) => saidOnWall(at, { weekday: 'short', day: 'numeric', month: 'short' })
/** `Wed 2`. */
export const wallShortDay = (at: number) => saidOnWall(at, { weekday: 'short', day: 'numeric' })
/** A day of the week, 1 for Monday: `Mon`. */
export const weekdayOf = (day: number) => saidOnWall(Date.UTC(2027, 0, 3 + day), { weekday: 'short' })
