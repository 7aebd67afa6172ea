import { judgeClearance } from '../bearing/judge'
import { type Limit, limitOf } from '../house/makerLimits'
import type { Verdict } from '../quantity/verdict'
import type { Sheet } from '../record/schema'
import { type BearingSet, READ } from './bearingReadings'
import { bearingsOf } from './clearances'
import type { Judged } from './part'

/** What is judged of a bearing's shape, of which sides, and in words. */
const SHAPES = [
  ['taper', ['journal', 'bore'], 'tapered beyond its limit'],
  ['outOfRound', ['journal'], 'out of round beyond its limit'],
] as const

/** A shape that was read, the worse of its sides, m, against its limit. */
export interface ShapeVerdict {
  label: string
  field: (typeof SHAPES)[number][0]
  side: 'journal' | 'bore'
  value: number
  limit: Limit
  /** Chance that the true shape is beyond it. */
  chance: number
  verdict: Verdict
  about: string
}

/** Standard uncertainty of the difference of two readings of one side, m: both are out by their scatter, √2 of a half of the variance, and the instrument's zero drops out. */
const differenceSigma = (sheet: Sheet, side: string): number => sheet.readings[side]?.uncertainty ?? READ.side

/** Taper of journals and bores and roundness of journals, where they were read: a shell's bore is wider at its parting line by design. */
export const shapeVerdicts = (sheet: Sheet, set: BearingSet): ShapeVerdict[] =>
  bearingsOf(sheet, set).flatMap(({ number, label, shape }) =>
    SHAPES.flatMap(([field, sides, words]): ShapeVerdict[] => {
      const read = sides.flatMap((side) => {
        const value = shape?.[side][field]
        return value === undefined ? [] : [{ side, value }]
      })
      if (read.length === 0) return []
      const worst = read.reduce((most, each) => (each.value > most.value ? each : most))
      const limit = limitOf(sheet, `bearing.${field}`)
      const sigma = differenceSigma(sheet, `${set}.${number}.${worst.side}`)
      const { verdict, chance } = judgeClearance({ value: worst.value, sigma }, { least: -Infinity, most: limit.value })
      return [{ label, field, ...worst, limit, chance, verdict, about: `${label} ${words}` }]
    }),
  )

/** Standard deviations beyond which two ways to the same bore do not agree. */
const APART = 2

/** A bore over fitted shells that its housing and walls do not come to, m: by how much it is wider than they say. */
export interface WallDifference {
  label: string
  difference: number
  /** Standard uncertainty of the difference. */
  sigma: number
}

/**
 * Bores that were read both over their fitted shells and by housing and wall, and differ by more than both can be out: crush, dirt behind a
 * shell, a cap that is not home, or a wall read wrong.
 */
export function wallDifferences(sheet: Sheet, set: BearingSet): WallDifference[] {
  return bearingsOf(sheet, set).flatMap(({ number, label }) => {
    const [bore, housing, wall] = ['bore', 'housing', 'wall'].map(
      (field) => sheet.readings[`${set}.${number}.${field}`],
    )
    if (!bore || !housing || !wall) return []
    const difference = bore.value - (housing.value - 2 * wall.value)
    const sigma = Math.hypot(
      bore.uncertainty ?? READ.side,
      housing.uncertainty ?? READ.side,
      2 * (wall.uncertainty ?? READ.wall),
    )
    return Math.abs(difference) > APART * sigma ? [{ label, difference, sigma }] : []
  })
}

/** Both, as the station is judged. */
export const judgedShapes = (sheet: Sheet, set: BearingSet): Judged[] => [
  ...shapeVerdicts(sheet, set).map(({ verdict, about }): Judged => ({ station: 'bearings', verdict, about })),
  ...wallDifferences(sheet, set).map(({ label }): Judged => ({
    station: 'bearings',
    verdict: 'watch',
    about: `${label} bore is not what housing and walls leave`,
  })),
]
