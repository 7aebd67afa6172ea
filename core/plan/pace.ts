import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { type Station, STATIONS } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { MINUTE } from './types'

/** Minutes: for each thing that a station wants, for a prime itself and for a first start. */
export interface Pace {
  item: Record<Station, number>
  prime: number
  start: number
  /** From how many entries of this shop each is known; 0 is assumed altogether. */
  seen: Record<Station, number>
}

/** What is assumed of a shop that has entered nothing, minutes for one thing. */
const ASSUMED: Record<Station, number> = {
  brief: 1,
  bearings: 4,
  pump: 4,
  relief: 4,
  pickup: 4,
  passages: 3,
  prime: 2,
  start: 3,
}
/** The assumption counts like so many entries. */
const WEIGHT = 10
/** Whoever enters nothing for longer did something else; and what comes sooner was written down before and sent together, ms. */
const PAUSE = 30 * MINUTE
const TOGETHER = 5000

export const assumedPace = (): Pace => ({
  item: { ...ASSUMED },
  prime: 20,
  start: 45,
  seen: Object.fromEntries(STATIONS.map((station) => [station, 0])) as Record<Station, number>,
})

/** Work that nobody has timed may take half as long again; each minute is known the better the more entries it comes from. */
const UNSURE = 0.5

/** The same shop when work goes slower than expected, by how little is known of each station. */
export const slowerPace = (pace: Pace): Pace => ({
  ...pace,
  item: Object.fromEntries(
    STATIONS.map((station) => [
      station,
      pace.item[station] * (1 + UNSURE * Math.sqrt(WEIGHT / (WEIGHT + pace.seen[station]))),
    ]),
  ) as Record<Station, number>,
  prime: pace.prime * (1 + UNSURE),
  start: pace.start * (1 + UNSURE),
})

/** An engine's entries: who made each and when, and the paths that it wrote. */
export interface PaceHistory {
  layout: Sheet['layout']
  entries: { who: string; at: string; patch: readonly { path: string }[] }[]
}

/** At which station the thing that a path of a sheet belongs to is done. */
function stationsByPath(layout: Sheet['layout']): (path: string) => Station | undefined {
  const stations = new Map<string, Station>([
    ...quantitiesOf(layout).map(({ key, station }): [string, Station] => [`readings/${key}`, station]),
    ...checksOf(layout).map(({ key, station }): [string, Station] => [`checks/${key}`, station]),
    ...inspectionsOf(layout).map(({ key, station }): [string, Station] => [`inspections/${key}`, station]),
  ])
  return (path) => {
    const [, kind, key] = path.split('/')
    return stations.get(`${kind}/${key}`)
  }
}

/**
 * A shop's own pace from its entries: the time from one entry of somebody to their next on the same engine goes to the station of the later one, unless it was a pause; drawn
 * to what is assumed by as much as ten entries weigh.
 */
export function paceOf(histories: readonly PaceHistory[]): Pace {
  const pace = assumedPace()
  const sums = Object.fromEntries(STATIONS.map((station) => [station, 0])) as Record<Station, number>
  for (const { layout, entries } of histories) {
    const stationOf = stationsByPath(layout)
    const lastOf = new Map<string, number>()
    for (const { who, at, patch } of entries) {
      const now = Date.parse(at)
      const took = now - (lastOf.get(who) ?? -Infinity)
      lastOf.set(who, now)
      const things = [...new Set(patch.map(({ path }) => path.split('/').slice(0, 3).join('/')))]
      const stations = things.map(stationOf).filter((each) => each !== undefined)
      const [station] = stations
      if (!station || took < TOGETHER || took > PAUSE) continue
      sums[station] += took / MINUTE
      pace.seen[station] += stations.filter((each) => each === station).length
    }
  }
  for (const station of STATIONS)
    pace.item[station] = (WEIGHT * ASSUMED[station] + sums[station]) / (WEIGHT + pace.seen[station])
  return pace
}
