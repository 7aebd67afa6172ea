import type { Running } from '../engine/engine'
import { oilAt } from '../oil/oil'
import { STARVES } from '../pump/fill'
import { shaftPower } from '../pump/power'
import { type Ranged, rangeOf, sampleReadings } from './band'
import type { Model } from './model'
import { momentAt } from './states'
import { suctionOf } from './suction'

/** Samples behind a band in a comparison. */
const SAMPLES = 40

export interface PumpLoad {
  /** Shaft power, W. */
  power: Ranged
  /** Suction at the pump's inlet, Pa below the air. */
  suction: Ranged
  starves: boolean
}

/** Shaft power that the pump takes at a moment that the circuit was last solved for, W. */
export function powerOf({ engine: { circuit }, values, oil }: Model, { speed, temperature }: Running): number {
  const rise = circuit.pressures[circuit.indexOf('pump outlet')] - circuit.pressures[circuit.indexOf('pump inlet')]
  return shaftPower(
    rise,
    values.pump,
    speed * values.pump.driveRatio,
    oilAt(oil, temperature).filmViscosity * values.model.viscosity,
  )
}

/** What the pump draws and takes at a crank speed, rev/s, in oil of a temperature, °C. */
export function pumpLoad(model: Model, speed: number, temperature: number): PumpLoad {
  const moment = momentAt(model.sheet, speed, temperature)
  const [[, drawn, taken]] = sampleReadings(model, [moment], SAMPLES, [suctionOf, (solved) => powerOf(solved, moment)])
  const suction = rangeOf(drawn)
  return { power: rangeOf(taken), suction, starves: suction.best > STARVES }
}
