import type { Sheet } from '../record/schema'
import type { Simulated } from './simulated'
import { weigh } from './weigh'
import type { Cause, Observation, TraceCase } from './vocabulary'

/** How much one thing that is known speaks for a cause, or against it: its odds with that over its odds without. */
export interface Reason {
  /** An observation, or a reading by its place. */
  what: { observation: Observation; value: string } | { reading: number }
  factors: Partial<Record<Cause, number>>
}

const odds = (probability: number) => probability / Math.max(1e-12, 1 - probability)

/** What spoke for each cause and against it, each thing held against the case without it. */
export function reasonsOf(
  sheet: Sheet,
  simulated: (traced: TraceCase) => Simulated,
  traced: TraceCase,
  priors: Partial<Record<Cause, number>> = {},
): Reason[] {
  const weighed = (of: TraceCase) =>
    new Map(weigh(sheet, simulated(of), of, priors).map(({ cause, probability }) => [cause, odds(probability)]))
  const all = weighed(traced)
  const held = (what: Reason['what'], without: TraceCase): Reason => {
    const before = weighed(without)
    return {
      what,
      factors: Object.fromEntries([...all].map(([cause, now]) => [cause, now / Math.max(1e-12, before.get(cause)!)])),
    }
  }
  return [
    ...traced.readings.map((_, i) =>
      held({ reading: i }, { ...traced, readings: traced.readings.filter((_, at) => at !== i) }),
    ),
    ...(Object.entries(traced.observations) as [Observation, string][]).map(([observation, value]) => {
      const observations = Object.fromEntries(
        Object.entries(traced.observations).filter(([key]) => key !== observation),
      )
      return held({ observation, value }, { ...traced, observations })
    }),
  ]
}
