import type { Sheet } from '../record/schema'
import { ruleOf } from '../house/limits'

/** Highest that a gauge may show while an engine is primed, Pa: the maker's, else the house's with cold oil. */
export function primeCeiling(sheet: Pick<Sheet, 'readings' | 'house'>): number {
  return sheet.readings['maker.ceiling']?.value ?? ruleOf(sheet, 'ceiling.crankingCold')
}
