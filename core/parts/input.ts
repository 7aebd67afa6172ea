import type { Source } from '../record/sourced'
import type { Station } from '../record/quantity'

/**
 * With which other engines an uncertain number is off together: with all of the shop's, with those that run on the same oil, were read with the same instrument, or
 * are of the same kind.
 */
export type SharedWith = 'shop' | 'oil' | 'instrument' | 'kind'

/** One uncertain number of a part: what it is now, how far it may be out, and how to put another in its place. */
export interface Input<Values> {
  /** The reading that would make it known, or a name of its own; one that several parts name moves them all. */
  key: string
  /** In a builder's words; measured together when it stands for several. */
  label: string
  station?: Station
  source: Source
  value: number
  sigma: number
  /** The set of bearings whose clearance it is, and of how many, where they are assumed together. */
  set?: 'main' | 'rod'
  covers?: number
  /** Other engines that share it; where none are named, those of the same kind share what is the layout's of it, and nobody what was measured. */
  shared?: SharedWith
  put: (values: Values, value: number) => void
}
