import { studentOdds } from './chance'
import { catalogueOf } from '../engine/catalogue'
import { bearingsOf } from '../parts/clearances'
import { mean } from '../quantity/mean'
import type { Dimension } from '../quantity/units'
import type { Station } from '../record/quantity'
import type { Sheet } from '../record/schema'

/** Another engine of the shop of the same kind, with what was measured of it, SI, by key. */
export interface Sister {
  build: string
  name: string
  measured: Record<string, number>
}

/** One measurement of this engine beside the same of its sisters. */
export interface Spread {
  key: string
  label: string
  station: Station
  dimension: Dimension
  value: number
  /** Of each sister that it was measured of. */
  others: { build: string; name: string; value: number }[]
  /** Their mean and standard deviation, SI. */
  mean: number
  deviation: number
  /** One engine in so many is so far off by chance, if it is of the same kind. */
  odds: number
}

/** Fewer sisters than this have no spread. */
const LEAST = 3
/** One in so many and rarer is an outlier. */
export const OUTLIER = 20
const STATIONS = new Set(['bearings', 'pump', 'relief', 'pickup', 'passages'])

/** What was measured of an engine that its sisters can be held against: clearances in place of the two sizes behind each, and what stands by itself. */
export function measuredOf(sheet: Sheet): Record<string, number> {
  const found: Record<string, number> = {}
  for (const { key, station, bearing } of catalogueOf(sheet.layout).quantities.values()) {
    const reading = sheet.readings[key]
    if (reading?.source === 'measured' && STATIONS.has(station) && !bearing) found[key] = reading.value
  }
  for (const set of ['main', 'rod'] as const)
    for (const { number, clearance } of bearingsOf(sheet, set))
      if (clearance.source === 'measured') found[clearanceKey(set, number)] = clearance.value
  return found
}

const clearanceKey = (set: 'main' | 'rod', number: number) => `${set}.${number}.clearance`

/**
 * Each measurement of an engine beside its sisters' where three or more have it, the rarest first. If sisters vary normally, a further one lies so far
 * from their mean as Student's t over s √(1 + 1/n) says, with n − 1 degrees of freedom.
 * Source: Montgomery & Runger, Applied Statistics and Probability for Engineers (6th ed., 2014), 8-6.1, a prediction interval for a future observation.
 */
export function spreadsOf(sheet: Sheet, sisters: Sister[]): Spread[] {
  const { quantities } = catalogueOf(sheet.layout)
  const clearances = new Map(
    (['main', 'rod'] as const).flatMap((set) =>
      bearingsOf(sheet, set).map(({ number, label }) => [clearanceKey(set, number), `${label} clearance`] as const),
    ),
  )
  return Object.entries(measuredOf(sheet))
    .flatMap(([key, value]): Spread[] => {
      const others = sisters.flatMap(({ build, name, measured }) =>
        key in measured ? [{ build, name, value: measured[key] }] : [],
      )
      const quantity = quantities.get(key)
      const label = clearances.get(key) ?? quantity?.label
      if (others.length < LEAST || !label) return []
      const values = others.map((other) => other.value)
      const middle = mean(values)
      const freedom = values.length - 1
      const deviation = Math.sqrt(values.reduce((sum, each) => sum + (each - middle) ** 2, 0) / freedom)
      // Sisters that were all read alike vary at least as much as one reading does.
      const spread = Math.max(deviation, quantity?.sigma ?? 0) * Math.sqrt(1 + 1 / values.length)
      const far = spread > 0 ? Math.abs(value - middle) / spread : 0
      const odds = studentOdds(far, freedom)
      return [
        {
          key,
          label,
          station: quantity?.station ?? 'bearings',
          dimension: quantity?.dimension ?? 'length',
          value,
          others,
          mean: middle,
          deviation,
          odds,
        },
      ]
    })
    .sort((a, b) => b.odds - a.odds)
}
