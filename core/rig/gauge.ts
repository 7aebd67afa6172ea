import type { Quantity } from '../record/quantity'
import { bearingsOf } from '../parts/clearances'
import type { Sheet } from '../record/schema'
import { recordedOrDefault, quantityAt } from '../engine/values'
import type { ReadingKey } from '../parts/list'
import { normal, seeded } from '../random/random'

/** Name of the simulated gauge among a shop's instruments. */
export const SIMULATED_GAUGE = 'Simulated gauge'

/** Step of its display where lengths are read, m. */
const STEP = 1e-6

/**
 * What a simulated digital gauge shows when it is put to a place of an engine and its button is pressed: a true value that the place
 * has for this engine number, near what is recorded or usual there, with the gauge's own scatter from press to press, rounded to its step.
 *
 * @param engine the same number is the same engine  @param press how often the button was pressed before
 * @returns SI
 * @throws RangeError for a reading that the layout does not have
 */
export function gaugeReading(sheet: Sheet, key: string, engine: number, press: number): number {
  const quantity = quantityAt(sheet, key)
  if (!quantity) throw new RangeError('reading: is not a reading of this layout')
  const place = seeded(engine * 7919 + hash(key))
  const { value, sigma } = usual(sheet, quantity)
  const truth = value + sigma * normal(place)
  const shown = truth + 0.5 * quantity.sigma * normal(seeded(engine * 7919 + hash(key) + 101 * (press + 1)))
  const step = ['length', 'diameter', 'clearance'].includes(quantity.dimension)
    ? STEP
    : 10 ** Math.floor(Math.log10(quantity.sigma || 1e-3 * Math.abs(value) || 1))
  const [least, most] = quantity.plausible
  return Number((Math.round(Math.min(most, Math.max(least, shown)) / step) * step).toPrecision(12))
}

/** What stands there, or is usual there, and how much engines differ. */
function usual(sheet: Sheet, quantity: Quantity): { value: number; sigma: number } {
  const held = recordedOrDefault(sheet, quantity.key as ReadingKey)
  if (held) return { value: held.value, sigma: held.source === 'layout' ? 0.3 * (quantity.fallbackSigma ?? 0) : 0 }
  if (quantity.bearing?.side) {
    const { set, number, side } = quantity.bearing
    const { diameter, clearance } = bearingsOf(sheet, set)[number - 1]
    return { value: side === 'journal' ? diameter : diameter + clearance.value, sigma: 2e-6 }
  }
  const [least, most] = quantity.plausible
  return { value: least > 0 ? Math.sqrt(least * most) : 0.25 * most, sigma: 0.02 * most }
}

function hash(text: string): number {
  return [...text].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) >>> 0, 7)
}
