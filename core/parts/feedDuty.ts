import { type FeedArc, feedDuty } from '../bearing/feed'
import type { Sheet } from '../record/schema'
import { bearingsOf } from './clearances'
import { type MainShells, mainShells } from './mainGrooves'

/** How crank drillings reach the main journals: one mouth, or drilled right through with two. */
export type Drilling = 'single' | 'through'

/** Mouths of a rod's drilling on its main, degrees. */
export const mouthsOf = (sheet: Sheet): number[] =>
  (sheet.choices['crank.drilling'] as Drilling | undefined) === 'through' ? [0, 180] : [0]

/** Where oil can enter a drilling that passes by these shells: their grooves, or where there are none their hole, from rim to rim with
 * a mouth of its own size. */
export function feedArcs({ upper, lower, hole, place }: MainShells, diameter: number): FeedArc[] {
  const degrees = (angle: number) => (angle * 180) / Math.PI
  const grooves: FeedArc[] = [
    { centre: 0, arc: degrees(upper) },
    // From both parting lines down.
    { centre: 90 + degrees(0.25 * lower), arc: degrees(0.5 * lower) },
    { centre: -90 - degrees(0.25 * lower), arc: degrees(0.5 * lower) },
  ].filter(({ arc }) => arc > 0)
  return grooves.length > 0 ? grooves : [{ centre: degrees(place), arc: degrees((4 * hole) / diameter) }]
}

/** Share of a turn in which each rod of this build is fed from its main's groove or hole. */
export function rodDuties(sheet: Sheet): number[] {
  const mouths = mouthsOf(sheet)
  const shells = mainShells(sheet)
  const ofMain = bearingsOf(sheet, 'main').map(({ diameter }, i) => feedDuty(mouths, feedArcs(shells[i], diameter)))
  return sheet.layout.feed.map((main) => ofMain[main - 1])
}

/** That of one, counted from 1. */
export const rodDuty = (sheet: Sheet, rod: number): number => rodDuties(sheet)[rod - 1]
