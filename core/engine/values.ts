import type { ReadingKey } from '../parts/list'
import type { Sourced } from '../record/sourced'
import type { Quantity } from '../record/quantity'
import type { Reading, Sheet } from '../record/schema'
import { catalogueOf } from './catalogue'

/** A layout's quantity by its key; undefined where the layout has none of this name. */
export function quantityAt(sheet: Pick<Sheet, 'layout'>, key: string): Quantity | undefined {
  return catalogueOf(sheet.layout).quantities.get(key)
}

/** A reading as it was recorded; undefined while it was not. */
export const recorded = (sheet: Pick<Sheet, 'readings'>, key: ReadingKey): Reading | undefined => sheet.readings[key]

/** What a sheet holds for a quantity: what was read, else the layout's default; undefined where there is neither. */
export function recordedOrDefault(sheet: Sheet, key: ReadingKey): Sourced | undefined {
  const quantity = quantityAt(sheet, key)
  if (!quantity) return undefined
  const read: Reading | undefined = sheet.readings[key]
  if (read) return { value: read.value, sigma: read.uncertainty ?? quantity.sigma, source: read.source }
  if (quantity.fallback === undefined) return undefined
  return { value: quantity.fallback, sigma: quantity.fallbackSigma ?? 0, source: 'layout' }
}

/** The same for a quantity that always has a default. */
export function requireValue(sheet: Sheet, key: ReadingKey): Sourced {
  const held = recordedOrDefault(sheet, key)
  if (!held) throw new RangeError(`${key}: has neither a reading nor a default`)
  return held
}
