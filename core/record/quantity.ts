import type { Dimension } from '../quantity/units'
import type { Sheet } from './schema'

/** Stations of a build at which something is recorded, in the order of the work. */
export const STATIONS = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages', 'prime', 'start'] as const
export type Station = (typeof STATIONS)[number]

/** One number a builder can record: what it is, what stands in for it, and what is plausible. */
export interface Quantity {
  key: string
  label: string
  station: Station
  /** The part that it is a number of. */
  part?: string
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
  /** Taken from the maker's book rather than measured, unless said otherwise. */
  fromMaker?: boolean
  /** Minutes that measuring it takes at the bench; undefined where nobody is sent to measure it. */
  minutes?: number
  /** The view of its station that it stands in, where that has several. */
  view?: string
  /** The passage that it is read at. */
  passage?: string
  /** Where the default comes from, where it is no usual size. */
  basis?: string
  /** Which bearing it is read of; which side, at its first place or another. */
  bearing?: { set: 'main' | 'rod'; number: number; side?: 'journal' | 'bore'; place?: string }
  /** What it means depends on the kind of pump: never carried from one to the other. */
  ofPumpKind?: boolean
  /** Whether a sheet need not record it, since something else on record gives it. */
  replaced?: (sheet: Sheet) => boolean
}
