import type { Dimension } from '../quantity/units'

export type Station = 'brief' | 'bearings' | 'pump' | 'relief' | 'pickup' | 'passages' | 'prime' | 'start'

/** One number a builder can record: what it is, what stands in for it, and what is plausible. */
export interface Quantity {
  key: string
  label: string
  station: Station
  dimension: Dimension
  /** Layout default, SI, where the model needs a number before anyone has measured one. */
  fallback?: number
  /** Standard uncertainty of the fallback. */
  fallbackSigma?: number
  /** Standard uncertainty of a measurement with the usual instrument. */
  sigma: number
  /** Values outside are taken only after they are confirmed. */
  plausible: [number, number]
  /** Counted as missing until recorded. */
  wanted: boolean
  /** What is meant to be done rather than what is. */
  planned?: boolean
}
