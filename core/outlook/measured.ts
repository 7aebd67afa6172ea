import { recorded } from '../engine/values'
import type { StateName, Target } from '../targets/targets'
import type { Verdict } from '../quantity/verdict'
import { type Band, pressureBands } from './band'
import { filledWith } from '../record/fill'
import { type Model, modelOf } from './model'
import { momentAt, namedStates } from './states'

/** Uncertainty allowed for the gauge itself, Pa: a shop's mechanical gauge, class 1.6 of 10 bar. */
export const GAUGE_ERROR = 16e3

/** A gauge reading held against its target and against what the model says at the speed and temperature at which it was taken. */
export interface PointVerdict {
  verdict: Verdict
  /** Pa. */
  reading: number
  target: Target
  expected: Band
  /** Against the target: under it, inside, over it. */
  against: 'under' | 'inside' | 'over'
  /** Against the prediction: below the band, in it, above it; void where there is no prediction to hold it against. */
  prediction: 'below' | 'within' | 'above' | 'void'
}

/** The reading that stands at a state, with when it was taken. */
export interface Measured extends PointVerdict {
  /** rev/s, °C: as recorded with it, else as the state has them. */
  speed: number
  temperature: number
  at?: string
  by?: string
}

/** Judges a reading: out of target is a stop; in target but out of the band, or with no band to hold it against, is a watch. */
export function judgeReading(reading: number, target: Target, expected: Band, voided = false): PointVerdict {
  const against = reading < target.least ? 'under' : reading > target.most ? 'over' : 'inside'
  const prediction = voided
    ? 'void'
    : reading < expected.low - GAUGE_ERROR
      ? 'below'
      : reading > expected.high + GAUGE_ERROR
        ? 'above'
        : 'within'
  return {
    verdict: against !== 'inside' ? 'stop' : prediction !== 'within' ? 'watch' : 'pass',
    reading,
    target,
    expected,
    against,
    prediction,
  }
}

/** What the gauge read at a state, judged; undefined where it was not read. */
export function measuredAt(
  model: Model,
  name: StateName,
  samples: number,
  voided: boolean,
  targetFor: (moment: { speed: number; temperature: number }) => Target,
): Measured | undefined {
  const { sheet } = model
  // Nobody reads a gauge as a point while it is cranked.
  if (name === 'crankingCold') return undefined
  const point = recorded(sheet, `start.${name}.pressure`)
  if (!point) return undefined
  const state = namedStates(sheet).find((each) => each.name === name)!
  const at = (field: 'speed' | 'temperature') => recorded(sheet, `start.${name}.${field}`)?.value ?? state[field]
  const [speed, temperature] = [at('speed'), at('temperature')]
  // What was read with another oil is held against that one.
  const then = point.oil ? modelOf(filledWith(sheet, point.oil)) : model
  const [expected] = pressureBands(then, [momentAt(sheet, speed, temperature)], samples)
  return {
    ...judgeReading(point.value, targetFor({ speed, temperature }), expected, voided),
    speed,
    temperature,
    at: point.at,
    by: point.by,
  }
}
