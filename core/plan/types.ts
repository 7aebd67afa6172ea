import type { Station } from '../record/quantity'

/** Times of a plan are the shop's own clock on its wall, as ms since 1970-01-01T00:00 on that clock; durations are ms. */
export type WallTime = number

export const MINUTE = 60_000
export const HOUR = 60 * MINUTE

/** A stretch of time. */
export interface Stretch {
  from: WallTime
  to: WallTime
}

/** Somebody who works on engines, and when. */
export interface Hand {
  name: string
  present: Stretch[]
}

/** What an engine needs next at one station. */
export interface Task {
  station: Station
  /** Work at it, ms. */
  takes: number
  /** It may be laid down and taken up again: measuring may, a prime and a start may not. */
  divisible: boolean
  /** Not before this, and for what. */
  waits?: { until: WallTime; what: string }
  /** Not sooner after the task before it than this, ms: a sealer cures, a block dries. */
  rests?: { takes: number; what: string }
  /** It begins within so long of the end of the task before it, ms: an engine that stood longer is primed again. */
  within?: number
  /** An engine that is primed already: it begins before this, or the engine is primed again, which takes so long, ms. */
  primed?: { until: WallTime; again: number }
  /** Nobody can say when: it and what follows is not planned. */
  held?: string
}

/** An engine on the floor and what is left to do on it, in the order in which it is done. */
export interface Engine {
  build: string
  name: string
  promised?: WallTime
  tasks: Task[]
}

/** A stretch of somebody's work on a task. */
export interface Turn extends Stretch {
  build: string
  station: Station
  hand: string
}

/** What comes of an engine by a plan. */
export interface Outcome {
  build: string
  /** When all that can be planned is done; undefined where nothing is left to do or nothing could be planned. */
  done?: WallTime
  /** Its last task is planned too. */
  whole: boolean
  /** Why the rest is not planned. */
  held?: string
  /** ms past what was promised. */
  late?: number
}

export interface Plan {
  turns: Turn[]
  outcomes: Outcome[]
  /** Builds in the order in which they had their pick of everybody's time. */
  order: string[]
}
