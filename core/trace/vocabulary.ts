import type { FaultKey } from '../parts/list'
import type { Context, Moment, Observed } from '../record/traceWords'

export * from '../record/traceWords'

/** What can be wrong, and that nothing is: it reads low by its own design. */
export type Cause = FaultKey | 'by-design'

/** A gauge that was read: where the engine stood, what it said, and which gauge it was. */
export interface TraceReading {
  /** Crank speed, rev/s; the moment's own where it is not given. */
  speed?: number
  moment?: Moment
  /** Oil, °C; the moment's own where it is not given. */
  temperature?: number
  /** Pa */
  pressure: number
  /** A sender's own fault is not in a mechanical gauge. */
  with?: 'mechanical' | 'sender'
}

/** An engine whose pressure is wrong or missing: what is known of it so far. */
export interface TraceCase {
  context: Context
  stoodDays?: number
  moment: Moment
  readings: TraceReading[]
  observations: Observed
  /** What was mended just before, and it is as it was. */
  mended?: Cause[]
}
