import { prepareEngine } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { evenly, momentAt } from '../outlook/states'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { causePressures } from './simulated'
import type { Cause } from './vocabulary'

/** What the gauge should show over speed with a cause, Pa: mild, middling and bad, at each speed the least and the most of them too. */
export interface CauseCurve {
  cause: Cause
  low: number[]
  middle: number[]
  high: number[]
}

const SPEEDS = 9

/** Gauge pressure over crank speed, from idle to the maximum, at one oil temperature, °C, with each of some causes. */
export function causeCurves(
  recorded: Sheet,
  causes: Cause[],
  temperature: number,
): { speeds: number[]; curves: CauseCurve[] } {
  const sheet = filledFor(recorded, 'start')
  const model = modelOf(sheet)
  const speeds = evenly(
    requireValue(sheet, 'brief.idleSpeed').value,
    requireValue(sheet, 'brief.maximumSpeed').value,
    SPEEDS,
  )
  const moments = speeds.map((speed) => momentAt(sheet, speed, temperature))
  const engine = prepareEngine(sheet.layout, leftOutOf(sheet))
  const oil = oilAt(model.oil, temperature)
  const sound = moments.map((moment) => engine.gauge(model.values, moment, oil, 1e-5))
  return {
    speeds,
    curves: causes.map((cause) => {
      const bySeverity = causePressures(model, cause, moments, sound)
      const at = (pick: (values: number[]) => number) => speeds.map((_, i) => pick(bySeverity.map((of) => of[i])))
      return {
        cause,
        low: at((values) => Math.min(...values)),
        middle: bySeverity[Math.floor(bySeverity.length / 2)],
        high: at((values) => Math.max(...values)),
      }
    }),
  }
}
