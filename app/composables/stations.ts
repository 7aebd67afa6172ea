import type { Quantity, Station } from '#core/record/quantity'

export type Page = Station | 'outlook'

export const PAGES: { page: Page; title: string }[] = [
  { page: 'brief', title: 'Brief' },
  { page: 'bearings', title: 'Bearings' },
  { page: 'pump', title: 'Pump' },
  { page: 'relief', title: 'Relief' },
  { page: 'pickup', title: 'Pickup' },
  { page: 'passages', title: 'Passages' },
  { page: 'outlook', title: 'Outlook' },
  { page: 'prime', title: 'Prime' },
  { page: 'start', title: 'First start' },
]

export function stationPath(id: string, page: Page): string {
  return `/build/${id}/${page}`
}

/** Where a reading is taken: in a view of its station, at its bearing, its valve or its passage. */
export function readingPath(id: string, { station, view, bearing, part, passage }: ReadAt): string {
  const query = new URLSearchParams()
  if (part === 'relief2') query.set('valve', 'relief2')
  if (view) query.set('view', view)
  else if (part === 'relief2') query.set('view', 'valve')
  if (view === 'journal' && bearing) query.set('at', `${bearing.set}.${bearing.number}`)
  if (passage) query.set('at', passage.slice('passage.'.length))
  return `${stationPath(id, station)}${query.size > 0 ? `?${query}` : ''}`
}
type ReadAt = Pick<Quantity, 'station' | 'view' | 'bearing' | 'part' | 'passage'>
