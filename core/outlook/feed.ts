import { type FeedArc, feedDuty, leastGalleryPressure } from '../bearing/feed'
import { bearingsOf } from '../parts/clearances'
import { type MainShells, mainShells } from '../parts/mainGrooves'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { oilOf } from '../record/oil'

/** Least gallery pressure that keeps this build's rods fed at its maximum speed, Pa, and that speed, rev/s. */
export function rodFeed(sheet: Sheet): { pressure: number; speed: number } {
  const speed = requireValue(sheet, 'brief.maximumSpeed').value
  const largest = Math.max(...bearingsOf(sheet, 'main').map((record) => record.diameter))
  return {
    pressure: leastGalleryPressure(
      oilAt(oilOf(sheet), requireValue(sheet, 'brief.hotOil').value).density,
      speed,
      largest,
    ),
    speed,
  }
}

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

/** Share of a turn in which a rod of this build is fed from its main's groove or hole. */
export function rodDuty(sheet: Sheet, rod: number): number {
  const main = sheet.layout.feed[rod - 1] - 1
  return feedDuty(mouthsOf(sheet), feedArcs(mainShells(sheet)[main], bearingsOf(sheet, 'main')[main].diameter))
}
