import type { Line } from './line'
import { LOOKED } from './lookedTables'
import { SEEN } from './seenTables'
import type { Cause, Observation } from './vocabulary'

/**
 * How likely each observation is under each cause. Uldo's own estimates, by what the parts do; what a gauge reads, and what a
 * lamp does with it, come from the circuit and stand elsewhere (`simulated.ts`). Nothing is certain: a look can miss, and be
 * misread.
 */
export const TABLES: Record<Exclude<Observation, 'lamp'>, readonly Line[]> = { ...SEEN, ...LOOKED }

/** The line of a table for a cause, and for whether the pump brings oil. */
export function lineFor(observation: Exclude<Observation, 'lamp'>, cause: Cause, brings: boolean): Line {
  return TABLES[observation].find(
    (line) => (line.of?.includes(cause) ?? true) && (line.brings === undefined || line.brings === brings),
  )!
}
