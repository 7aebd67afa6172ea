import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { pressureBands } from './band'
import { gaugePressure, modelOf } from './model'
import { flowStartPressure } from '../relief/valve'
import { targetAt, targetBetween } from './outlook'
import { momentAt, speedsOver } from './states'

export interface PressureCurve {
  /** °C */
  temperature: number
  /** Gauge pressure at each speed, Pa. */
  pressures: number[]
  /** Band at a few of the speeds, rev/s and Pa. */
  band: { speed: number; low: number; high: number }[]
}

export interface PressureCurves {
  /** rev/s */
  speeds: number[]
  curves: PressureCurve[]
  /** Least pressure wanted at each speed with hot oil, Pa. */
  least: number[]
  /** Most that is to be seen, hot at work, Pa. */
  most: number
  /** Where the pump-side relief valve begins to pass oil, Pa. */
  reliefOpens: number
}

/** Samples behind each band of the chart. */
const BAND_SAMPLES = 60

/** Gauge pressure over speed, from cranking to the maximum, at cold, middling and hot oil. */
export function pressureCurves(sheet: Sheet, points = 32): PressureCurves {
  const model = modelOf(sheet)
  const cold = requireValue(sheet, 'brief.coldStart').value
  const hot = requireValue(sheet, 'brief.hotOil').value
  const speeds = speedsOver(sheet, points)
  const few = speeds.filter((_, i) => i % 3 === 0 || i === points - 1)
  const curves = [cold, 0.5 * (cold + hot), hot].map((temperature) => ({
    temperature,
    pressures: speeds.map((speed) => gaugePressure(model, momentAt(sheet, speed, temperature))),
    band: pressureBands(
      model,
      few.map((speed) => momentAt(sheet, speed, temperature)),
      BAND_SAMPLES,
    ).map(({ low, high }, i) => ({ speed: few[i], low, high })),
  }))
  const least = speeds.map((speed) => targetBetween(sheet, model.oil, speed, hot).least)
  const { most } = targetAt(sheet, model.oil, {
    name: 'workingHot',
    speed: requireValue(sheet, 'brief.workingSpeed').value,
    temperature: hot,
  })
  return { speeds, curves, least, most, reliefOpens: flowStartPressure(model.values.relief) }
}
