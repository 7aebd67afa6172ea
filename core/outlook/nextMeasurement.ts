import { quantityAt } from '../engine/values'
import type { Sheet } from '../record/schema'
import { varianceShares } from './band'
import { modelOf } from './model'
import { namedStates } from './states'

/** A measurement that has not been made, and what it is worth. */
export interface NextMeasurement {
  key: string
  label: string
  /** Of the hot-idle band's width that it takes away, 0 to 1. */
  narrows: number
  minutes: number
}

/**
 * What is assumed and can be measured, by how much of the hot-idle band it takes away for each minute of work: a measurement leaves of an input's
 * variance what its instrument leaves, and the band's width goes with the root of the variances' sum.
 * Source: GUM, JCGM 100:2008, 5.1.2.
 */
export function nextMeasurements(sheet: Sheet): NextMeasurement[] {
  const model = modelOf(sheet)
  const idle = namedStates(sheet).find(({ name }) => name === 'idleHot')!
  return varianceShares(model, idle)
    .flatMap(({ key, label, share, assumed }): NextMeasurement[] => {
      const quantity = quantityAt(sheet, key)
      const input = model.inputs.find((each) => each.key === key)!
      if (!assumed || quantity?.minutes === undefined || share < 1e-4) return []
      const left = share * Math.min(1, (quantity.sigma / input.sigma) ** 2)
      return [{ key, label, narrows: 1 - Math.sqrt(1 - share + left), minutes: quantity.minutes * (input.covers ?? 1) }]
    })
    .sort((a, b) => b.narrows / b.minutes - a.narrows / a.minutes)
}
