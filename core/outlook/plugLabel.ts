import { recorded } from '../engine/values'
import { benchOf } from '../parts/reliefBench'
import type { ValveName } from '../parts/reliefReadings'
import { openingOf, reliefValve } from '../parts/reliefRecord'
import type { Spread } from '../quantity/uncertain'
import type { Sheet } from '../record/schema'
import { total } from '../relief/spring'

/** What stands behind a relief plug, for its label. */
export interface PlugLabel {
  name: string
  engine: string
  /** Where there are two valves, which of them. */
  place?: 'pump' | 'gallery-end'
  /** Pressure at which it opens, Pa. */
  opening: Spread
  source: 'bench-air' | 'bench-dead-head' | 'measured-parts' | 'assumed'
  /** N/m. */
  springRate: number
  /** m. */
  freeLength: number
  /** Height of all shims together, m, and the washers that they are, as they were written down. */
  shims: number
  stack?: string
  /** Who marked it, or last measured what is behind it, and when, ISO 8601. */
  by?: string
  at?: string
}

/** What is behind a relief plug, so that the next person knows. */
export function plugLabel(sheet: Sheet, name: ValveName): PlugLabel {
  const valve = reliefValve(sheet, name)
  const bench = benchOf(sheet, name)
  const hand =
    sheet.checks[`${name}.marked`] ?? recorded(sheet, `${name}.shims`) ?? recorded(sheet, `${name}.springRate`)
  return {
    name: sheet.name,
    engine: sheet.engine,
    ...(sheet.layout.galleryRelief ? { place: name === 'relief' ? 'pump' : 'gallery-end' } : {}),
    opening: openingOf(sheet, name),
    source: bench ? `bench-${bench.method}` : recorded(sheet, `${name}.springRate`) ? 'measured-parts' : 'assumed',
    springRate: valve.springRate,
    freeLength: valve.freeLength,
    shims: total(valve.shims),
    stack: sheet.choices[`${name}.stack`],
    by: hand?.by,
    at: hand?.at,
  }
}
