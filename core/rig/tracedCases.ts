import type { Sheet } from '../record/schema'
import { type Random, seeded } from '../random/random'
import { priorOf } from '../trace/priors'
import { causesOf } from '../trace/simulated'
import type { Trace, Tracer } from '../trace/trace'
import type { CheckKey } from '../trace/checks'
import { type Cause, type Context, CONTEXTS, type Moment, type TraceCase } from '../trace/vocabulary'
import { preparePatient, type SimulatedPatient } from './patient'
import { findingOf } from './symptoms'

/** Moments at which pressure is found to be wrong, by what the engine has behind it. */
const SEEN_AT: Record<Context, Moment[]> = {
  fresh: ['prime', 'prime', 'crank', 'first-run', 'first-run', 'idle-hot', 'working-hot'],
  stood: ['crank', 'first-run', 'cold', 'idle-hot'],
  ran: ['idle-hot', 'idle-hot', 'working-hot', 'cold'],
  'oil-change': ['first-run', 'cold', 'idle-hot'],
}
/** Priors are drawn as flat as this power makes them, so that what is seldom comes oftener than the tables say. */
const FLATTER = 0.7
/** So many checks are made at most: where the cheap ones do not tell, what is taken apart does. */
const MOST = 20

export interface SimulatedCase {
  patient: SimulatedPatient
  traced: TraceCase
  cause: Cause
}

/** What is asked of a drawn case: a cause, and how bad it is at least and at most, 0 to 1; any where it is not said. */
export interface Wanted {
  cause?: Cause
  severity?: readonly [least: number, most: number]
}
/** Each time that nobody would have noticed it, what was asked for is drawn so much worse. */
const WORSE = 0.04

/**
 * Draws a case: what is wrong, how bad, and what was seen of it first.
 *
 * @throws {RangeError} where the engine cannot have the cause that is wanted
 */
export function drawCase(sheet: Sheet, seed: number, { cause: wanted, severity = [0, 1] }: Wanted = {}): SimulatedCase {
  const random = seeded(31 * seed + 5)
  const causes = causesOf(sheet)
  if (wanted && !causes.includes(wanted)) throw new RangeError(`traced cases: this engine cannot have “${wanted}”`)
  const context = wanted
    ? drawn(
        CONTEXTS.map((each) => [each, priorOf(wanted, each)] as const),
        random,
      )
    : CONTEXTS[Math.floor(random() * CONTEXTS.length)]
  const stoodDays = context === 'stood' ? 7 + Math.floor(90 * random()) : undefined
  const weights = causes.map((each) => [each, priorOf(each, context, stoodDays) ** FLATTER] as const)
  const [least, most] = severity
  for (let trial = 0; ; trial++) {
    const cause = wanted ?? drawn(weights, random)
    const bad = Math.min(1, least + (most - least) * random() + (wanted ? WORSE * trial : 0))
    const patient = preparePatient(sheet, cause, bad, 1000 * seed + trial)
    const moments = SEEN_AT[context].filter((each) => isFelt(cause, patient, each) || bad === 1)
    if (moments.length > 0)
      return caseOf({ context, stoodDays, patient, cause, moment: oneOf(moments, random) }, random)
  }
}

/** Nobody traces what nobody noticed: pressure is off by this much, or the lamp is lit, or somebody takes it for low. */
const FELT = 0.2
function isFelt(cause: Cause, patient: SimulatedPatient, moment: Moment): boolean {
  if (cause === 'by-design' || cause === 'lamp-only' || cause === 'sender-low') return true
  const { pressure, sound } = patient.at(moment)
  return Math.abs(pressure / sound - 1) > FELT
}

function oneOf<T>(values: readonly T[], random: Random): T {
  return values[Math.floor(random() * values.length)]
}

/** What was seen of it first: what one gauge read, at idle and at speed where it ran hot, and now and then the lamp. */
function caseOf(
  {
    context,
    stoodDays,
    patient,
    cause,
    moment,
  }: Omit<TraceCase, 'readings' | 'observations'> & { patient: SimulatedPatient; cause: Cause },
  random: Random,
): SimulatedCase {
  const gauge = random() < 0.3 ? 'mechanical' : 'sender'
  const readings = [patient.read(moment, gauge)]
  const other = moment === 'idle-hot' ? 'working-hot' : moment === 'working-hot' ? 'idle-hot' : undefined
  if (other && random() < 0.6) readings.push(patient.read(other, gauge))
  const observations: TraceCase['observations'] = {}
  if (moment !== 'prime' && (cause === 'lamp-only' || random() < 0.3))
    observations.lamp = findingOf('lamp', patient.at(moment), random) as 'on' | 'off'
  return { patient, cause, traced: { context, stoodDays, moment, readings, observations } }
}

/** One of several, each as often as its weight. */
function drawn<T>(weights: (readonly [T, number])[], random: Random): T {
  let left = random() * weights.reduce((sum, [, weight]) => sum + weight, 0)
  for (const [value, weight] of weights) if ((left -= weight) < 0) return value
  return weights.at(-1)![0]
}

/** A case traced to its end by the checks that were proposed first. */
export interface TracedCase {
  trace: Trace
  made: CheckKey[]
  /** A check that took something apart, while one under five minutes told more for each minute. */
  tooEarly: boolean
}

/**
 * Traces a case: what is proposed first is made, until nothing more is to be made.
 *
 * @param find what a check of this engine comes to
 */
export function traceToTheEnd(
  tracer: Tracer,
  { patient, traced }: Pick<SimulatedCase, 'patient' | 'traced'>,
  find = (check: CheckKey) => findingOf(check, patient.at(traced.moment), patient.random),
): TracedCase {
  const observations = { ...traced.observations }
  const made: CheckKey[] = []
  let tooEarly = false
  for (;;) {
    const trace = tracer.trace({ ...traced, observations })
    const [next] = trace.nextChecks
    if (trace.decided || !next || made.length >= MOST) return { trace, made, tooEarly }
    if (next.teardown)
      tooEarly ||= trace.nextChecks.some(
        ({ minutes, perMinute }) => minutes < 5 && perMinute > next.tells / next.minutes,
      )
    made.push(next.check)
    Object.assign(observations, { [next.check]: find(next.check) })
  }
}
