import type { Uncertain } from './clearance'

/** Diameters read in up to two planes (front, rear) at up to three angles (vertical first, then to either side), m; gaps left undefined. */
export type Survey = (number | undefined)[][]

export interface Shape {
  /** Mean of the vertical readings, m. */
  vertical: number
  /** Smallest and largest reading, m. */
  least: number
  most: number
  /** Difference of the vertical readings between the planes, m; undefined with one plane. */
  taper?: number
  /** Largest difference between angles in one plane, m; undefined with one angle. */
  outOfRound?: number
  /** Mean of the side readings over the vertical ones, m: shells are made larger toward the parting line, and it is not what one judges by. */
  eccentricity?: number
}

/**
 * Shape of a bore or journal from readings in planes and at angles.
 *
 * @throws RangeError when no vertical reading was taken
 * @example shapeOf([[0.06604, 0.06606, 0.06606], [0.06603]]).taper // 1e-5
 */
export function shapeOf(survey: Survey): Shape {
  const given = survey.map((plane) => plane.filter((value): value is number => value !== undefined))
  const upright = survey.flatMap((plane) => (plane[0] === undefined ? [] : [plane[0]]))
  if (upright.length === 0) throw new RangeError('survey: needs a vertical reading')
  const all = given.flat()
  const vertical = mean(upright)
  const round = given.filter((plane) => plane.length > 1).map((plane) => Math.max(...plane) - Math.min(...plane))
  const sides = survey.flatMap((plane) => plane.slice(1).filter((value): value is number => value !== undefined))
  return {
    vertical,
    least: Math.min(...all),
    most: Math.max(...all),
    taper: upright.length > 1 ? Math.abs(upright[0] - upright[1]) : undefined,
    outOfRound: round.length > 0 ? Math.max(...round) : undefined,
    eccentricity: sides.length > 0 ? mean(sides) - vertical : undefined,
  }
}

/** Vertical clearance in each plane where both were read, m: the smallest of them is where it touches first. */
export function planeClearances(bore: Survey, journal: Survey): number[] {
  return bore.flatMap((plane, i) =>
    plane[0] !== undefined && journal[i]?.[0] !== undefined ? [plane[0] - journal[i][0]!] : [],
  )
}

/** Largest less smallest of a set, m: a crank wants them alike. */
export function spreadOf(values: number[]): number {
  return values.length > 1 ? Math.max(...values) - Math.min(...values) : 0
}

/** Mean of repeated readings with the standard uncertainty of that mean: the instrument's, or their own scatter where that is larger. */
export function repeated(values: number[], instrument: number): Uncertain {
  const value = mean(values)
  if (values.length < 2) return { value, sigma: instrument }
  const scatter = Math.sqrt(
    values.reduce((sum, each) => sum + (each - value) ** 2, 0) / (values.length - 1) / values.length,
  )
  return { value, sigma: Math.max(instrument / Math.sqrt(values.length), scatter) }
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}
