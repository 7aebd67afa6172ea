import type { Dimension } from '../units/units'
import type { Sheet } from './schema'
import { catalogueOf } from './values'

/** What a number may be at all, SI, by its dimension: wider than anything an engine has, but such that one can be computed. */
const BOUNDS: Partial<Record<Dimension, [number, number]>> = {
  length: [1e-5, 10], diameter: [1e-4, 10], clearance: [1e-7, 0.01], pressure: [0, 1e8], temperature: [-60, 200], speed: [0, 1000], springRate: [1, 1e7],
  displacement: [1e-9, 1e-2], ratio: [0.01, 100], mass: [1e-4, 1e3], duration: [0, 1e7], torque: [0, 1e5], force: [0.01, 1e5], volume: [1e-6, 10], count: [0.1, 1e4], angle: [0, 1.57],
}
/** Lengths that may be nothing. */
const MAY_BE_NOTHING = /\.(shims|benchShims|overlap|lift|gasket|\w+Cut|coverWear|plugTravel|plugHole|oilDepth|offset|tankHead|filterGap|coolerGap)$/

/**
 * Refuses readings that no engine can be computed from, at the door, by path. Whether a value is plausible is asked when it is
 * typed; this only keeps arithmetic from meeting what is no number.
 *
 * @throws RangeError `readings/KEY: what is wrong`
 */
export function checkReadings(sheet: Sheet): void {
  const quantities = catalogueOf(sheet.layout)
  for (const [key, { value }] of Object.entries(sheet.readings)) {
    const quantity = quantities.get(key)
    const bounds = quantity && BOUNDS[quantity.dimension]
    if (!bounds) continue
    const least = MAY_BE_NOTHING.test(key) ? 0 : bounds[0]
    if (!Number.isFinite(value)) throw new RangeError(`readings/${key}: must be a number`)
    if (value < least) throw new RangeError(`readings/${key}: ${least > 0 && value <= 0 ? 'must be greater than zero' : `is too small to compute with; at least ${least} in SI`}`)
    if (value > bounds[1]) throw new RangeError(`readings/${key}: is too large to compute with; at most ${bounds[1]} in SI`)
  }
}
