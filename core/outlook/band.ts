import type { Running } from '../engine/engine'
import { normal, seeded } from '../random/random'
import type { ModelInput } from '../engine/inputs'
import { oilAt } from '../oil/oil'
import { gaugePressure, type Model } from './model'
import { narrowingOf } from './narrowed'
import { prepareStarts } from './starts'

export interface Band {
  /** With every input at its best value, Pa. */
  pressure: number
  /** 5 and 95 percent, Pa. */
  low: number
  high: number
}

/** Balance asked of a sample: a band is not read to the tenth figure. */
const SAMPLE_AIM = 1e-4
/** And of each side of a slope, which is taken over half a standard uncertainty. */
const SLOPE_AIM = 1e-7

/** Samples for each input from which on a solution more for each input saves time. */
const MANY = 4

/** Any figure of the model with 5 and 95 percent, in its own unit. */
export interface Ranged {
  best: number
  low: number
  high: number
}

/** Uncertain inputs of a model, and for each sample what is drawn of each, in its standard uncertainties: cut at three, and narrowed by experience. */
export interface Draws {
  uncertain: ModelInput[]
  /** By sample, then input. */
  deviates: Float64Array
  /** Makes of slopes along the inputs those along what is drawn. */
  narrow: (slopes: Float64Array) => void
}

/** Draws samples of a model's inputs, the same for the same seed. */
export function drawInputs({ inputs, sheet }: Model, samples: number, seed = 20): Draws {
  const uncertain = inputs.filter((input) => input.sigma > 0)
  const drawn = deviatesOf(seed, samples * uncertain.length)
  const narrow = narrowingOf(sheet, uncertain)
  if (!narrow) return { uncertain, deviates: drawn, narrow: () => undefined }
  const deviates = drawn.slice()
  for (let s = 0; s < samples; s++) narrow(deviates.subarray(s * uncertain.length, (s + 1) * uncertain.length))
  return { uncertain, deviates, narrow }
}

let last: { seed: number; deviates: Float64Array } | undefined

/** So many normal deviates of a seed, cut at three; the last seed's are kept, since every prediction draws the same. */
function deviatesOf(seed: number, count: number): Float64Array {
  if (last?.seed !== seed || last.deviates.length < count) {
    const random = seeded(seed)
    const deviates = new Float64Array(count)
    for (let i = 0; i < count; i++) deviates[i] = Math.max(-3, Math.min(3, normal(random)))
    last = { seed, deviates }
  }
  return last.deviates.subarray(0, count)
}

/** A reading with every input at its best value, and of each sample. */
export interface Sampled {
  best: number
  drawn: Float64Array
}

/**
 * Gauge pressures at several moments, Pa, and after each what else is read of the same solution, by seeded Monte Carlo over all inputs
 * at once: each sample draws every input from its normal distribution, kept above a twentieth of its value.
 * Every moment is asked of the same draws, so that sample s of one and of another is the same engine. Each solution starts from the last at its
 * moment or, where they are many, from the straight line of `prepareStarts`.
 * Source: JCGM 101:2008, Propagation of distributions using a Monte Carlo method.
 *
 * @param also what else is read of the solved circuit
 * @returns for each moment the gauge pressure, then the others in their order
 */
export function sampleReadings(
  model: Model,
  moments: Running[],
  samples: number,
  also: ((model: Model) => number)[],
  { uncertain, deviates } = drawInputs(model, samples),
): Sampled[][] {
  const own = Float64Array.from(uncertain, ({ value }) => value)
  const sigmas = Float64Array.from(uncertain, ({ sigma }) => sigma)
  const puts = uncertain.map(({ put }) => put)
  const { circuit } = model.engine
  const asked = moments.map((moment) => {
    // From the same start each time, so that the same sheet gives the same figures to the last.
    circuit.reset()
    const oil = oilAt(model.oil, moment.temperature)
    const solved = (aim?: number) => model.engine.gauge(model.values, moment, oil, aim)
    const found = [solved(), ...also.map((of) => of(model))].map((best): Sampled => ({
      best,
      drawn: new Float64Array(samples),
    }))
    const last = circuit.pressures.slice()
    const line = samples > MANY * own.length ? prepareStarts(model, uncertain, () => solved(SAMPLE_AIM)) : undefined
    return { solved, found, last, line }
  })
  for (let s = 0, d = 0; s < samples; s++) {
    for (let i = 0; i < own.length; i++, d++) {
      const value = own[i] + deviates[d] * sigmas[i]
      puts[i](model.values, own[i] > 0 ? Math.max(0.05 * own[i], value) : value)
    }
    for (const { solved, found, last, line } of asked) {
      if (line) line(deviates, s)
      else circuit.pressures.set(last)
      found[0].drawn[s] = solved(SAMPLE_AIM)
      for (let r = 0; r < also.length; r++) found[r + 1].drawn[s] = also[r](model)
      if (!line) last.set(circuit.pressures)
    }
  }
  for (const input of uncertain) input.put(model.values, input.value)
  return asked.map(({ found }) => found)
}

