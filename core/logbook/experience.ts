import { CholeskyDecomposition, EigenvalueDecomposition, Matrix } from 'ml-matrix'
import { normalOdds } from './chance'
import { oilName } from '../engine/experience'
import { modelOf } from '../outlook/model'
import type { SharedWith } from '../parts/input'
import { deviation, mean } from '../quantity/mean'
import type { Experience } from '../record/experience'
import type { Sheet } from '../record/schema'
import { LEAST_ENGINES, type Learnt, type StartedEngine } from './habit'
import { kindOf, type Lesson, type LessonReading, sharedInputs } from './lessons'

/** And of more than this the latest do. */
const MOST_ENGINES = 40
/** Beyond so many standard deviations a reading is a fault's and no habit's. */
const FAR = 3.3
/** Directions that are known better by less than this of their variance are left out; and no more than so many are kept. */
const KNOWN = 0.02
const DIRECTIONS = 6

/**
 * Of an input's variance, the part that engines have in common: where both are of the shop, of one kind, on one oil, read with one instrument. The rest is each
 * engine's own: an instrument is zeroed anew, two batches of an oil differ, and so do two castings.
 */
const COMMON: Record<SharedWith, { shop: number; kind: number; oil: number; instrument: number }> = {
  shop: { shop: 0.5, kind: 0.4, oil: 0, instrument: 0 },
  oil: { shop: 0, kind: 0, oil: 0.9, instrument: 0 },
  instrument: { shop: 0, kind: 0, oil: 0, instrument: 0.5 },
  kind: { shop: 0, kind: 0.9, oil: 0, instrument: 0 },
}

type Who = Pick<Lesson, 'kind' | 'oil' | 'shared'>

/** Correlation of one input between two engines; an instrument's key names it, so that having the key is to be read with it. */
function correlation(key: string, a: Who, b: Who): number {
  const shared = a.shared[key]
  if (!shared || b.shared[key] !== shared) return 0
  const { shop, kind, oil, instrument } = COMMON[shared]
  return shop + instrument + (a.kind === b.kind ? kind : 0) + (a.oil === b.oil ? oil : 0)
}

interface Point extends LessonReading {
  /** Which lesson it is of. */
  of: number
  /** Logarithm of reading over prediction. */
  off: number
}

/** Covariance of what two readings are off by; one engine's own inputs are the same at all of its states. */
function covariance(a: Point, b: Point, lessons: Lesson[]): number {
  let sum = a === b ? a.noise * a.noise : 0
  for (const [key, slope] of Object.entries(a.slopes)) {
    const other = b.slopes[key]
    if (other) sum += slope * other * (a.of === b.of ? 1 : correlation(key, lessons[a.of], lessons[b.of]))
  }
  return sum
}

const pointsOf = (lessons: Lesson[]): Point[] =>
  lessons.flatMap(({ readings }, of) =>
    readings.map((reading): Point => ({ ...reading, of, off: Math.log(reading.read / reading.predicted) })),
  )

function factored(points: Point[], lessons: Lesson[]): CholeskyDecomposition {
  const all = Matrix.zeros(points.length, points.length)
  points.forEach((a, i) =>
    points.slice(0, i + 1).forEach((b, j) => {
      const both = covariance(a, b, lessons)
      all.set(i, j, both)
      all.set(j, i, both)
    }),
  )
  return new CholeskyDecomposition(all)
}

/**
 * Lessons that a habit can be behind, and those that lie too far off: first by their own record, then by the others', the furthest left out and the rest asked again.
 * Source of the second: leave-one-out residuals of a Gaussian process, Rasmussen & Williams, Gaussian Processes for Machine Learning (2006), 5.4.2.
 *
 * @returns of each lesson its furthest reading in standard deviations of what the others foretell, and whether it counts
 */
export function weighLessons(lessons: Lesson[]): { far: number; counts: boolean }[] {
  const found = lessons.map(() => ({ far: 0, counts: true }))
  for (const { of, off, sigma, noise } of pointsOf(lessons)) {
    const far = off / Math.hypot(sigma, noise)
    if (Math.abs(far) > Math.abs(found[of].far)) found[of] = { far, counts: Math.abs(far) <= FAR }
  }
  for (;;) {
    const left = lessons.map((_, i) => i).filter((i) => found[i].counts)
    const points = pointsOf(left.map((i) => lessons[i]))
    if (left.length < 2) return found
    const chosen = left.map((i) => lessons[i])
    const inverse = factored(points, chosen).solve(Matrix.eye(points.length))
    const told = inverse.mmul(Matrix.columnVector(points.map(({ off }) => off)))
    left.forEach((i) => (found[i].far = 0))
    points.forEach(({ of }, p) => {
      const far = told.get(p, 0) / Math.sqrt(inverse.get(p, p))
      if (Math.abs(far) > Math.abs(found[left[of]].far)) found[left[of]].far = far
    })
    const worst = left.reduce((a, b) => (Math.abs(found[b].far) > Math.abs(found[a].far) ? b : a))
    if (Math.abs(found[worst].far) <= FAR) return found
    found[worst].counts = false
  }
}

