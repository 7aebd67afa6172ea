import type { Station } from '#core/build/quantities'

export type Page = Station | 'outlook'

export const PAGES: { page: Page; title: string }[] = [
  { page: 'brief', title: 'Brief' }, { page: 'bearings', title: 'Bearings' }, { page: 'pump', title: 'Pump' }, { page: 'relief', title: 'Relief' },
  { page: 'pickup', title: 'Pickup' }, { page: 'outlook', title: 'Outlook' }, { page: 'prime', title: 'Prime' }, { page: 'start', title: 'First start' },
]

export function stationPath(id: string, page: Page): string {
  return `/build/${id}/${page}`
}

/** Where a reading is taken: of a bearing some stand in the table, others with their journal, the crank's own beside the turning torque. */
export function readingPath(id: string, key: string, page: Page): string {
  const path = stationPath(id, page)
  const nested = /^((?:main|rod)\.\d+)\.(?:housing|wall|side|(?:journal|bore)\.\w+)$/.exec(key)
  if (nested) return `${path}?view=journal&at=${nested[1]}`
  return /^(turning|thrust)\./.test(key) ? `${path}?view=turn` : path
}