/** Gauge pressures alone, by `sampleReadings`. */
export function samplePressures(model: Model, moments: Running[], samples: number): Sampled[] {
  return sampleReadings(model, moments, samples, []).map(([gauge]) => gauge)
}

/** Bands of the gauge pressure at several moments, by `samplePressures`. */
export function pressureBands(model: Model, moments: Running[], samples: number): Band[] {
  return samplePressures(model, moments, samples).map(bandOf)
}

/** The band of a gauge pressure that was sampled. */
export function bandOf(sampled: Sampled): Band {
  const { best, low, high } = rangeOf(sampled)
  return { pressure: best, low, high }
}

/** What was sampled with its 5 and 95 percent; its best value lies between. */
export function rangeOf({ best, drawn }: Sampled): Ranged {
  const sorted = drawn.slice().sort()
  return { best, low: Math.min(best, quantile(sorted, 0.05)), high: Math.max(best, quantile(sorted, 0.95)) }
}

/**
 * Quantile of a distribution by its sorted samples: place p (n + 1), linear between neighbours, so that between 5 and 95 percent lie nine
 * tenths of what is still to come and not only of what was drawn.
 * Source: Hyndman & Fan, Sample Quantiles in Statistical Packages, The American Statistician 50 (1996), type 6.
 */
export function quantile(sorted: Float64Array, share: number): number {
  const place = Math.max(0, Math.min(sorted.length - 1, share * (sorted.length + 1) - 1))
  const below = Math.floor(place)
  const above = Math.min(sorted.length - 1, below + 1)
  return sorted[below] + (place - below) * (sorted[above] - sorted[below])
}

export interface Share {
  key: string
  label: string
  /** Share of the band's variance that this input causes, 0 to 1. */
  share: number
  /** Change of pressure for one standard uncertainty, Pa. */
  effect: number
  assumed: boolean
}

/**
 * What causes the band at a moment: each input's variance, by its slope (half a sigma each way) and sigma, over the sum; inputs that experience knows together
 * share their covariance evenly.
 * Source: GUM, JCGM 100:2008, 5.1.2 and 5.2.2.
 */
export function varianceShares(model: Model, moment: Running): Share[] {
  const uncertain = model.inputs.filter((input) => input.sigma > 0)
  const effects = uncertain.map((input) => {
    const half = Math.min(0.5 * input.sigma, input.value > 0 ? 0.45 * input.value : Infinity)
    input.put(model.values, input.value + half)
    const up = gaugePressure(model, moment, SLOPE_AIM)
    input.put(model.values, input.value - half)
    const down = gaugePressure(model, moment, SLOPE_AIM)
    input.put(model.values, input.value)
    return { input, effect: ((up - down) / (2 * half)) * input.sigma }
  })
  // Slope times its covariance with the whole, which is its own variance where inputs are drawn each for itself.
  const told = Float64Array.from(effects, ({ effect }) => effect)
  const narrow = narrowingOf(model.sheet, uncertain)
  narrow?.(told)
  narrow?.(told)
  const parts = effects.map(({ effect }, i) => Math.max(0, effect * told[i]))
  const sum = parts.reduce((total, part) => total + part, 0) || 1
  return effects
    .map(({ input, effect }, i) => ({
      key: input.key,
      label: input.label,
      effect,
      share: parts[i] / sum,
      assumed: input.source === 'layout' || input.source === 'computed',
    }))
    .sort((a, b) => b.share - a.share)
}
