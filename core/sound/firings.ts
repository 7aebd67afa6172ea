import { type BriefField } from '../parts/list'
import { throwsOf } from '../parts/throws'
import { requireValue } from '../engine/values'
import { usableSheet } from '../engine/usableSheet'
import type { Layout, Sheet } from '../record/schema'
import type { EarEngine } from './ear'
import type { Firings } from './orders'

/** How often a cylinder fires: on every second turn, or on each. */
export const FIRES_HOW = ['four-stroke', 'two-stroke'] as const
export type FiresHow = (typeof FIRES_HOW)[number]

/** When the cylinders of a layout may fire: as its crank is taken to stand, and evenly, since no brief says how its pins really do. A rotor fires once in each turn of its shaft. */
export function firingsOf(layout: Layout, how: FiresHow): Firings[] {
  const cycle = layout.kind === 'rotary' || how === 'two-stroke' ? 360 : 720
  const even = Array.from({ length: layout.cylinders }, (_, i) => (i * cycle) / layout.cylinders)
  if (cycle === 360) return [{ fires: even, cycle }]
  const byCrank = { fires: throwsOf(layout).map(({ fires }) => fires), cycle }
  return isEven(byCrank) ? [byCrank] : [byCrank, { fires: even, cycle }]
}

function isEven({ fires, cycle }: Firings): boolean {
  const sorted = [...fires].sort((a, b) => a - b)
  return sorted.every((at, i) => {
    const next = sorted[i + 1] ?? sorted[0]! + cycle
    return Math.abs(next - at - cycle / fires.length) < 1
  })
}

/** What a build's engine is heard by: between half of its cranking speed and somewhat over its highest. */
export function earEngine(recorded: Sheet, how: FiresHow): EarEngine {
  const { sheet } = usableSheet(recorded)
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  return {
    ways: firingsOf(sheet.layout, how),
    slowest: 0.5 * of('crankingSpeed'),
    fastest: 1.25 * Math.max(of('maximumSpeed'), of('workingSpeed')),
  }
}
