import { benchOf } from '../parts/reliefBench'
import type { ValveName } from '../parts/reliefReadings'
import { type UnitChoice, unitFor } from '../quantity/unitChoices'
import { halfBand } from '../quantity/uncertain'
import { openingOf, reliefValve } from '../parts/reliefRecord'
import type { Sheet } from '../record/schema'
import { formatQuantity } from '../quantity/format'
import { total } from '../relief/spring'

/** What a plug's label says, line by line: the first is its title. */
export interface PlugLabel {
  title: string
  engine: string
  lines: string[]
}

/** The label of a relief plug: what is behind it, so that the next person knows. */
export function plugLabel(sheet: Sheet, name: ValveName, units: UnitChoice): PlugLabel {
  const valve = reliefValve(sheet, name)
  const opening = openingOf(sheet, name)
  const bar = units.pressure === 'bar' ? 2 : undefined
  const pressure = (value: number) => formatQuantity(value, unitFor('pressure', units), bar)
  const length = (value: number) => formatQuantity(value, unitFor('length', units))
  const bench = benchOf(sheet, name)
  const place = sheet.layout.galleryRelief ? (name === 'relief' ? ', at the pump' : ', gallery end') : ''
  const marked =
    sheet.checks[`${name}.marked`] ?? sheet.readings[`${name}.shims`] ?? sheet.readings[`${name}.springRate`]
  const source = bench
    ? `tried on the bench, ${bench.method === 'air' ? 'air' : 'dead-head'}`
    : sheet.readings[`${name}.springRate`]
      ? 'from its measured parts'
      : 'assumed, not measured'
  return {
    title: `Relief plug${place}`,
    engine: `${sheet.name}, ${sheet.engine}`,
    lines: [
      `Opens ${pressure(opening.value)} ± ${pressure(halfBand(opening))}`,
      source.charAt(0).toUpperCase() + source.slice(1),
      `Spring ${formatQuantity(valve.springRate, unitFor('springRate', units))}, free ${length(valve.freeLength)}`,
      total(valve.shims) > 0
        ? `Shims ${length(total(valve.shims))}${sheet.choices[`${name}.stack`] ? `: ${sheet.choices[`${name}.stack`]}` : ''}`
        : 'No shims',
      [marked?.by, marked?.at?.slice(0, 10)].filter(Boolean).join(', ') || 'Not dated',
    ],
  }
}
