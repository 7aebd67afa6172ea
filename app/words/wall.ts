import type { WallTime } from '#core/plan/types'

/** Moments on the shop's wall as the person's own browser writes them. They carry no zone: they are what the clock there says. */
const said = (at: WallTime, how: Intl.DateTimeFormatOptions) =>
  new Date(at).toLocaleString(undefined, { ...how, timeZone: 'UTC' })

/** `Wed 2 Dec, 14:05`. */
export const wallMoment = (at: WallTime) =>
  said(at, { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
/** `14:05`. */
export const wallClock = (at: WallTime) => said(at, { hour: '2-digit', minute: '2-digit' })
/** `Wed 2 Dec`. */
export const wallDay = (at: WallTime) => said(at, { weekday: 'short', day: 'numeric', month: 'short' })
/** `Wed 2`. */
export const wallShortDay = (at: WallTime) => said(at, { weekday: 'short', day: 'numeric' })
