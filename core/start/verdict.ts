import type { Sheet } from '../build/schema'
import { ruleOf } from '../house/limits'
import { usableSheet } from '../build/voids'
import { pressureBands } from '../outlook/band'
import { judgeReading, type PointVerdict } from '../outlook/measured'
import { modelOf } from '../outlook/model'
import { targetAt } from '../outlook/outlook'
import { momentAt, namedStates } from '../outlook/states'
import type { StateName, Verdict } from '../targets/targets'
import type { PointName } from './points'

/** No pressure by then: shut down, whatever the house says. Seconds after firing. */
export const HARD_LIMIT = 10

/** The named state whose floor and ceiling a point is judged by: fast idle by idle's, at its own speed. */
export function stateOfPoint(name: PointName): StateName {
  return name === 'fastIdle' ? 'idleHot' : name
}

/** Judges a steady reading at the first start, at the speed and oil temperature it was taken at, against the target for this build and what the model says. */
export function judgePoint(sheet: Sheet, name: PointName, reading: number, speed: number, temperature: number, samples = 300): PointVerdict {
  const model = modelOf(sheet)
  const moment = { name: stateOfPoint(name), ...momentAt(model.sheet, speed, temperature) }
  const [expected] = pressureBands(model, [moment], samples)
  return judgeReading(reading, targetAt(model.sheet, model.oil, moment), expected, usableSheet(sheet).voids.length > 0)
}

/** Judges the seconds until the gauge moved. */
export function judgeFirstPressure(sheet: Pick<Sheet, 'house'>, seconds: number): Verdict {
  return seconds <= ruleOf(sheet, 'start.deadline') ? 'pass' : seconds <= HARD_LIMIT ? 'watch' : 'stop'
}

/** The speed and temperature a point is judged at: as recorded with it, else as the brief has them. */
export function pointMoment(sheet: Sheet, name: PointName): { speed: number; temperature: number } {
  const states = namedStates(sheet)
  const of = (wanted: StateName) => states.find((each) => each.name === wanted)!
  // Fast idle lies half way from cold idle to work.
  const state = name === 'fastIdle' ? { speed: 0.5 * (of('idleCold').speed + of('workingHot').speed), temperature: of('idleHot').temperature } : of(name)
  return {
    speed: sheet.readings[`start.${name}.speed`]?.value ?? state.speed,
    temperature: sheet.readings[`start.${name}.temperature`]?.value ?? state.temperature,
  }
}

export { GAUGE_ERROR, type PointVerdict } from '../outlook/measured'
