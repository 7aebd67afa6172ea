import type { Expectation } from './expectation'
import type { Band } from '../outlook/band'

/** One reading of a run. What is not wired is left out. */
export interface RunSample {
  /** s since the run began. */
  time: number
  /** Sender, Pa. */
  pressure?: number
  /** Mechanical gauge, Pa: it stands above the sender. */
  gauge?: number
  /** Crank, rev/s. */
  speed?: number
  /** Oil, °C. */
  temperature?: number
  /** Read by a hand that looked at it: one such reading stands for itself, where a logger's may be a spike. */
  whole?: boolean
}

export type StopCode = 'no-pressure' | 'over-limit' | 'lost' | 'falling' | 'under-band'
export type WatchCode =
  'above-band' | 'below-band' | 'swings' | 'gauges-differ' | 'not-watching' | 'temperature-unknown'
/** Why nothing, or not everything, is watched. */
export type BlindReason = 'no-prediction' | 'no-readings' | 'no-speed' | 'clock'

export interface Stop {
  code: StopCode
  /** s of the run; what was read, and what it was held against, Pa or s. */
  time: number
  reading: number
  limit: number
  /** rev/s, °C; the temperature that was taken where none is known. */
  speed: number
  temperature: number
}

/** What the watch makes of a sample. */
export interface Assessment {
  time: number
  phase: 'rest' | 'cranking' | 'running'
  /** Without single spikes, Pa. */
  pressure: number
  /** Every reading that a healthy engine could show after the speeds of the last seconds; undefined without a model. */
  expected?: Band
  /** s since it fired; left until first pressure must be there. */
  running?: number
  countdown?: number
  /** s from firing to first pressure. */
  firstPressure?: number
  stop?: Stop
  /** What is to be said beside it, most urgent first. */
  watches: WatchCode[]
  /** What is not being watched, and why. */
  blind: BlindReason[]
}

/** A watch under way: fed reading by reading, and told what hands and time say. */
export interface Watch {
  take: (sample: RunSample) => Assessment
  /** Time goes on and no reading has come. */
  tick: (time: number) => Assessment
  /** The engine fired, by a hand or an event rather than by the tachometer. */
  fired: (time: number) => void
  /** It was switched off by hand: what its pressure does now is no loss. */
  off: () => void
  /** What the model expects, as soon as it has answered; undefined when it cannot. */
  expect: (expectation: Expectation | undefined) => void
}
