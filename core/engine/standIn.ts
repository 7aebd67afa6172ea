import { pumpDisplacement } from '../parts/pumpRecord'
import { springRateOf, type ValveName } from '../parts/reliefRecord'
import type { Sheet } from '../record/schema'
import { catalogueOf } from './values'

/** What stands in for a number that was not written: computed from others, else the layout's default. */
export interface StandIn {
  value: number
  /** Where it comes from, in a few words. */
  words: string
}

/** What the model takes where a reading is missing; undefined where it takes nothing. */
export function standInOf(sheet: Sheet, key: string): StandIn | undefined {
  const rate = /^(relief2?)\.springRate$/.exec(key)
  const held =
    key === 'pump.displacement' ? pumpDisplacement(sheet) : rate ? springRateOf(sheet, rate[1] as ValveName) : undefined
  if (held?.source === 'computed')
    return { value: held.value, words: rate ? 'computed from heights or wire' : 'computed from the gears' }
  const fallback = catalogueOf(sheet.layout).get(key)?.fallback
  return fallback === undefined ? undefined : { value: fallback, words: 'assumed from the layout' }
}
