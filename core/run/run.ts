import type { ChannelSample } from './channels'
import type { RunEvent, RunSetUp } from './schema'

/** An event as the server keeps it. */
export type KeptEvent = RunEvent & { number: number; at: string }

/** A run as the server keeps it, without its samples. */
export interface Run {
  id: string
  buildId: string
  kind: 'prime' | 'start'
  setup: RunSetUp
  who: string
  startedAt: string
  endedAt: string | null
  /** How it ended, in a few words. */
  outcome: string | null
  samples: number
  /** It was called off, by a hand or by the server's watch; what was then found and done, where somebody wrote it. */
  stopped: boolean
  found: string | null
  events: KeptEvent[]
}

/** A run as it begins. */
export const begunRun = (begun: Pick<Run, 'id' | 'buildId' | 'kind' | 'setup' | 'who' | 'startedAt'>): Run => ({
  ...begun,
  endedAt: null,
  outcome: null,
  samples: 0,
  stopped: false,
  found: null,
  events: [],
})

/** What the server tells those who watch a run. */
export type RunNews =
  { kind: 'samples'; samples: ChannelSample[] } | { kind: 'event'; event: KeptEvent } | { kind: 'end'; outcome: string }
