import type { Source } from '../record/sourced'
import type { Station } from '../record/quantity'

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
  put: (values: Values, value: number) => void
}
