import { prepareEngine } from '../build/engine'
import { leftOutOf } from '../build/inspections'
import type { Sheet } from '../build/schema'
import { oilAt } from '../oil/oil'
import { pressureBands, type Band } from '../outlook/band'
import { gaugePressure, type Model, modelOf } from '../outlook/model'
import { judge, type Verdict } from '../targets/targets'
import { extendForPriming, hoseConductance, type PrimePlan } from './circuit'
import { type PrimeWay, primeWayOf, turnsPump } from './way'

export interface PrimeExpectation extends Band {
  /** Least reading to accept, Pa: the low end of the band. */
  least: number
  /** Oil that goes into the circuit once it is full, m³/s: what the pump moves, or the hose. */
  flow: number
}

/**
 * What the gauge should read by a way of priming once every passage is full, with the least to accept. With the crank at rest the
 * journals lie on their shells, so leakage is that of ε = 1 and turning carries nothing; under a starter it turns.
 */
export function primeExpectation(sheet: Sheet, way: PrimeWay = primeWayOf(sheet), samples = 300): PrimeExpectation {
  const model = primedModel(sheet, way)
  const moment = momentOf(model, way)
  const [band] = pressureBands(model, [moment], samples)
  // The band leaves the circuit at its last sample.
  gaugePressure(model, moment)
  const { network, flows } = model.engine.circuit
  return { ...band, least: Math.max(0, band.low), flow: flows[network.elements.findIndex(({ id }) => id === (turnsPump(way.method) ? 'pump' : 'hose'))] }
}

/** The full circuit with what priming hangs on it; a tank's hose is open. */
function primedModel(sheet: Sheet, way: PrimeWay): Model {
  const model = modelOf(sheet)
  if (turnsPump(way.method)) return model
  let plan: PrimePlan | undefined
  const engine = prepareEngine(sheet.layout, leftOutOf(sheet), (circuit) => (plan = extendForPriming(circuit, way.port, way.antiDrain)))
  plan!.tank.pressure = way.tankPressure
  plan!.hose.conductance = hoseConductance(oilAt(model.oil, way.temperature))
  return { ...model, engine }
}

function momentOf(model: Model, way: PrimeWay) {
  const crank = way.method === 'starter' || way.method === 'hand' ? way.crankSpeed : 0
  const pump = way.method === 'drill' ? way.drillSpeed : crank * model.values.driveRatio
  return { speed: crank, pumpSpeed: pump, temperature: way.temperature, meanPressure: 0 }
}

/** Judges a prime reading: under the least is a stop; above the band is a watch, since cold oil and a stiff valve can do it. */
export function judgePrime(reading: number, expected: PrimeExpectation): Verdict {
  return judge(reading, reading, reading, { least: expected.least, most: Infinity }) === 'stop' ? 'stop' : reading > expected.high ? 'watch' : 'pass'
}
