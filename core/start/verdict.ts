import type { Sheet } from '../build/schema'
import { pressureBands, type Band } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { targetAt } from '../outlook/outlook'
import { meanPressureAt, namedStates } from '../outlook/states'
import type { StateName, Target, Verdict } from '../targets/targets'

/** Uncertainty allowed for the gauge itself, Pa: a shop's mechanical gauge, class 1.6 of 10 bar. */
export const GAUGE_ERROR = 16e3

/** No pressure by then: shut down. Seconds after firing. */
export const FIRST_PRESSURE = { wanted: 5, limit: 10 }

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

/**
 * Judges a steady reading at the first start, at the speed and oil temperature it was taken at, against the target for
 * this build and against what the model says for this engine. Out of target is a stop; in target but out of the band is a
 * watch, since something is not as it was measured.
 */
export function judgePoint(sheet: Sheet, name: Exclude<StateName, 'crankingCold'>, reading: number, speed: number, temperature: number, samples = 300): PointVerdict {
  const model = modelOf(sheet)
  const moment = { name, speed, temperature, meanPressure: meanPressureAt(sheet, speed) }
  const [expected] = pressureBands(model, [moment], samples)
  const target = targetAt(sheet, model.oil, moment)
  const against = reading < target.least ? 'under' : reading > target.most ? 'over' : 'inside'
  const prediction = reading < expected.low - GAUGE_ERROR ? 'below' : reading > expected.high + GAUGE_ERROR ? 'above' : 'within'
  const verdict = against !== 'inside' ? 'stop' : prediction !== 'within' ? 'watch' : 'pass'
  return { verdict, reading, target, expected, against, prediction }
}

/** Judges the seconds until the gauge moved. */
export function judgeFirstPressure(seconds: number): Verdict {
  return seconds <= FIRST_PRESSURE.wanted ? 'pass' : seconds <= FIRST_PRESSURE.limit ? 'watch' : 'stop'
}

/** The speed and temperature a point is judged at: as recorded with it, else as the brief has them. */
export function pointMoment(sheet: Sheet, name: Exclude<StateName, 'crankingCold'>): { speed: number; temperature: number } {
  const state = namedStates(sheet).find((each) => each.name === name)!
  return {
    speed: sheet.readings[`start.${name}.speed`]?.value ?? state.speed,
    temperature: sheet.readings[`start.${name}.temperature`]?.value ?? state.temperature,
  }
}