/** Lessons of the latest engines that count, as far as they are used. */
function usedLessons(lessons: Lesson[]): Lesson[] {
  const weighed = weighLessons(lessons)
  return lessons
    .filter((_, i) => weighed[i].counts)
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, MOST_ENGINES)
}

/**
 * What a shop's earlier starts say of one build's model: a hierarchical model of prediction error in closed form. Every reading beside its prediction is a sum, over the inputs of
 * its own record, of slope times deviate, and each deviate has parts in common with other engines (`COMMON`). Given the readings, the deviates of the build
 * that is asked for have the mean B C⁻¹ y and the covariance I − B C⁻¹ Bᵀ.
 * Source: Rasmussen & Williams, Gaussian Processes for Machine Learning (2006), 2.2, for a linear model; Gelman et al., Bayesian Data Analysis (3rd ed., 2013), 15.1.
 *
 * @param sheet the build that is predicted, which no lesson is of
 * @returns undefined while fewer than three engines say anything
 */
export function learntFrom(sheet: Sheet, lessons: Lesson[]): Experience | undefined {
  const used = usedLessons(lessons)
  if (used.length < LEAST_ENGINES) return undefined
  const points = pointsOf(used)
  const shared = sharedInputs(modelOf({ ...sheet, experience: undefined }))
  const here: Who = { kind: kindOf(sheet), oil: oilName(sheet), shared }
  const keys = Object.keys(shared).filter((key) => points.some(({ slopes }) => key in slopes))
  const across = new Matrix(
    keys.map((key) => points.map(({ of, slopes }) => (slopes[key] ?? 0) * correlation(key, here, used[of]))),
  )
  if (keys.length === 0) return undefined
  const factors = factored(points, used)
  const shift = across.mmul(factors.solve(Matrix.columnVector(points.map(({ off }) => off))))
  const known = new EigenvalueDecomposition(across.mmul(factors.solve(across.transpose())), { assumeSymmetric: true })
  const directions = known.realEigenvalues
    .map((value, k) => ({ value, along: known.eigenvectorMatrix.getColumn(k) }))
    .filter(({ value }) => value > KNOWN)
    .sort((a, b) => b.value - a.value)
    .slice(0, DIRECTIONS)
    .map(({ value, along }) => ({ stays: Math.sqrt(Math.max(0, 1 - value)), along: named(keys, along) }))
  return {
    engines: used.length,
    readings: points.length,
    ...habitOf(used),
    oil: oilName(sheet),
    shift: named(keys, shift.getColumn(0)),
    oils: keys.filter((key) => shared[key] === 'oil'),
    directions,
  }
}

const named = (keys: string[], values: number[]): Record<string, number> =>
  Object.fromEntries(keys.map((key, i) => [key, Math.round(values[i] * 1e6) / 1e6]))

/** How engines read beside their predictions, in the mean and from one to the other: at hot idle, or what was read of them instead. */
function habitOf(lessons: Lesson[]): { mean: number; spread: number } {
  const off = lessons.map(({ readings }) => {
    const { read, predicted } = readings.find(({ state }) => state === 'idleHot') ?? readings[0]
    return read / predicted - 1
  })
  return { mean: mean(off), spread: deviation(off) }
}

/** What a shop's other engines teach of a build, with each engine named. */
export function learntOf(
  sheet: Sheet,
  taught: { build: string; name: string; engine: string; lesson: Lesson }[],
): Learnt {
  const lessons = taught.map(({ lesson }) => lesson)
  const weighed = weighLessons(lessons)
  const experience = learntFrom(sheet, lessons)
  const engines = taught.map(({ build, name, engine, lesson: { at, kind, readings } }, i): StartedEngine => ({
    build,
    name,
    engine,
    at,
    sister: kind === kindOf(sheet),
    readings: readings.map(({ state, read, predicted }) => ({ state, read, predicted })),
    ...weighed[i],
    odds: normalOdds(weighed[i].far),
  }))
  engines.sort((a, b) => b.at.localeCompare(a.at))
  return { engines, ...(experience ? { experience } : {}) }
}
