import type { Sheet } from '../record/schema'
import { catalogueOf } from '../engine/values'
import { bearingCount } from '../parts/clearances'
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

/** Minutes that a measurement takes at the bench, by its key: a table of the trade's, to be out by half as much again. */
const MINUTES: [RegExp, number][] = [
  [/^(main|rod)\.\d+\.(journal|bore|clearance)$/, 4],
  [/^cam\./, 20],
  [/^size\./, 3],
  [/^pump\.displacement$/, 6],
  [/^pump\.(endClearance|tipClearance|sideClearance)$/, 5],
  [/^pump\./, 2],
  [/^relief2?\.springRate$/, 6],
  [/^relief2?\.benchPressure$/, 20],
  [/^relief2?\./, 2],
  [/^pickup\.protrusion$/, 6],
  [/^pickup\./, 2],
  [/^passage\.(filterBypass|coolerBypass|filterLoss|pistonJetOpening)$/, 15],
  [/^passage\./, 4],
]

/**
 * What is assumed and can be measured, by how much of the hot-idle band it takes away for each minute of work: a measurement leaves of an input's
 * variance what its instrument leaves, and the band's width goes with the root of the variances' sum.
 * Source: GUM, JCGM 100:2008, 5.1.2.
 */
export function nextMeasurements(sheet: Sheet): NextMeasurement[] {
  const model = modelOf(sheet)
  const idle = namedStates(sheet).find(({ name }) => name === 'idleHot')!
  const catalogue = catalogueOf(sheet.layout)
  return varianceShares(model, idle)
    .flatMap(({ key, label, share, assumed }): NextMeasurement[] => {
      const quantity = catalogue.get(key)
      const input = model.inputs.find((each) => each.key === key)!
      const minutes = MINUTES.find(([pattern]) => pattern.test(key))?.[1]
      if (!assumed || !quantity || minutes === undefined || share < 1e-4) return []
      const set = /^All (main|rod)/.exec(label)?.[1] as 'main' | 'rod' | undefined
      const left = share * Math.min(1, (quantity.sigma / input.sigma) ** 2)
      return [
        {
          key,
          label,
          narrows: 1 - Math.sqrt(1 - share + left),
          minutes: minutes * (set ? bearingCount(sheet, set) : 1),
        },
      ]
    })
    .sort((a, b) => b.narrows / b.minutes - a.narrows / a.minutes)
}
