import type { BriefField } from '../parts/list'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { STARVES } from '../pump/fill'
import { rangeOf, sampleReadings } from './band'
import { type Model, modelOf, keyed, setInputs } from './model'
import { momentAt, speedsOver } from './states'

/** Suction at the pump's inlet as the circuit was last solved, Pa below the air. */
export function suctionOf({ engine: { circuit } }: Model): number {
  return -circuit.pressures[circuit.indexOf('pump inlet')]
}

export interface SuctionCurve {
  /** °C */
  temperature: number
  /** Suction at the pump's inlet at each speed, Pa below the air. */
  suction: number[]
  /** Where it draws hardest, rev/s and Pa, with 5 and 95 percent. */
  hardest: { speed: number; suction: number; low: number; high: number }
  /** Speed at which the pump starves, rev/s; undefined when it does not up to the maximum. */
  starvesAt?: number
}

export interface SuctionOutlook {
  /** rev/s */
  speeds: number[]
  cold: SuctionCurve
  hot: SuctionCurve
}

/** Samples behind the band where the pump draws hardest. */
const SAMPLES = 120

/**
 * Suction over speed, from cranking to the maximum, with cold and with hot oil, with a share of the screen blocked.
 *
 * @param blocked share of what is open of the screen, 0 to 1
 */
export function suctionOver(sheet: Sheet, blocked = 0, points = 25): SuctionOutlook {
  const model = modelOf(sheet)
  const { engine, values } = model
  setInputs(model, keyed('pickup.screenOpen'), (now) => now * (1 - blocked), 1 - blocked)
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const speeds = speedsOver(sheet, points)
  const curve = (temperature: number): SuctionCurve => {
    const oil = oilAt(model.oil, temperature)
    const moment = (speed: number) => momentAt(sheet, speed, temperature)
    engine.circuit.reset()
    const suction = speeds.map((speed) => {
      engine.gauge(values, moment(speed), oil)
      return suctionOf(model)
    })
    const at = suction.indexOf(Math.max(...suction))
    const { best, low, high } = rangeOf(sampleReadings(model, [moment(speeds[at])], SAMPLES, [suctionOf])[0][1])
    const hardest = { speed: speeds[at], suction: best, low, high }
    const over = suction.findIndex((each) => each > STARVES)
    if (over < 0) return { temperature, suction, hardest }
    if (over === 0) return { temperature, suction, hardest, starvesAt: speeds[0] }
    const share = (STARVES - suction[over - 1]) / (suction[over] - suction[over - 1])
    return { temperature, suction, hardest, starvesAt: speeds[over - 1] + share * (speeds[over] - speeds[over - 1]) }
  }
  return { speeds, cold: curve(of('coldStart')), hot: curve(of('hotOil')) }
}
