import { whole } from '~/words/numbers'
import { t } from '~/words/of/frame'
const MINUTE = 60e3
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/** A stretch of time as it is said across a bench, ms: minutes up to an hour and a half, hours up to two days, then days. */
export function stretch(ms: number): string {
  return ms < 1.5 * HOUR
    ? t('words.min', { ms: Math.round(ms / MINUTE) })
    : ms < 2 * DAY
      ? `${Math.round(ms / HOUR)} h`
      : t('words.dayDays', { n: whole(Math.round(ms / DAY)) }, Math.round(ms / DAY))
}
