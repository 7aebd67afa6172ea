import type { Sheet } from '../build/schema'
import { requireValue } from '../build/values'
import { gaugePressure, modelOf } from './model'
import { flowStartPressure } from '../relief/valve'
import { targetAt } from './outlook'

export interface PressureCurve {
  /** °C */
  temperature: number
  /** Gauge pressure at each speed, Pa. */
  pressures: number[]
}

export interface PressureCurves {
  /** rev/s */
  speeds: number[]
  curves: PressureCurve[]
  /** Least pressure wanted at each speed with hot oil, Pa. */
  least: number[]
  /** Where the pump-side relief valve begins to pass oil, Pa. */
  reliefOpens: number
}

/** Gauge pressure over speed, from cranking to the maximum, at cold, middling and hot oil. */
export function pressureCurves(sheet: Sheet, points = 32): PressureCurves {
  const model = modelOf(sheet)
  const from = requireValue(sheet, 'brief.crankingSpeed').value
  const to = requireValue(sheet, 'brief.maximumSpeed').value
  const cold = requireValue(sheet, 'brief.coldStart').value
  const hot = requireValue(sheet, 'brief.hotOil').value
  const speeds = Array.from({ length: points }, (_, i) => from + ((to - from) * i) / (points - 1))
  const curves = [cold, 0.5 * (cold + hot), hot].map((temperature) => ({
    temperature,
    pressures: speeds.map((speed) => gaugePressure(model, { speed, temperature, meanPressure: 0.8e6 })),
  }))
  const idle = requireValue(sheet, 'brief.idleSpeed').value
  const least = speeds.map((speed) => targetAt(sheet, model.oil, { name: speed <= idle ? 'idleHot' : 'workingHot', speed, temperature: hot }).least)
  return { speeds, curves, least, reliefOpens: flowStartPressure(model.values.relief) }
}
