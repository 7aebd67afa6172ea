import { scaleBearings } from '../engine/engine'
import type { ModelInput } from '../engine/inputs'
import type { ReadingKey } from '../parts/list'
import type { EngineValues } from '../parts/list'
import { oilAt } from '../oil/oil'
import { varianceShares } from '../outlook/band'
import { isClearance, type Model } from '../outlook/model'
import { momentAt } from '../outlook/states'
import { freeLengthFor, openingPressure, plungerArea, type ReliefValve } from '../relief/valve'

export const PARAMETERS = ['clearance', 'relief', 'slip', 'sender'] as const
export type Parameter = (typeof PARAMETERS)[number]

/** Least that a model of bearings can be trusted before it has seen its engine: who calibrates has a gauge that departs from the record, by a third at times; sender offset by its class, Pa. */
const CLEARANCE_SIGMA = 0.2
const SLIP_SIGMA = 0.3
const SENDER_SIGMA = 10e3
/** Inputs that the four stand for: clearances, the spring, the pump's gaps. */
const SPRING: ReadingKey[] = ['relief.springRate', 'relief.freeLength', 'relief.installedLength']
const GAPS: ReadingKey[] = ['pump.endClearance', 'pump.tipClearance']
const isOneOf =
  (keys: string[]) =>
  ({ key }: ModelInput): boolean =>
    keys.includes(key)
const isFitted = (input: ModelInput) => isClearance(input) || isOneOf([...SPRING, ...GAPS])(input)

export interface Prior {
  value: number
  sigma: number
}

/** A model to be fitted: the four, then every other uncertain input, all in units of their own uncertainty. */
export interface Fit {
  size: number
  prior: Prior[]
  /** The four in their own units. */
  own: (z: number[]) => number[]
  /** What the sender would show, Pa. */
  pressure: (z: number[], moment: { speed: number; temperature: number }) => number
}

/** @param moments at which it will be fitted: what hardly moves the gauge at any of them is left as it is */
export function prepareFit(model: Model, moments: { speed: number; temperature: number }[]): Fit {
  const prior = priors(model)
  const rest = tellingInputs(model, moments)
  const own = (z: number[]) => prior.map(({ value, sigma }, k) => value + sigma * z[k])
  return {
    size: prior.length + rest.length,
    prior,
    own,
    pressure: (z, { speed, temperature }) => {
      rest.forEach((input, k) => {
        const value = input.value + input.sigma * z[prior.length + k]
        input.put(model.values, input.value > 0 ? Math.max(0.05 * input.value, value) : value)
      })
      const four = own(z)
      const running = momentAt(model.sheet, speed, temperature)
      const pressure = model.engine.gauge(changed(model.values, four), running, oilAt(model.oil, temperature), 1e-9)
      for (const input of rest) input.put(model.values, input.value)
      return Math.max(0, pressure) + four[3]
    },
  }
}

/** Share of the gauge's variance that may be left out of a fit, all that hardly moves it together. */
const LEFT_OUT = 0.002

/** Uncertain inputs beside the four, without those that together move the gauge next to nowhere at these moments. */
function tellingInputs(model: Model, moments: { speed: number; temperature: number }[]): ModelInput[] {
  const running = moments.map(({ speed, temperature }) => momentAt(model.sheet, speed, temperature))
  const shares = running.map((moment) => new Map(varianceShares(model, moment).map(({ key, share }) => [key, share])))
  const most = (input: ModelInput) => Math.max(...shares.map((of) => of.get(input.key) ?? 0))
  const rest = model.inputs
    .filter((input) => input.sigma > 0 && !isFitted(input))
    .map((input) => ({ input, share: most(input) }))
    .sort((a, b) => a.share - b.share)
  let sum = 0
  return rest.filter(({ share }) => (sum += share) > LEFT_OUT).map(({ input }) => input)
}

/** What is known of each before the engine ran, by the uncertainty of what was recorded. */
function priors({ inputs, values }: Model): Prior[] {
  const clearances = inputs.filter(isClearance)
  const share =
    clearances.reduce((sum, { sigma, value }) => sum + (sigma / value) ** 2, 0) / Math.max(1, clearances.length)
  // Assumed together they are wrong together; measured each by itself they even out.
  const common = Math.sqrt(share / Math.max(1, clearances.length))
  const opening = openingPressure(values.relief)
  const spring = inputs.filter(isOneOf(SPRING))
  const relief = Math.sqrt(
    spring.reduce(
      (sum, { key, sigma }) =>
        sum +
        (key === 'relief.springRate'
          ? (opening * sigma) / values.relief.springRate
          : (values.relief.springRate * sigma) / plungerArea(values.relief.plungerDiameter)) **
          2,
      0,
    ),
  )
  return [
    { value: 1, sigma: Math.max(CLEARANCE_SIGMA, common) },
    { value: 0, sigma: Math.max(0.03 * opening, relief) },
    { value: 1, sigma: SLIP_SIGMA },
    { value: 0, sigma: SENDER_SIGMA },
  ]
}

/** The engine's numbers with the four changed. */
function changed(values: EngineValues, [clearance, relief, slip]: number[]): EngineValues {
  const next = {
    ...values,
    relief: opensHigher(values.relief, relief),
    main: { ...values.main },
    rod: { ...values.rod },
    pump: {
      ...values.pump,
      endClearance: values.pump.endClearance * Math.cbrt(Math.max(0.05, slip)),
      tipClearance: values.pump.tipClearance * Math.cbrt(Math.max(0.05, slip)),
    },
  }
  scaleBearings(next, Math.max(0.2, clearance))
  return next
}

/** A valve that opens by so much more: longer preload, as by a shim. */
function opensHigher<V extends ReliefValve>(valve: V, pressure: number): V {
  return { ...valve, freeLength: freeLengthFor(valve, openingPressure(valve) + pressure) }
}
