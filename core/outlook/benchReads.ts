import { type BenchLine, benchLog } from '../parts/reliefBench'
import type { ValveName } from '../parts/reliefReadings'
import type { Sheet } from '../record/schema'
import type { StateName } from '../targets/targets'
import { type StateReading, stateReadings } from './change'

/** What the running engine would read with a valve as it stood on the bench. */
export interface BenchReads extends Pick<Record<StateName, StateReading>, 'idleCold' | 'idleHot' | 'workingHot'> {
  /** Line of the log; the test that is written and not in the log yet has none. */
  key?: string
}

/** Every line of a valve's bench log, translated to the running engine: its spring by that test, its length fitted and shims as they were then. */
export function benchReads(sheet: Sheet, name: ValveName): BenchReads[] {
  return benchLog(sheet, name).map((line) => {
    const { idleCold, idleHot, workingHot } = stateReadings(asOnBench(sheet, name, line))
    return { ...(line.key === undefined ? {} : { key: line.key }), idleCold, idleHot, workingHot }
  })
}

/** The sheet with one test alone counting, and the valve fitted as it was for it. */
function asOnBench(sheet: Sheet, name: ValveName, { key, installed, shims }: BenchLine): Sheet {
  const readings: Sheet['readings'] = {
    ...sheet.readings,
    [`${name}.installedLength`]: { ...sheet.readings[`${name}.installedLength`], value: installed, source: 'measured' },
    [`${name}.shims`]: { ...sheet.readings[`${name}.shims`], value: shims, source: 'measured' },
  }
  if (key !== undefined) delete readings[`${name}.benchPressure`]
  const benches = Object.fromEntries(
    Object.entries(sheet.benches ?? {}).map(([each, test]) => [
      each,
      each.startsWith(`${name}.`) ? { ...test, fitted: each === key } : test,
    ]),
  )
  return { ...sheet, readings, benches }
}
