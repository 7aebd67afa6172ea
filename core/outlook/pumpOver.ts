import { elementOf } from '../parts/circuitBuilder'
import type { BriefField } from '../parts/list'
import type { Running } from '../engine/engine'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { fillShare } from '../pump/fill'
import type { StateName } from '../targets/targets'
import { type Ranged, rangeOf, sampleReadings } from './band'
import { gaugePressure, type Model, modelOf } from './model'
import { powerOf } from './pumpLoad'
import { momentAt, namedStates, speedsOver } from './states'
import { suctionOf } from './suction'

export interface PumpCurve {
  /** °C */
  temperature: number
  /** What goes into the circuit at each speed, slip and filling taken off, m³/s. */
  delivered: number[]
  /** Shaft power at each speed, W. */
  power: number[]
  /** Where such oil is met: at cold idle while it is cold, at working speed once it is hot; rev/s, and what is swept there, m³/s. */
  met: { speed: number; swept: number; delivered: Ranged; power: Ranged }
}

/** A pump at one of the four states. */
export interface PumpAtState {
  name: StateName
  /** m³/s: swept, of that what did not fill since the inlet draws air out of its oil, and what slips back through the gaps. */
  swept: number
  unfilled: number
  slip: number
  delivered: Ranged
  /** W */
  power: Ranged
}

export interface PumpOver {
  /** Crank speed, rev/s, from cranking to the maximum. */
  speeds: number[]
  /** Displacement at each speed, m³/s: what it would deliver without slip. */
  swept: number[]
  cold: PumpCurve
  hot: PumpCurve
}

/** Samples behind each band. */
const SAMPLES = 120

/** The pump's flow into the circuit as it was last solved, m³/s. */
function deliveredOf({ engine: { circuit, plan } }: Model): number {
  return circuit.flows[circuit.network.elements.indexOf(elementOf(plan, 'pump', 'pump'))]
}

/** Delivered and power at a moment with their bands. */
function rangedAt(model: Model, moment: Running): { delivered: Ranged; power: Ranged } {
  const [[, delivered, power]] = sampleReadings(model, [moment], SAMPLES, [
    deliveredOf,
    (solved) => powerOf(solved, moment),
  ])
  return { delivered: rangeOf(delivered), power: rangeOf(power) }
}

/** What the pump of a sheet sweeps, delivers and takes at the four states, in its own circuit. */
export function pumpAtStates(sheet: Sheet): PumpAtState[] {
  const model = modelOf(sheet)
  const { displacement, driveRatio } = model.values.pump
  return namedStates(sheet).map((state) => {
    const swept = displacement * driveRatio * state.speed
    const ranged = rangedAt(model, state)
    gaugePressure(model, state)
    const unfilled = swept * (1 - fillShare(-suctionOf(model)))
    return { name: state.name, swept, unfilled, slip: swept - unfilled - ranged.delivered.best, ...ranged }
  })
}

/** What the pump of a sheet delivers and takes over speed in its own circuit, with cold and with hot oil. */
export function pumpOver(sheet: Sheet, points = 25): PumpOver {
  const model = modelOf(sheet)
  const { engine, values } = model
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const speeds = speedsOver(sheet, points)
  const sweptAt = (speed: number) => values.pump.displacement * values.pump.driveRatio * speed
  const curve = (temperature: number, met: number): PumpCurve => {
    const oil = oilAt(model.oil, temperature)
    const moment = (speed: number) => momentAt(sheet, speed, temperature)
    engine.circuit.reset()
    const solved = speeds.map((speed) => {
      engine.gauge(values, moment(speed), oil)
      return [deliveredOf(model), powerOf(model, moment(speed))]
    })
    return {
      temperature,
      delivered: solved.map(([flow]) => flow),
      power: solved.map(([, watts]) => watts),
      met: { speed: met, swept: sweptAt(met), ...rangedAt(model, moment(met)) },
    }
  }
  return {
    speeds,
    swept: speeds.map(sweptAt),
    cold: curve(of('coldStart'), of('coldIdleSpeed')),
    hot: curve(of('hotOil'), of('workingSpeed')),
  }
}
