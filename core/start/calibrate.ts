import { scaleBearings } from '../engine/engine'
import type { ModelInput } from '../engine/inputs'
import type { ReadingKey } from '../parts/list'
import type { EngineValues } from '../parts/list'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix'
import type { Sheet } from '../record/schema'
import { oilAt } from '../oil/oil'
import { type Band, pressureBands, quantile } from '../outlook/band'
import { isClearance, type Model, modelOf } from '../outlook/model'
import { momentAt, namedStates, STATE_LABELS } from '../outlook/states'
import { normal, seeded } from '../random/random'
import { freeLengthFor, openingPressure, plungerArea, type ReliefValve } from '../relief/valve'
import type { StateName } from '../targets/targets'
import { POINT_NAMES } from './points'

/** A steady reading that the model is fitted to. SI, °C. */
export interface Observation {
  speed: number
  temperature: number
  pressure: number
}

export const PARAMETERS = ['clearance', 'relief', 'slip', 'sender'] as const
export type Parameter = (typeof PARAMETERS)[number]

export interface Fitted {
  parameter: Parameter
  words: string
  /** Clearance and slip as factors, relief and sender in Pa. */
  value: number
  sigma: number
  /** What was known of it before. */
  prior: { value: number; sigma: number }
  /** How much the readings said: `told` where they halve what was uncertain. */
  told: 'told' | 'partly' | 'not'
}

export interface Calibration {
  fitted: Fitted[]
  /** Pairs that these readings cannot tell apart. */
  together: [Parameter, Parameter][]
  /** What the readings leave unexplained, Pa. */
  residuals: number[]
  /** Each named state as it was predicted and as it is now. */
  states: { name: StateName; label: string; before: Band; after: Band }[]
}

const WORDS: Record<Parameter, string> = {
  clearance: 'bearing clearances',
  relief: 'relief opening',
  slip: 'pump slip',
  sender: 'sender or gauge offset',
}
/** Least that a model of bearings can be trusted before it has seen its engine; sender offset by its class, Pa. */
const CLEARANCE_SIGMA = 0.1
const SLIP_SIGMA = 0.3
const SENDER_SIGMA = 10e3
/** Error of a steady reading: the gauge's own, Pa, and the model's, share. */
const READING = 6e3
const MODEL = 0.02
/** Correlation above which two are not told apart. */
const TOGETHER = 0.85
const SAMPLES = 200
/** Inputs that the four stand for: clearances, the spring, the pump's gaps. */
const SPRING: ReadingKey[] = ['relief.springRate', 'relief.freeLength', 'relief.installedLength']
const GAPS: ReadingKey[] = ['pump.endClearance', 'pump.tipClearance']
const isOneOf =
  (keys: string[]) =>
  ({ key }: ModelInput): boolean =>
    keys.includes(key)
const isFitted = (input: ModelInput) => isClearance(input) || isOneOf([...SPRING, ...GAPS])(input)

/** Steady readings that a sheet holds of its first start. */
export function observationsOf(sheet: Sheet): Observation[] {
  return POINT_NAMES.flatMap((name) => {
    const [pressure, speed, temperature] = ['pressure', 'speed', 'temperature'].map(
      (field) => sheet.readings[`start.${name}.${field}`]?.value,
    )
    return pressure === undefined || speed === undefined || temperature === undefined
      ? []
      : [{ pressure, speed, temperature }]
  })
}

/**
 * What steady readings say about the engine: the clearance scale of mains and rods, the relief's opening, the pump's slip and
 * the sender's offset that fit them best, each held to what was known before by its prior, with what they leave uncertain and
 * what they cannot tell apart; and every named state predicted anew. Everything else that is uncertain is fitted beside
 * them, held by its own prior, so that what could as well be the oil or a jet is not laid to the bearings.
 *
 * Least squares with priors as further observations (maximum a posteriori) by Levenberg and Marquardt; the covariance is (Jᵀ J)⁻¹ of the
 * weighted residuals at the solution. Source: Tarantola, Inverse Problem Theory (2005), ch. 3; Gavin, The Levenberg–Marquardt algorithm (2020).
 *
 * @throws RangeError without any reading
 */
