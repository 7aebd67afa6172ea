// @ts-expect-error jStat brings no types of its own
import untyped from 'jstat'

/** What is used of jStat: the complementary error function, and Student's t by its cumulative distribution. */
const jStat = untyped as {
  erfc: (x: number) => number
  studentt: { cdf: (x: number, freedom: number) => number; inv: (share: number, freedom: number) => number }
}

/** One in so many, and never in more than a thousand million: nothing here is known so well. */
const oneIn = (chance: number): number => 1 / Math.max(1e-9, chance)

/** One in how many normal deviates lies so many standard deviations from its mean, on either side. */
export const normalOdds = (far: number): number => oneIn(jStat.erfc(Math.abs(far) / Math.SQRT2))

/** One in how many deviates of Student's t lies so far from nought, on either side. */
export const studentOdds = (far: number, freedom: number): number =>
  oneIn(2 * (1 - jStat.studentt.cdf(Math.abs(far), freedom)))

/** Chance that a deviate of Student's t lies under x. */
export const studentBelow = (x: number, freedom: number): number => jStat.studentt.cdf(x, freedom)

/** What a share of Student's t lies under. */
export const studentQuantile = (share: number, freedom: number): number => jStat.studentt.inv(share, freedom)
