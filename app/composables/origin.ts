import type { Sheet } from '#core/record/schema'
import { type StandIn, standInOf } from '#core/engine/standIn'
import type { ReadingKey } from '#core/parts/list'

const STANDS_IN: Record<StandIn['from'], string> = {
  gears: 'computed from the gears',
  spring: 'computed from heights or wire',
  layout: 'assumed from the layout',
}

/** Where a value came from, in a few words: who and when, or that it is assumed. */
export function originWords(sheet: Sheet, name: string): string {
  const reading = sheet.readings[name]
  if (!reading) {
    const standIn = standInOf(sheet, name as ReadingKey)
    return standIn ? STANDS_IN[standIn.from] : ''
  }
  const when = reading.at
    ? new Date(reading.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }).replace(' ', '\u00a0')
    : ''
  const words = [
    reading.source === 'measured' ? reading.instrument : reading.source,
    reading.by,
    when,
    reading.confirmed ? 'confirmed' : '',
  ]
  return words.filter(Boolean).join(', ')
}
