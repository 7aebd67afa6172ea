import { BAND_SIGMAS } from '../quantity/uncertain'
import { prepareEngine, scaleBearings } from '../engine/engine'
import { recorded } from '../engine/values'
import { leftOutOf } from '../engine/inspections'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { oilAt } from '../oil/oil'
import { pressureBands, type Band } from '../outlook/band'
import { gaugePressure, type Model, modelOf } from '../outlook/model'
import { judge, type Verdict } from '../quantity/verdict'
import { primeCeiling } from '../parts/priming'
import { extendForPriming, hoseConductance, type PrimePlan } from './circuit'
import { type PrimeSetUp, primeSetUpOf, turnsPump } from './setUp'

export interface PrimeExpectation extends Band {
  /**
   * Least reading to accept, Pa: under it next to no healthy engine reads, with the gauge's own error and an assumed drill speed allowed for; or the
   * builder's own number, where that is higher.
   */
  least: number
  /** How many times wider than recorded all bearings could be, and this prime not tell. */
  widestHidden: number
  /** What filter and seals may see, Pa: above it stop at once, whatever drives. */
  ceiling: number
  /** Oil that goes into the circuit once it is full, m³/s: what the pump moves, or the hose. */
  flow: number
}

/**
 * What the gauge should read by a way of priming once every passage is full, with the least to accept. With the crank at rest the
 * journals lie on their shells, so leakage is that of ε = 1 and turning carries nothing; under a starter it turns.
 */
export function primeExpectation(
  sheet: Sheet,
  setUp: PrimeSetUp = primeSetUpOf(sheet),
  samples = 300,
): PrimeExpectation {
  const model = primedModel(sheet, setUp)
  const moment = momentOf(model, setUp)
  const [band] = pressureBands(model, [moment], samples)
  // The band leaves the circuit at its last sample.
  gaugePressure(model, moment)
  const { network, flows } = model.engine.circuit
  const flow = flows[network.elements.findIndex(({ id }) => id === (turnsPump(setUp.method) ? 'pump' : 'hose'))]
  const least = Math.max(leastToAccept(model, setUp, band), recorded(model.sheet, 'own.prime')?.value ?? 0)
  return { ...band, least, ceiling: primeCeiling(model.sheet), widestHidden: widestHidden(model, setUp, least), flow }
}

/** How far under the best value next to no healthy prime reads, in standard deviations: 5 of 1,000 may be told not to start. */
const FAR = 2.8
/** What nobody measures of a prime: how far a drill's speed may be from what is usual, and a starter's, share; a gauge's error, Pa, standard deviations. */
const DRILL = 0.12
const STARTER = 0.08
const GAUGE = 7e3

/** Least reading to accept, Pa. */
function leastToAccept(model: Model, setUp: PrimeSetUp, { pressure, low }: Band): number {
  const byModel = (pressure - low) / BAND_SIGMAS
  const assumed = (key: string) => !(key in model.sheet.readings)
  const share =
    setUp.method === 'drill'
      ? assumed('prime.drillSpeed')
        ? DRILL
        : 0.02
      : setUp.method === 'tank'
        ? assumed('prime.tankPressure')
          ? 0.05
          : 0.02
        : assumed('brief.crankingSpeed')
          ? STARTER
          : 0.03
  // What a slower drive really takes off: little while the relief valve is open, much once it is shut.
  const slower: PrimeSetUp = {
    ...setUp,
    drillSpeed: (1 - share) * setUp.drillSpeed,
    crankSpeed: (1 - share) * setUp.crankSpeed,
  }
  const byDrive = turnsPump(setUp.method)
    ? Math.max(0, pressure - gaugePressure(model, momentOf(model, slower)))
    : share * pressure
  return Math.max(0.25 * pressure, pressure - FAR * Math.hypot(byModel, byDrive, GAUGE))
}

/** Factors of clearance that are tried, up to bearings that hold nothing. */
const WIDEST = 6

/** How many times wider than recorded all bearings could be and the gauge still show the least to accept: an open relief valve holds it up. */
function widestHidden(model: Model, setUp: PrimeSetUp, least: number): number {
  const { values } = model
  const recorded = [values.main.clearance, values.rod.clearance]
  const putBack = () => void ([values.main.clearance, values.rod.clearance] = recorded)
  const shows = (factor: number) => {
    scaleBearings(values, factor)
    const holds = gaugePressure(model, momentOf(model, setUp)) >= least
    putBack()
    return holds
  }
  let [hidden, told] = [1, WIDEST]
  if (!shows(WIDEST))
    for (let i = 0; i < 8; i++) {
      const middle = 0.5 * (hidden + told)
      if (shows(middle)) hidden = middle
      else told = middle
    }
  else hidden = WIDEST
  return hidden
}

/** The full circuit with what priming hangs on it; a tank's hose is open. */
function primedModel(sheet: Sheet, setUp: PrimeSetUp): Model {
  const model = modelOf(filledFor(sheet, 'prime'))
  if (turnsPump(setUp.method)) return model
  let plan: PrimePlan | undefined
  const engine = prepareEngine(
    sheet.layout,
    leftOutOf(sheet),
    (circuit) => (plan = extendForPriming(circuit, setUp.port, setUp.antiDrain, sheet.layout.filter)),
  )
  plan!.tank.pressure = setUp.tankPressure
  plan!.hose.conductance = hoseConductance(oilAt(model.oil, setUp.temperature))
  return { ...model, engine }
}

function momentOf(model: Model, setUp: PrimeSetUp) {
  const crank = setUp.method === 'starter' || setUp.method === 'hand' ? setUp.crankSpeed : 0
  const pump = setUp.method === 'drill' ? setUp.drillSpeed : crank * model.values.pump.driveRatio
  return { speed: crank, pumpSpeed: pump, temperature: setUp.temperature, meanPressure: 0 }
}

/** Judges a prime reading: under the least, or over what filter and seals may see, is a stop; above the band is a watch, since cold oil and a stiff valve can do it. */
export function judgePrime(reading: number, expected: PrimeExpectation): Verdict {
  return judge(reading, reading, reading, { least: expected.least, most: expected.ceiling }) === 'stop'
    ? 'stop'
    : reading > expected.high
      ? 'watch'
      : 'pass'
}
