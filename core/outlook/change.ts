import type { Sheet } from '../record/schema'
import { STATE_NAMES, type StateName } from '../targets/targets'
import type { Verdict } from '../quantity/verdict'
import { pressureBands } from './band'
import { modelOf } from './model'
import { outlookOf } from './outlook'
import { namedStates } from './states'

/** What the gauge would say at a state, Pa, with its band and verdict. */
export interface StateReading {
  pressure: number
  low: number
  high: number
  verdict: Verdict
}

export type StateReadings = Record<StateName, StateReading>

/** Samples behind a band in a comparison. */
const SAMPLES = 100

/** Gauge readings of a sheet at the four states. */
export function stateReadings(sheet: Sheet, samples = SAMPLES): StateReadings {
  const { states } = outlookOf(sheet, samples)
  return Object.fromEntries(
    STATE_NAMES.map((name) => {
      const { pressure, low, high, verdict } = states.find((state) => state.name === name)!
      return [name, { pressure, low, high, verdict }]
    }),
  ) as StateReadings
}

/** The named state's pressure of a sheet changed in some way, over the sheet's own: with the same draws, so that the band is that of the change. */
export function changeAt(sheet: Sheet, changed: Sheet, name: StateName): number {
  const of = (each: Sheet) =>
    pressureBands(
      modelOf(each),
      namedStates(each).filter((state) => state.name === name),
      1,
    )[0].pressure
  return of(changed) - of(sheet)
}
