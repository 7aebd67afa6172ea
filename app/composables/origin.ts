import type { Sheet } from '#core/record/schema'
import { standInOf } from '#core/engine/standIn'

/** Where a value came from, in a few words: who and when, or that it is assumed. */
export function originWords(sheet: Sheet, name: string): string {
  const reading = sheet.readings[name]
  if (!reading) return standInOf(sheet, name)?.words ?? ''
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
