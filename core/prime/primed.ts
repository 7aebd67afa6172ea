import { recorded } from '../engine/values'
import { START_POINTS } from '../parts/firstStart'
import { checksOf } from '../engine/catalogue'
import type { Sheet } from '../record/schema'
import { primeCeiling } from '../parts/priming'

/** Outlets at which oil is to be seen before an engine counts as primed, by key. */
export function outletChecks(sheet: Pick<Sheet, 'layout'>): string[] {
  return checksOf(sheet.layout)
    .filter(({ group }) => group === 'outlet')
    .map(({ key }) => key)
}

/**
 * When an engine was last primed, ms since 1970: at a last prime whose reading filter and seals could stand, with oil seen at every outlet. A check prime starts no clock;
 * nor does a reading above what the model allows, which whoever has the model adds (`primeGood`).
 */
export function primedAt(sheet: Sheet): number | undefined {
  const last = recorded(sheet, 'prime.pressure')
  if (
    !last ||
    last.value > primeCeiling(sheet) ||
    outletChecks(sheet).some((key) => sheet.checks[key]?.state !== 'done')
  )
    return undefined
  const at = Date.parse(last.at ?? '')
  return Number.isFinite(at) ? at : undefined
}

/** Readings that only a running engine gives. */
const RAN = new Set<string>(['start.firstPressure', ...START_POINTS.map(([point]) => `start.${point}.pressure`)])

/** When it last ran, ms since 1970, by the readings of its starts; undefined while it has not. */
export function ranAt(sheet: Pick<Sheet, 'readings'>): number | undefined {
  const times = Object.entries(sheet.readings)
    .filter(([key]) => RAN.has(key))
    .map(([, { at }]) => Date.parse(at ?? ''))
    .filter(Number.isFinite)
  return times.length > 0 ? Math.max(...times) : undefined
}

/** Whether it has run. */
export function hasRun(sheet: Pick<Sheet, 'readings'>): boolean {
  return Object.keys(sheet.readings).some((key) => RAN.has(key))
}

/** When its oil last stood in every passage, ms since 1970: as it was primed or as it last ran, whichever came later. From then on the clock counts. */
export function oiledAt(sheet: Sheet): number | undefined {
  const times = [primedAt(sheet), ranAt(sheet)].filter((each) => each !== undefined)
  return times.length > 0 ? Math.max(...times) : undefined
}
