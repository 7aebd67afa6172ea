import type { Sheet } from '../build/schema'
import { ruleOf } from '../house/limits'
import { pressureBands, type Band } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { targetAt } from '../outlook/outlook'
import { momentAt, namedStates } from '../outlook/states'
import type { StateName, Target, Verdict } from '../targets/targets'
import type { PointName } from './points'

/** Uncertainty allowed for the gauge itself, Pa: a shop's mechanical gauge, class 1.6 of 10 bar. */
export const GAUGE_ERROR = 16e3

/** No pressure by then: shut down, whatever the house says. Seconds after firing. */
export const HARD_LIMIT = 10

export interface PointVerdict {
  verdict: Verdict
  reading: number
  target: Target
  expected: Band
  /** Against the target: under it, inside, over it. */
  against: 'under' | 'inside' | 'over'
  /** Against the prediction: below the band, in it, above it. */
  prediction: 'below' | 'within' | 'above'
}

/** The named state whose floor and ceiling a point is judged by: fast idle by idle's, at its own speed. */
export function stateOfPoint(name: PointName): StateName {
  return name === 'fastIdle' ? 'idleHot' : name
}

/**
 * Judges a steady reading at the first start, at the speed and oil temperature it was taken at, against the target for
 * this build and against what the model says for this engine. Out of target is a stop; in target but out of the band is a
 * watch, since something is not as it was measured.
 */
export function judgePoint(sheet: Sheet, name: PointName, reading: number, speed: number, temperature: number, samples = 300): PointVerdict {
  const model = modelOf(sheet)
  const moment = { name: stateOfPoint(name), ...momentAt(sheet, speed, temperature) }
  const [expected] = pressureBands(model, [moment], samples)
  const target = targetAt(sheet, model.oil, moment)
  const against = reading < target.least ? 'under' : reading > target.most ? 'over' : 'inside'
  const prediction = reading < expected.low - GAUGE_ERROR ? 'below' : reading > expected.high + GAUGE_ERROR ? 'above' : 'within'
  const verdict = against !== 'inside' ? 'stop' : prediction !== 'within' ? 'watch' : 'pass'
  return { verdict, reading, target, expected, against, prediction }
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
