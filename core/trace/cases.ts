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

/** Moments of a trace at which the record has gauge readings: the steady points of a start, and a prime. */
const ON_RECORD = [
  ['start.idleHot', 'idle-hot'],
  ['start.workingHot', 'working-hot'],
  ['start.idleCold', 'cold'],
  ['prime', 'prime'],
] as const

/** What the gauge has read of this engine, as a case takes it up; a prime only where it never ran. */
export function readingsOnRecord({ readings }: Pick<Sheet, 'readings'>): RecordedCase['readings'] {
  const value = (key: string) => readings[key]?.value
  const found = ON_RECORD.flatMap(([point, moment]) => {
    const read = readings[`${point}.pressure`]
    if (!read || read.source === 'planned') return []
    const [speed, temperature] = [value(`${point}.speed`), value(`${point}.temperature`)]
    return [
      {
        moment,
        pressure: read.value,
        ...(read.by ? { by: read.by } : {}),
        ...(read.at ? { at: read.at } : {}),
        ...(speed === undefined ? {} : { speed }),
        ...(temperature === undefined ? {} : { temperature }),
      },
    ]
  })
  const ran = found.filter(({ moment }) => moment !== 'prime')
  return ran.length > 0 ? ran : found
}

/** What was mended in the cases before this one, the symptom having stayed. */
function mendedBefore({ after }: RecordedCase, { cases = {} }: Pick<Sheet, 'cases'>): Cause[] {
  const mended: Cause[] = []
  const seen = new Set<string>()
  for (let key = after; key !== undefined && cases[key] && !seen.has(key); key = cases[key].after) {
    seen.add(key)
    const cause = cases[key].found?.cause
    if (cause !== undefined && (CAUSES as string[]).includes(cause)) mended.push(cause as Cause)
  }
  return mended
}

/** What a case's record says, as it is weighed, with what was mended in those before it. */
export const tracedOf = (recorded: RecordedCase, sheet: Pick<Sheet, 'cases'> = {}): TraceCase => ({
  context: recorded.context,
  stoodDays: recorded.stoodDays,
  moment: recorded.moment,
  readings: recorded.readings,
  mended: mendedBefore(recorded, sheet),
  observations: Object.fromEntries(
    Object.entries(recorded.observations).flatMap(([key, seen]) => (seen ? [[key, seen.value]] : [])),
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
