import { figure } from './numbers'
import { t } from '~/words/of/prime'
/** Seconds of turning as they are said, and that it never comes. */
export const seconds = (value: number | undefined) =>
  value === undefined
    ? t('primeTimes.notAtAll')
    : value < 10
      ? `${figure(value, 1)} s`
      : value < 90
        ? `${Math.round(value)} s`
        : t('primeTimes.min', { value: figure(value / 60, 1) })
/** From the earliest to the latest. */
export const band = (each: { best: number; low: number; high: number } | undefined) =>
  each ? t('primeTimes.to', { seconds: seconds(each.low), seconds2: seconds(each.high) }) : ''
