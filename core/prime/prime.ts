import type { Sheet } from '../build/schema'
import { requireValue } from '../build/values'
import { pressureBands, type Band } from '../outlook/band'
import { gaugePressure, modelOf } from '../outlook/model'
import { judge, type Verdict } from '../targets/targets'

export interface PrimeExpectation extends Band {
  /** Least reading to accept, Pa: the low end of the band. */
  least: number
  /** Oil the pump moves, m³/s: what must come up the pickup. */
  flow: number
}

/**
 * What the gauge should read when a drill turns the pump in cold oil with the crank at rest and every passage full, with
 * the least to accept. The journals lie on their shells, so leakage is that of ε = 1; turning carries nothing.
 */
export function primeByDrill(sheet: Sheet, samples = 300): PrimeExpectation {
  const model = modelOf(sheet)
  const moment = {
    speed: 0, pumpSpeed: requireValue(sheet, 'prime.drillSpeed').value,
    temperature: requireValue(sheet, 'prime.oilTemperature').value, meanPressure: 0,
  }
  const [band] = pressureBands(model, [moment], samples)
  // The band leaves the circuit at its last sample.
  gaugePressure(model, moment)
  const { network, flows } = model.engine.circuit
  return { ...band, least: band.low, flow: flows[network.elements.findIndex((element) => element.id === 'pump')] }
}

/** Judges a prime reading: under the least is a stop; above the band is a watch, since cold oil and a stiff valve can do it. */
export function judgePrime(reading: number, expected: PrimeExpectation): Verdict {
  return judge(reading, reading, reading, { least: expected.least, most: Infinity }) === 'stop' ? 'stop' : reading > expected.high ? 'watch' : 'pass'
}
