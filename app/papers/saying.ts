import type { HeldTo } from '#core/logbook/measurements'
import type { Dimension } from '#core/quantity/units'
import { t } from '~/words/of/papers'
import { dateOf } from '~/words/dates'

/** How a paper says numbers: in the person's units, as the page does. */
export type Units = Pick<
  ReturnType<typeof useUnits>,
  'say' | 'show' | 'showReading' | 'sayReading' | 'unit' | 'fine' | 'choiceName'
>

/** From one number to another with one unit, or the one that there is. */
export function range(units: Units, { least, most }: { least?: number; most?: number }, dimension: Dimension): string {
  const decimals = dimension === 'pressure' ? units.fine : undefined
  if (least !== undefined && most !== undefined)
    return t('sheet.fromTo', { from: units.show(least, dimension, decimals), to: units.say(most, dimension, decimals) })
  if (least !== undefined) return t('sheet.atLeast', { from: units.say(least, dimension, decimals) })
  return most === undefined ? '' : t('sheet.atMost', { to: units.say(most, dimension, decimals) })
}

/** From one pressure to another, bare, for a column whose head has the unit; never under nothing. */
export const pressures = (units: Units, { low, high }: { low: number; high: number }): string =>
  t('sheet.fromTo', { from: barePressure(units, low), to: barePressure(units, high) })
export const barePressure = (units: Units, value: number): string =>
  units.show(Math.max(0, value), 'pressure', units.fine)

/** A limit with whose it is. */
export const limitWords = (units: Units, limit: Omit<HeldTo, 'verdict'>, dimension: Dimension): string =>
  t(limit.whose === 'maker' ? 'sheet.maker' : limit.whose === 'house' ? 'sheet.house' : 'sheet.both', {
    limit: range(units, limit, dimension),
  })

/** A hand and its day, whichever of both is known. */
export const handAndDay = ({ by, at }: { by?: string; at?: string }): string =>
  by && at ? t('sheet.byAt', { who: by, when: dateOf(at) }) : (by ?? (at ? dateOf(at) : ''))

/** Each of several once, none empty. */
export const each = (...words: (string | undefined)[]): string => [...new Set(words.filter(Boolean))].join(', ')
