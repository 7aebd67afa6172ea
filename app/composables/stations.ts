import type { Station } from '#core/build/quantities'

export type Page = Station | 'outlook'

export const PAGES: { page: Page; title: string }[] = [
  { page: 'brief', title: 'Brief' }, { page: 'bearings', title: 'Bearings' }, { page: 'pump', title: 'Pump' }, { page: 'relief', title: 'Relief' },
  { page: 'pickup', title: 'Pickup' }, { page: 'outlook', title: 'Outlook' }, { page: 'prime', title: 'Prime' }, { page: 'start', title: 'First start' },
]

export function stationPath(id: string, page: Page): string {
  return `/build/${id}/${page}`
}
