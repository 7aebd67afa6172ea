import { filledFor } from '../record/fill'
import { BAND_SIGMAS } from '../quantity/uncertain'
import { normal, seeded } from '../random/random'
import type { Ranged } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { deviation, mean } from '../quantity/mean'
import type { Sheet } from '../record/schema'
import { type PrimeFault, type PrimeRun, primeRun } from './run'
import type { PrimeSetUp } from './setUp'

export interface PrimeTimeline {
  run: PrimeRun
  /** Times, s; undefined where the best values do not get there. */
  pad?: Ranged
  gauge?: Ranged
  pressure?: Ranged
  /** Oil that it takes, what runs out at an open pad among it, m³. */
  oil: Ranged
  /** Share of the samples that primed. */
  chance: number
}

/** Nothing about the lumped rooms is known better than so, as a share of a time or of what they hold. */
const ROOMS = 0.15

/**
 * When oil should be where by a way of priming, with its band: the model marched with its best values and again with samples of its
 * uncertain inputs; the spread of the samples, and of the passages' rooms that nobody measures, as a normal one.
 */
export function primeTimeline(sheet: Sheet, setUp: PrimeSetUp, samples = 8, fault: PrimeFault = {}): PrimeTimeline {
  const model = modelOf(filledFor(sheet, 'prime'))
  const run = primeRun(model, setUp, fault)
  const random = seeded(41)
  const uncertain = model.inputs.filter(({ sigma }) => sigma > 0)
  const runs: PrimeRun[] = []
  for (let s = 0; s < samples; s++) {
    for (const input of uncertain) {
      const value = input.value + Math.max(-2, Math.min(2, normal(random))) * input.sigma
      input.put(model.values, input.value > 0 ? Math.max(0.2 * input.value, value) : value)
    }
    runs.push(primeRun(model, setUp, fault))
  }
  for (const input of uncertain) input.put(model.values, input.value)
  const band = (pick: (run: PrimeRun) => number | undefined): Ranged | undefined => {
    const best = pick(run)
    if (best === undefined) return undefined
    const times = runs.map(pick).filter((time) => time !== undefined)
    // Of a sample, so over one less than its number.
    const spread = deviation(times) * Math.sqrt(times.length / Math.max(1, times.length - 1))
    const half = BAND_SIGMAS * Math.hypot(spread, ROOMS * best)
    return { best, low: Math.max(0, best - half), high: Math.max(best + half, mean(times) + half) }
  }
  return {
    run,
    pad: band(({ timeToPad }) => timeToPad),
    gauge: band(({ timeToGauge }) => timeToGauge),
    pressure: band(({ timeToPressure }) => timeToPressure),
    oil: band(({ used, spilled }) => used + spilled)!,
    chance: samples === 0 ? (run.primed ? 1 : 0) : runs.filter(({ primed }) => primed).length / samples,
  }
}
