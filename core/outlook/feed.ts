import { leastGalleryPressure } from '../bearing/feed'
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
