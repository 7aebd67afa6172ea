import { inverse, Matrix } from 'ml-matrix'
import { studentBelow, studentQuantile } from './chance'

/** A value read at an age, with its standard deviation. */
export interface LineReading {
  x: number
  y: number
  sigma: number
}

/** What is taken for true before anything is read: the level around nought, the slope around its mean. */
export interface LinePrior {
  /** Standard deviation. */
  level: number
  slope: { mean: number; sigma: number }
}

export interface Line {
  /** Mean and half a 90 percent band at an age. */
  at: (x: number) => { mean: number; half: number }
  /** Chance that the line lies under a value at an age. */
  below: (x: number, value: number) => number
  /** Its change over a stretch, with 5 and 95 percent. */
  slope: (stretch: number) => { mean: number; low: number; high: number }
  /** Share of what is known of the slope that the readings told. */
  told: number
}

/** The stated spreads count as much as so many readings would, against what the readings themselves scatter. */
const TRUST = 10

/**
 * A straight line by least squares with a prior: [level, slope] has precision Λ = Λ₀ + Σ xxᵀ/σ² and mean Λ⁻¹(Λ₀m₀ + Σ xy/σ²); the scatter's scale is
 * s² = (ν₀ + Σ y²/σ² + m₀ᵀΛ₀m₀ − mᵀΛm)/ν with ν = ν₀ + n, so the line at x is Student's t with ν degrees of freedom, of variance s² xᵀΛ⁻¹x.
 * Source: Gelman et al., Bayesian Data Analysis, 3rd ed. (2013), 14.8, with the conjugate normal-inverse-gamma of 3.3.
 */
export function fittedLine(data: readonly LineReading[], { level, slope }: LinePrior): Line {
  const prior = Matrix.diag([1 / level ** 2, 1 / slope.sigma ** 2])
  const priorMean = Matrix.columnVector([0, slope.mean])
  const rows = data.length === 0 ? new Matrix(0, 2) : new Matrix(data.map(({ x, sigma }) => [1 / sigma, x / sigma]))
  const read = Matrix.columnVector(data.map(({ y, sigma }) => y / sigma))
  const precision = Matrix.add(prior, rows.transpose().mmul(rows))
  const covariance = inverse(precision)
  const mean = covariance.mmul(Matrix.add(prior.mmul(priorMean), rows.transpose().mmul(read)))
  const square = (vector: Matrix, by: Matrix) => vector.transpose().mmul(by).mmul(vector).get(0, 0)
  const freedom = TRUST + data.length
  const scale = (TRUST + read.dot(read) + square(priorMean, prior) - square(mean, precision)) / freedom
  const far = studentQuantile(0.95, freedom)
  const on = (vector: Matrix) => ({
    mean: vector.dot(mean),
    sigma: Math.sqrt(scale * square(vector, covariance)),
  })
  return {
    at: (x) => {
      const { mean: middle, sigma } = on(Matrix.columnVector([1, x]))
      return { mean: middle, half: far * sigma }
    },
    below: (x, value) => {
      const { mean: middle, sigma } = on(Matrix.columnVector([1, x]))
      return studentBelow((value - middle) / sigma, freedom)
    },
    slope: (stretch) => {
      const { mean: middle, sigma } = on(Matrix.columnVector([0, stretch]))
      return { mean: middle, low: middle - far * sigma, high: middle + far * sigma }
    },
    told: Math.max(0, 1 - covariance.get(1, 1) * prior.get(1, 1)),
  }
}
