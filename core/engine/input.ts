import type { EngineValues } from './engine'
import type { Station } from './quantities'
import type { Source } from './values'

/** One uncertain number of the model: what it is now, how far it may be out, and how to put another in its place. */
export interface ModelInput {
  key: string
  /** In a builder's words; measured together when it stands for several. */
  label: string
  station?: Station
  source: Source
  value: number
  sigma: number
  put: (values: EngineValues, value: number) => void
}
