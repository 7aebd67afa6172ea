import { t } from '~/words/of/frame'
import { named, said } from '~/words/speak'
import type { Sheet } from '#core/record/schema'
import { type StandIn, standInOf } from '#core/engine/standIn'
import type { ReadingKey } from '#core/parts/list'
import { dayOf } from '~/words/dates'

const STANDS_IN = said(t, {
  gears: 'origin.computedFromTheGears',
  spring: 'origin.computedFromHeightsOrWire',
  layout: 'origin.assumedFromTheLayout',
}) satisfies Record<StandIn['from'], string>

/** Where a value came from, in a few words: who and when, or that it is assumed. */
export function originWords(sheet: Sheet, name: string): string {
  const reading = sheet.readings[name]
  if (!reading) {
    const standIn = standInOf(sheet, name as ReadingKey)
    return standIn ? STANDS_IN[standIn.from] : ''
  }
  const when = reading.at ? dayOf(reading.at).replace(' ', '\u00a0') : ''
  const words = [
    reading.source === 'measured' ? reading.instrument : named(reading.source),
    reading.by,
    when,
    reading.confirmed ? t('origin.confirmed') : '',
  ]
  return words.filter(Boolean).join(', ')
}
