import type { Station } from '#core/engine/quantities'

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

/** Views of a station beside its first, by the readings that are taken there. */
const VIEWS: [RegExp, string][] = [
  [/^(turning|thrust)\./, 'turn'],
  [/^pump\.(coverWear|coverThickness|floorThickness|\w+Cut)$/, 'salvage'],
  [/^pump\.\w+Port\w*$/, 'ports'],
  [/^pump\.(gasket|driveLength)$/, 'close'],
  [/^relief2?\.(wanted|plugBore|plugHole|plugTravel|wire|coilDiameter)$/, 'routes'],
  [/^relief2?\.(reach|seatDepth|thread|tapped|plugTorque)$/, 'fit'],
  [/^relief2?\.bench/, 'bench'],
  [/^start\.(firstPressure|(idleCold|fastIdle|idleHot|workingHot)\.)/, 'readings'],
  [/^start\.(breakInTime|change\w+|\w+PerWeek)$/, 'breakin'],
  [/^pickup\.(oilDepth|offset|sumpLength|sumpWidth|capacity|filterVolume)$/, 'oil'],
  [/^pickup\.vacuum/, 'air'],
]

/** Where a reading is taken: of a bearing some stand in the table, others with their journal; other stations have views of their own. */
export function readingPath(id: string, key: string, page: Page): string {
  const path = stationPath(id, page)
  const nested = /^((?:main|rod)\.\d+)\.(?:housing|wall|side|(?:journal|bore)\.\w+)$/.exec(key)
  if (nested) return `${path}?view=journal&at=${nested[1]}`
  if (key.startsWith('relief2.'))
    return `${path}?valve=relief2&view=${VIEWS.find(([taken]) => taken.test(key))?.[1] ?? 'valve'}`
  const view = VIEWS.find(([taken]) => taken.test(key))?.[1]
  return view ? `${path}?view=${view}` : path
}
