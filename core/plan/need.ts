import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { holdsUpPrime, progressOf } from '../progress/progress'
import { type Station, STATIONS } from '../record/quantity'
import type { Sheet } from '../record/schema'

/** What a plan has to know of an engine, without its sheet. Moments are ms since 1970. */
export interface Need {
  /** Things that each station still wants. */
  missing: Record<Station, number>
  /** There is a prime on record; when, where it bears a time. */
  primed: boolean
  primedAt?: number
  /** What a verdict stops: before the prime, and at all. */
  holdsPrime?: string
  stopped?: { station: Station; about: string }
  /** The last moment at which anything of a station was recorded. */
  last: Partial<Record<Station, number>>
}

/** The last moment at which anything of a station was recorded, ms since 1970; undefined where nothing bears a time. */
export function lastAt(sheet: Sheet, station: Station): number | undefined {
  const of = <T extends { at?: string }>(items: { key: string; station: Station }[], kept: Record<string, T>) =>
    items.filter((item) => item.station === station).map(({ key }) => kept[key]?.at)
  const times = [
    ...of(quantitiesOf(sheet.layout), sheet.readings),
    ...of(checksOf(sheet.layout), sheet.checks),
    ...of(inspectionsOf(sheet.layout), sheet.inspections),
  ].flatMap((at) => (at === undefined ? [] : [Date.parse(at)]))
  return times.length === 0 ? undefined : Math.max(...times)
}

/** What an engine still wants, by its sheet and the rules of its house. */
export function needOf(sheet: Sheet): Need {
  const progress = progressOf(sheet)
  const primed = sheet.readings['prime.pressure']
  const beforePrime = holdsUpPrime(progress).find(({ verdict }) => verdict === 'stop')
  const stopped = progress.find(({ verdict }) => verdict === 'stop')
  const about = (of: NonNullable<typeof stopped>) => of.about ?? of.station
  const last = STATIONS.flatMap((station): [Station, number][] => {
    const at = lastAt(sheet, station)
    return at === undefined ? [] : [[station, at]]
  })
  return {
    missing: Object.fromEntries(progress.map(({ station, missing }) => [station, missing.length])) as Need['missing'],
    primed: primed !== undefined,
    ...(primed?.at === undefined ? {} : { primedAt: Date.parse(primed.at) }),
    ...(beforePrime ? { holdsPrime: about(beforePrime) } : {}),
    ...(stopped ? { stopped: { station: stopped.station, about: about(stopped) } } : {}),
    last: Object.fromEntries(last),
  }
}
