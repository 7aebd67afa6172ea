import type { PlugLabel } from '#core/outlook/plugLabel'
import { formatQuantity } from '#core/quantity/format'
import { halfBand } from '#core/quantity/uncertain'
import { type UnitChoice, unitFor } from '#core/quantity/unitChoices'

/** What a label says, line by line, in the shop's units. */
export interface LabelWords {
  title: string
  engine: string
  lines: string[]
}

const PLACES = { pump: ', at the pump', 'gallery-end': ', gallery end' }
const SOURCES: Record<PlugLabel['source'], string> = {
  'bench-air': 'Tried on the bench, air',
  'bench-dead-head': 'Tried on the bench, dead-head',
  'measured-parts': 'From its measured parts',
  assumed: 'Assumed, not measured',
}

/** A plug's label in words. */
export function labelWords(label: PlugLabel, units: UnitChoice): LabelWords {
  const bar = units.pressure === 'bar' ? 2 : undefined
  const pressure = (value: number) => formatQuantity(value, unitFor('pressure', units), bar)
  const length = (value: number) => formatQuantity(value, unitFor('length', units))
  return {
    title: `Relief plug${label.place ? PLACES[label.place] : ''}`,
    engine: `${label.name}, ${label.engine}`,
    lines: [
      `Opens ${pressure(label.opening.value)} ± ${pressure(halfBand(label.opening))}`,
      SOURCES[label.source],
      `Spring ${formatQuantity(label.springRate, unitFor('springRate', units))}, free ${length(label.freeLength)}`,
      label.shims > 0 ? `Shims ${length(label.shims)}${label.stack ? `: ${label.stack}` : ''}` : 'No shims',
      [label.by, label.at?.slice(0, 10)].filter(Boolean).join(', ') || 'Not dated',
    ],
  }
}
