import { t } from '../words/of/frame'
import { said } from '../words/speak'
import type { Quantity, Station } from '#core/record/quantity'

export type Page = Station | 'outlook' | 'trace' | 'logbook'

const TITLES = said(t, {
  brief: 'stations.brief',
  bearings: 'stations.bearings',
  pump: 'stations.pump',
  relief: 'stations.relief',
  pickup: 'stations.pickup',
  passages: 'stations.passages',
  outlook: 'stations.outlook',
  prime: 'stations.prime',
  start: 'stations.firstStart',
  trace: 'stations.trace',
  logbook: 'stations.logbook',
}) satisfies Record<Page, string>

/** Every station in its order, its title said when it is asked for. */
export const PAGES: { page: Page; readonly title: string }[] = (Object.keys(TITLES) as Page[]).map((page) => ({
  page,
  get title() {
    return TITLES[page]
  },
}))

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
