import { pumpDisplacement } from '../parts/pumpReadings'
import { springRateOf } from '../parts/reliefSpring'
import type { ReadingKey } from '../parts/list'
import type { Sourced } from '../record/sourced'
import type { Sheet } from '../record/schema'
import { quantityAt } from './values'

/** What stands in for a number that was not written. */
export interface StandIn {
  value: number
  /** Computed, and from what; else the layout's default. */
  from: 'gears' | 'spring' | 'layout'
}

/** Readings that follow from others where they were not written. */
const COMPUTED: Partial<Record<ReadingKey, { from: StandIn['from']; held: (sheet: Sheet) => Sourced }>> = {
  'pump.displacement': { from: 'gears', held: pumpDisplacement },
  'relief.springRate': { from: 'spring', held: (sheet) => springRateOf(sheet, 'relief') },
  'relief2.springRate': { from: 'spring', held: (sheet) => springRateOf(sheet, 'relief2') },
}

/** What the model takes where a reading is missing; undefined where it takes nothing. */
export function standInOf(sheet: Sheet, key: ReadingKey): StandIn | undefined {
  const quantity = quantityAt(sheet, key)
  const computed = quantity && COMPUTED[key]
  const held = computed?.held(sheet)
  if (computed && held?.source === 'computed') return { value: held.value, from: computed.from }
  return quantity?.fallback === undefined ? undefined : { value: quantity.fallback, from: 'layout' }
}
