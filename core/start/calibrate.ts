import { recorded } from '../engine/values'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix'
import { filledWith, oilFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { type Band, pressureBands, quantile } from '../outlook/band'
import { type Model, modelOf } from '../outlook/model'
import { momentAt, namedStates, STATE_LABELS } from '../outlook/states'
import { oilAt } from '../oil/oil'
import { normal, seeded } from '../random/random'
import type { StateName } from '../targets/targets'
import { POINT_NAMES } from './points'
import { type Fit, type Parameter, PARAMETERS, prepareFit } from './fit'
import { type Suspect, suspectsOf } from './suspects'

/** A fit that would need what cannot be: by how much, and what is wrong instead. */
export interface FitFailure {
  /** Sum of squares of what the readings leave unexplained and of how far everything had to be bent, in standard uncertainties, and the most that chance makes of it. */
  misfit: number
  most: number
  /** Those of the four that would have to be further off than three of their uncertainties. */
  impossible: Parameter[]
  /** Faults that make such readings, likeliest first. */
  faults: Suspect[]
}

/** A steady reading that the model is fitted to. SI, °C. */
export interface Observation {
  speed: number
  temperature: number
  pressure: number
}

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
  /** Where no engine that goes by this record reads like this: then the figures below are no findings. */
  failed?: FitFailure
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
/** Error of a steady reading: the gauge's own, Pa, and the model's, share. */
const READING = 6e3
const MODEL = 0.02
/** Correlation above which two are not told apart. */
const TOGETHER = 0.85
const SAMPLES = 200
/** The oil that the sheet's steady readings were taken with, where they say so. */
const oilRead = (sheet: Sheet) =>
  POINT_NAMES.map((name) => recorded(sheet, `start.${name}.pressure`)?.oil).find((oil) => oil !== undefined)

/** Steady readings that a sheet holds of its first start. */
export function observationsOf(sheet: Sheet): Observation[] {
  return POINT_NAMES.flatMap((name) => {
    const [pressure, speed, temperature] = (['pressure', 'speed', 'temperature'] as const).map(
      (field) => recorded(sheet, `start.${name}.${field}`)?.value,
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
  const model = modelOf(filledWith(sheet, oilRead(sheet) ?? oilFor(sheet, 'start')))
  const fit = prepareFit(model, [...observations, ...namedStates(sheet)])
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
  let misfit = 0
  for (let row = 0; row < rows; row++) misfit += residual(z, row) ** 2
  const failed = failureOf(model, observations, misfit, z)
  return {
    ...(failed ? { failed } : {}),
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

/** 99.5 percent of a standard normal distribution. */
const Z995 = 2.576
/** Further off than this many of its uncertainties nothing is that was measured. */
const IMPOSSIBLE = 3

/**
 * What chance makes of a fit's sum of squares, at 99.5 percent: chi-square with as many degrees as there are readings, since the priors add one
 * residual for each thing that is fitted. Source: Wilson & Hilferty, The distribution of chi-square, PNAS 17 (1931).
 */
const mostMisfit = (readings: number): number =>
  readings * (1 - 2 / (9 * readings) + Z995 * Math.sqrt(2 / (9 * readings))) ** 3

/** Whether a fit needs the impossible; then the faults that make such readings. */
function failureOf(model: Model, observations: Observation[], misfit: number, z: number[]): FitFailure | undefined {
  const most = mostMisfit(observations.length)
  const impossible = PARAMETERS.filter((_, k) => Math.abs(z[k]) > IMPOSSIBLE)
  if (misfit <= most && impossible.length === 0) return undefined
  const { sheet, values, engine, oil } = model
  const expected = observations.map(({ speed, temperature }) =>
    engine.gauge(values, momentAt(sheet, speed, temperature), oilAt(oil, temperature)),
  )
  const off = observations.reduce(
    (sum, { pressure }, i) => sum + Math.log((pressure + READING) / (expected[i] + READING)),
    0,
  )
  const faults = suspectsOf(
    sheet,
    { code: off < 0 ? 'under-band' : 'over-limit' },
    observations.map((observation) => ({ ...observation, flicker: 0 })),
  )
  return { misfit, most, impossible, faults }
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
