import type { Listed } from '~/sync/routes'

/** What of the floor is shown, and in which order. */
export type Shows = 'floor' | 'stop' | 'archive' | 'deleted'
export type Order = 'changed' | 'name' | 'least' | 'most'
export interface FloorWanted {
  text: string
  shows: Shows
  order: Order
}

const stopped = ({ stopped, progress, standing }: Listed) =>
  stopped !== undefined ||
  progress.some(({ verdict }) => verdict === 'stop') ||
  (standing?.states ?? []).some(({ verdict }) => verdict === 'stop')
const shown: Record<Shows, (build: Listed) => boolean> = {
  floor: ({ place }) => place === 'floor',
  stop: (build) => build.place === 'floor' && stopped(build),
  archive: ({ place }) => place === 'archive',
  deleted: ({ place }) => place === 'deleted',
}
const done = ({ progress }: Listed) =>
  progress.reduce((sum, each) => sum + each.done, 0) /
  Math.max(
    1,
    progress.reduce((sum, each) => sum + each.wanted, 0),
  )
const by: Record<Order, (a: Listed, b: Listed) => number> = {
  changed: (a, b) => Date.parse(b.changedAt) - Date.parse(a.changedAt),
  name: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true, sensitivity: 'base' }),
  least: (a, b) => done(a) - done(b),
  most: (a, b) => done(b) - done(a),
}

/** Builds as somebody wants to see them: every word of the search stands somewhere in name, engine or machine. */
export function floorList(builds: readonly Listed[], { text, shows, order }: FloorWanted): Listed[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return builds
    .filter(shown[shows])
    .filter(({ name, engine, work }) => {
      const said = `${name} ${engine} ${work}`.toLowerCase()
      return words.every((word) => said.includes(word))
    })
    .sort(by[order])
}
export const countOf = (builds: readonly Listed[], shows: Shows) => builds.filter(shown[shows]).length
