import type { Sheet } from '../record/schema'
import type { RecordedCase } from '../record/traceCase'
import { CAUSES } from './priors'
import type { Cause, Observed, TraceCase } from './vocabulary'

/** A case of a build by its key. */
export interface NumberedCase {
  key: string
  recorded: RecordedCase
}

const numberOf = (key: string) => Number(key.split('.')[1])

/** A build's cases, the newest first. */
export const casesOf = ({ cases = {} }: Pick<Sheet, 'cases'>): NumberedCase[] =>
  Object.entries(cases)
    .map(([key, recorded]) => ({ key, recorded }))
    .sort((a, b) => numberOf(b.key) - numberOf(a.key))

/** The case that is open; the newest, where several are. */
export const openCase = (sheet: Pick<Sheet, 'cases'>): NumberedCase | undefined =>
  casesOf(sheet).find(({ recorded }) => !recorded.closed)

/** The key that a new case takes. */
export const nextCaseKey = (sheet: Pick<Sheet, 'cases'>): string =>
  `case.${Math.max(0, ...casesOf(sheet).map(({ key }) => numberOf(key))) + 1}`

/** What a case's record says, as it is weighed. */
export const tracedOf = ({ context, stoodDays, moment, readings, observations }: RecordedCase): TraceCase => ({
  context,
  stoodDays,
  moment,
  readings,
  observations: Object.fromEntries(
    Object.entries(observations).flatMap(([key, seen]) => (seen ? [[key, seen.value]] : [])),
  ) as Observed,
})

/** Closed cases that count as much as the prior, and so move it by half. */
const WORTH = 12

/**
 * How much oftener or less often each cause was found in a shop's closed cases than the priors say: Dirichlet counts, the
 * prior worth so many cases.
 *
 * @param prior of each cause, of one sum
 */
export function shopFactors(found: readonly Cause[], prior: (cause: Cause) => number): Partial<Record<Cause, number>> {
  if (found.length === 0) return {}
  const sum = CAUSES.reduce((all, cause) => all + prior(cause), 0)
  return Object.fromEntries(
    CAUSES.map((cause) => {
      const share = prior(cause) / sum
      const count = found.filter((each) => each === cause).length
      return [cause, (count + WORTH * share) / ((found.length + WORTH) * share)]
    }),
  )
}
