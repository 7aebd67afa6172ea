import type { Sheet } from '#core/build/schema'
import { catalogueOf } from '#core/build/values'

/** Where a value came from, in a few words: who and when, or that it is assumed. */
export function originWords(sheet: Sheet, name: string): string {
  const reading = sheet.readings[name]
  if (!reading) return catalogueOf(sheet.layout).get(name)?.fallback === undefined ? '' : 'assumed from the layout'
  const when = reading.at ? new Date(reading.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }) : ''
  const words = [reading.source === 'maker' ? 'maker' : reading.instrument, reading.by, when, reading.confirmed ? 'confirmed' : '']
  return words.filter(Boolean).join(', ')
}