export function calibrate(sheet: Sheet, observations: Observation[], samples = SAMPLES): Calibration {
  if (observations.length === 0) throw new RangeError('observations: at least one steady reading is needed')
  const model = modelOf(sheet)
  const fit = prepareFit(model)
  const weights = observations.map(({ pressure }) => 1 / Math.hypot(READING, MODEL * pressure))
  const residual = (z: number[], row: number) => {
    if (row >= observations.length) return z[row - observations.length]
    const { speed, temperature, pressure } = observations[row]
    return (fit.pressure(z, { speed, temperature }) - pressure) * weights[row]
  }
  const rows = observations.length + fit.size
  const { parameterValues: z } = levenbergMarquardt(
    { x: Array.from({ length: rows }, (_, i) => i), y: new Array<number>(rows).fill(0) },
    (at) => (row) => residual(at, row),
    {
      initialValues: new Array<number>(fit.size).fill(0),
      gradientDifference: 0.05,
      centralDifference: true,
      damping: 0.1,
      maxIterations: 25,
      errorTolerance: 1e-8,
      minValues: new Array<number>(fit.size).fill(-4),
      maxValues: new Array<number>(fit.size).fill(12),
    },
  )
  const jacobian = Matrix.zeros(rows, fit.size)
  const step = 0.05
  for (let k = 0; k < fit.size; k++) {
    const moved = (by: number) => z.map((each, i) => (i === k ? each + by : each))
    for (let row = 0; row < rows; row++)
      jacobian.set(row, k, (residual(moved(step), row) - residual(moved(-step), row)) / (2 * step))
  }
  const inverted = inverse(jacobian.transpose().mmul(jacobian))
  // Symmetric but for its last figures, and then wholly.
  const covariance = Matrix.add(inverted, inverted.transpose()).mul(0.5)
  const sigma = (k: number) => Math.sqrt(covariance.get(k, k))
  const together: [Parameter, Parameter][] = []
  for (let i = 0; i < PARAMETERS.length; i++)
    for (let k = i + 1; k < PARAMETERS.length; k++)
      if (Math.abs(covariance.get(i, k)) > TOGETHER * sigma(i) * sigma(k)) together.push([PARAMETERS[i], PARAMETERS[k]])
  return {
    together,
    residuals: observations.map(({ pressure, ...moment }) => pressure - fit.pressure(z, moment)),
    fitted: PARAMETERS.map((parameter, k) => ({
      parameter,
      words: WORDS[parameter],
      value: fit.own(z)[k],
      sigma: sigma(k) * fit.prior[k].sigma,
      prior: fit.prior[k],
      told: sigma(k) < 0.5 ? 'told' : sigma(k) < 0.85 ? 'partly' : 'not',
    })),
    states: statesAfter(model, fit, z, covariance, samples),
  }
}

interface Prior {
  value: number
  sigma: number
}

/** A model to be fitted: the four, then every other uncertain input, all in units of their own uncertainty. */
interface Fit {
  size: number
  prior: Prior[]
  /** The four in their own units. */
  own: (z: number[]) => number[]
  /** What the sender would show, Pa. */
  pressure: (z: number[], moment: { speed: number; temperature: number }) => number
}

function prepareFit(model: Model): Fit {
  const prior = priors(model)
  const rest = model.inputs.filter((input) => input.sigma > 0 && !isFitted(input))
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
function opensHigher(valve: ReliefValve, pressure: number): ReliefValve {
  return { ...valve, freeLength: freeLengthFor(valve, openingPressure(valve) + pressure) }
}

/** Every named state before and after: drawn from what was known, and from what is left uncertain. The gauge port's own pressure, without the sender's offset. */
function statesAfter(model: Model, fit: Fit, z: number[], covariance: Matrix, samples: number): Calibration['states'] {
  const root = new CholeskyDecomposition(covariance).lowerTriangularMatrix
  const at = (place: number[], state: { speed: number; temperature: number }) =>
    Math.max(0, fit.pressure(place, state) - fit.own(place)[3])
  return namedStates(model.sheet).map((state) => {
    const random = seeded(31)
    const told = Float64Array.from({ length: samples }, () => {
      const deviates = z.map(() => normal(random))
      return at(
        z.map((each, k) => each + deviates.reduce((sum, deviate, j) => sum + root.get(k, j) * deviate, 0)),
        state,
      )
    }).sort()
    const after = at(z, state)
    const [before] = pressureBands(model, [state], samples)
    return {
      name: state.name,
      label: STATE_LABELS[state.name],
      before,
      after: {
        pressure: after,
        low: Math.min(after, quantile(told, 0.05)),
        high: Math.max(after, quantile(told, 0.95)),
      },
    }
  })
}
