import { feedDuty, leastGalleryPressure } from '../bearing/feed'
import { bearingsOf } from '../parts/clearances'
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

/** Share of a turn in which a rod of this build is fed from its main's groove. */
export function rodDuty(sheet: Sheet): number {
  const mouths = (sheet.choices['crank.drilling'] as Drilling | undefined) === 'through' ? [0, 180] : [0]
  return feedDuty(mouths, [{ centre: 0, arc: sheet.layout.mainGroove }])
}
