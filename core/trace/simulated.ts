import { prepareEngine, type Running } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import { oilAt } from '../oil/oil'
import { samplePressures } from '../outlook/band'
import { type Model, modelOf } from '../outlook/model'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { normal, seeded } from '../random/random'
import type { EngineValues } from '../parts/list'
import { withAir } from './drawn'
import { canHave, faultOf } from '../engine/faults'
import { CAUSES } from './priors'
import type { Cause } from './vocabulary'

/** Engines that are drawn of a record, and how bad each fault is in them. */
const SAMPLES = 240
const SEVERITIES = [0.05, 0.2, 0.35, 0.49, 0.51, 0.65, 0.8, 0.95]
/** How bad those are whose part says less of it: holes that draw air, m; how much stiffer a valve is than its spring that sticks shut, or has the wrong one. */
const HOW_BAD: Partial<Record<Cause, number[]>> = {
  'pickup-air': [0.2e-3, 0.4e-3, 0.7e-3, 1.1e-3, 1.6e-3, 2.5e-3],
  'cover-leak': [0.2e-3, 0.35e-3, 0.6e-3, 0.9e-3, 1.3e-3, 2e-3],
  'relief-shut': [1.3, 1.6, 2, 2.6, 3.5, 6, 15, 50],
}
/** A fault's effect is known no better than so, of its logarithm. */
const EFFECT_SPREAD = 0.1
/** A fault leaves at least this share of the pressure, so that a share can be taken of it. */
const LEAST = 2e-3
/** And at most so many times the sound engine's. */
const MOST = 20
/** Shares of the pressure that a pickup leaves that comes out of the oil, from just felt to none. */
const UNCOVERED = [0.95, 0.7, 0.4, 0.15, 0.03, LEAST]
/** Nothing passes at all. */
const NOTHING = new Set<Cause>(['no-oil', 'undriven', 'wrong-way'])

/** Gauge pressures that an engine of a record may show at several moments, by cause. */
export interface Simulated {
  moments: Running[]
  samples: number
  causes: Cause[]
  /** Pa: one moment's of all samples after the other's. */
  pressures: Record<Cause, Float64Array>
  /** The same engines with nothing wrong, at best values, Pa by moment; and with each cause at each of its severities. */
  expected: Record<Cause, number[][]>
}

/** Causes that an engine of a layout can have. */
export const causesOf = (sheet: Sheet): Cause[] =>
  CAUSES.filter((cause) => cause === 'by-design' || canHave(cause, sheet.layout))

/**
 * Simulates an engine at several moments with each cause: engines drawn of the record as its bands are, each fault by its own
 * change to the circuit at several severities, as a share of what the sound engine shows.
 *
 * @param progress told the share that is done; what it throws ends it
 */
export function simulate(recorded: Sheet, moments: Running[], progress?: (share: number) => void): Simulated {
  const sheet = filledFor(recorded, 'start')
  const model = modelOf(sheet)
  const drawn = samplePressures(model, moments, SAMPLES)
  const causes = causesOf(sheet)
  const random = seeded(77)
  const places = Array.from({ length: SAMPLES }, (_, s) => (s + random()) / SAMPLES)
  const noise = places.map(() => EFFECT_SPREAD * normal(random))
  shuffle(places, random)
  const pressures = {} as Simulated['pressures']
  const expected = {} as Simulated['expected']
  causes.forEach((cause, done) => {
    progress?.(done / causes.length)
    const shares = sharesOf(
      model,
      cause,
      moments,
      drawn.map(({ best }) => best),
    )
    expected[cause] = shares.map((of) => of.map((share, m) => share * drawn[m].best))
    const all = (pressures[cause] = new Float64Array(moments.length * SAMPLES))
    for (let m = 0; m < moments.length; m++)
      for (let s = 0; s < SAMPLES; s++) {
        const share = shares[Math.min(shares.length - 1, Math.floor(places[s] * shares.length))][m]
        all[m * SAMPLES + s] = Math.max(0, drawn[m].drawn[s]) * share * (cause === 'by-design' ? 1 : Math.exp(noise[s]))
      }
  })
  progress?.(1)
  return { moments, samples: SAMPLES, causes, pressures, expected }
}

function shuffle(values: number[], random: () => number): void {
  for (let i = values.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    ;[values[i], values[j]] = [values[j], values[i]]
  }
}

/** Gauge pressure at each moment with a cause, Pa, from its mildest to its worst. */
export const causePressures = (model: Model, cause: Cause, moments: Running[], sound: number[]): number[][] =>
  sharesOf(model, cause, moments, sound).map((of) => of.map((share, m) => (share <= LEAST ? 0 : share * sound[m])))

/** What a cause leaves of the gauge's pressure at each moment, by its severities. */
function sharesOf(model: Model, cause: Cause, moments: Running[], sound: number[]): number[][] {
  if (cause === 'by-design') return [moments.map(() => 1)]
  if (NOTHING.has(cause)) return [moments.map(() => LEAST)]
  if (cause === 'uncovered') return UNCOVERED.map((share) => moments.map(() => share))
  const own = HOW_BAD[cause]
  return (own ?? SEVERITIES).map((each, i, all) =>
    pressuresWith(model, cause, own ? (i + 0.5) / all.length : each, moments, own?.[i]).map((pressure, m) =>
      Math.max(LEAST, Math.min(MOST, pressure / Math.max(1, sound[m]))),
    ),
  )
}

/** Gauge pressures at best values with a fault, Pa. */
function pressuresWith(
  model: Model,
  cause: Exclude<Cause, 'by-design'>,
  severity: number,
  moments: Running[],
  own?: number,
): number[] {
  const { sheet } = model
  const fault = faultOf(cause, sheet.layout, severity)
  const values = structuredClone(model.values)
  if (cause === 'relief-shut') stiffen(values, own!)
  else fault.change?.(values)
  const engine = fault.leftOut ? prepareEngine(sheet.layout, [...leftOutOf(sheet), ...fault.leftOut]) : model.engine
  engine.circuit.reset()
  return moments.map((moment) => {
    const oil = oilAt(model.oil, moment.temperature)
    if (fault.airLeak !== undefined) return withAir(engine, values, own!, moment, oil)
    return Math.max(0, engine.gauge(values, moment, oil, 1e-5) * (fault.sender ?? 1))
  })
}

/** Both valves, or the other would hide it. */
function stiffen(values: EngineValues, factor: number): void {
  for (const valve of [values.relief, values.relief2]) if (valve) valve.springRate *= factor
}
