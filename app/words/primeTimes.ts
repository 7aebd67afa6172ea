/** Seconds of turning as they are said, and that it never comes. */
export const seconds = (value: number | undefined) =>
  value === undefined
    ? 'not at all'
    : value < 10
      ? `${value.toFixed(1)} s`
      : value < 90
        ? `${Math.round(value)} s`
        : `${(value / 60).toFixed(1)} min`
/** From the earliest to the latest. */
export const band = (each: { best: number; low: number; high: number } | undefined) =>
  each ? `${seconds(each.low)} to ${seconds(each.high)}` : ''
