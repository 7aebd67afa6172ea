import { recorded } from '../engine/values'
import type { StateName, Target } from '../targets/targets'
import type { Verdict } from '../quantity/verdict'
import { type Band, pressureBands } from './band'
import { filledWith, type OilChoice } from '../record/fill'
import type { Sheet } from '../record/schema'
import { hotIdleReads } from '../engine/serviceLog'
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
  /** The oil that was in it then; the sheet's own where it is not said. */
  oil?: OilChoice
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
  const point = lastRead(sheet, name)
  if (!point) return undefined
  const state = namedStates(sheet).find((each) => each.name === name)!
  const { speed = state.speed, temperature = state.temperature, oil, at, by } = point
  // What was read with another oil is held against that one.
  const then = oil ? modelOf(filledWith(sheet, oil)) : model
  const [expected] = pressureBands(then, [momentAt(sheet, speed, temperature)], samples)
  return {
    ...judgeReading(point.pressure, targetFor({ speed, temperature }), expected, voided),
    speed,
    temperature,
    oil,
    at,
    by,
  }
}

/** The reading that stands at a state: the last one, at the first start or, of hot idle, in the service log. */
function lastRead(sheet: Sheet, name: Exclude<StateName, 'crankingCold'>) {
  const later = name === 'idleHot' ? hotIdleReads(sheet).reads.at(-1) : undefined
  const point = recorded(sheet, `start.${name}.pressure`)
  if (later && !(point && Date.parse(point.at ?? '') >= later.at))
    return { ...later, at: new Date(later.at).toISOString() }
  if (!point) return undefined
  return {
    pressure: point.value,
    speed: recorded(sheet, `start.${name}.speed`)?.value,
    temperature: recorded(sheet, `start.${name}.temperature`)?.value,
    oil: point.oil,
    at: point.at,
    by: point.by,
  }
}
