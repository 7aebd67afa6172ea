import { type Quantity, quantitiesOf } from './quantities'
import type { Layout, Sheet } from '../record/schema'

export type Source = 'measured' | 'maker' | 'planned' | 'layout' | 'computed'

/** A value that can be used, and what stands behind it. */
export interface Held {
  value: number
  sigma: number
  source: Source
}

const catalogues = new WeakMap<Layout, Map<string, Quantity>>()

/** The layout's quantities by key. */
export function catalogueOf(layout: Layout): Map<string, Quantity> {
  let found = catalogues.get(layout)
  if (!found) {
    found = new Map(quantitiesOf(layout).map((quantity) => [quantity.key, quantity]))
    catalogues.set(layout, found)
  }
  return found
}

/** What the sheet holds for a quantity: the reading, else the layout's default, else nothing. */
export function heldValue(sheet: Sheet, key: string): Held | undefined {
  const quantity = catalogueOf(sheet.layout).get(key)
  if (!quantity) return undefined
  const reading = sheet.readings[key]
  if (reading) return { value: reading.value, sigma: reading.uncertainty ?? quantity.sigma, source: reading.source }
  if (quantity.fallback === undefined) return undefined
  return { value: quantity.fallback, sigma: quantity.fallbackSigma ?? 0, source: 'layout' }
}

/** The same for a quantity that always has a default. */
export function requireValue(sheet: Sheet, key: string): Held {
  const held = heldValue(sheet, key)
  if (!held) throw new RangeError(`${key}: has neither a reading nor a default`)
  return held
}
