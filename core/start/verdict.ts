import { recorded } from '../engine/values'
import { filledWith, oilFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { ruleOf } from '../house/limits'
import { usableSheet } from '../engine/usableSheet'
import { pressureBands } from '../outlook/band'
import { judgeReading, type PointVerdict } from '../outlook/measured'
import { modelOf } from '../outlook/model'
import { targetAt, targetBetween } from '../outlook/outlook'
import { momentAt, namedStates } from '../outlook/states'
import type { Oil } from '../oil/oil'
import type { StateName, Target } from '../targets/targets'
import type { Verdict } from '../quantity/verdict'
import type { PointName } from './points'

/** No pressure by then: shut down, whatever the house says. Seconds after firing. */
export const HARD_LIMIT = 10

/** Target of a point: of its own state where it has one; at fast idle by the line between idle and work. */
export function targetOfPoint(
  sheet: Sheet,
  oil: Oil,
  name: PointName,
  moment: { speed: number; temperature: number },
): Target {
  return name === 'fastIdle'
    ? targetBetween(sheet, oil, moment.speed, moment.temperature)
    : targetAt(sheet, oil, { name, ...moment })
}

/**
 * Judges a steady reading at the first start, at the speed and oil temperature it was taken at, against the target for this build and what the model says.
 *
 * @param oil that it was taken with: as recorded with it, else what is in the engine
 */
export function judgePoint(
  sheet: Sheet,
  name: PointName,
  reading: number,
  speed: number,
  temperature: number,
  samples = 300,
  oil = recorded(sheet, `start.${name}.pressure`)?.oil ?? oilFor(sheet, 'start'),
): PointVerdict {
  const model = modelOf(filledWith(sheet, oil))
  const [expected] = pressureBands(model, [momentAt(model.sheet, speed, temperature)], samples)
  return judgeReading(
    reading,
    targetOfPoint(model.sheet, model.oil, name, { speed, temperature }),
    expected,
    usableSheet(sheet).voids.length > 0,
  )
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
  const state =
    name === 'fastIdle'
      ? { speed: 0.5 * (of('idleCold').speed + of('workingHot').speed), temperature: of('idleHot').temperature }
      : of(name)
  return {
    speed: recorded(sheet, `start.${name}.speed`)?.value ?? state.speed,
    temperature: recorded(sheet, `start.${name}.temperature`)?.value ?? state.temperature,
  }
}

export { GAUGE_ERROR, type PointVerdict } from '../outlook/measured'
