import { drawCase, traceToTheEnd } from '../rig/tracedCases'
import { findingOf } from '../rig/symptoms'
import { canCheck, CHECK_KEYS, type CheckKey } from '../trace/checks'
import { causesOf } from '../trace/simulated'
import { prepareTracer } from '../trace/trace'
import type { Cause, Moment, TraceCase, TraceReading } from '../trace/vocabulary'
import type { Sheet } from '../record/schema'
import { seeded } from '../random/random'
import { type Cost, costOfCheck, costOfRepair, costOfRun, dryFor, isDry, RUNS } from './costs'
import type { Hardness, PracticeTask } from './task'

/** How bad a fault is drawn, 0 to 1: what is plain leaves much to see. */
const SEVERITY: Record<Hardness, readonly [number, number]> = {
  plain: [0.6, 1],
  middle: [0.3, 0.7],
  hard: [0.05, 0.35],
}

/** What is run warm is started first: there it shows whether there is pressure at all. */
const STARTS_AT: Partial<Record<Moment, Moment>> = {
  cold: 'first-run',
  'idle-hot': 'first-run',
  'working-hot': 'first-run',
}

/** What was done at the engine: a check with what it came to, or a repair with whether it was that. */
export interface CheckDone {
  check: CheckKey
  value: string
}
export interface RepairDone {
  repair: Cause
  right: boolean
  reading: TraceReading
}
/** It was turned or run, and read at its gauge. Without pressure it is called off at the deadline, whatever it was to be run at. */
export interface RunDone {
  run: Moment
  reading: TraceReading
  calledOff?: true
}
export type Done = CheckDone | RepairDone | RunDone

/** What something has cost, with the seconds for which journals ran dry. */
export interface Spent extends Cost {
  dry: number
}

/** A simulated engine with a fault that nobody at the bench knows. */
export interface Exercise {
  /** What is said of it at first. */
  traced: TraceCase
  checks: CheckKey[]
  /** What it can be turned or run at, to read its gauge. */
  runs: Moment[]
  /** What it may be, this engine's layout being what it is. */
  causes: Cause[]
  /** Makes a check; the same check comes to the same. */
  look: (check: CheckKey) => CheckDone
  /** Turns or runs it as it is, and reads its gauge. */
  run: (moment: Moment) => RunDone
  /** Repairs what it is taken for, and tries the engine. */
  repair: (cause: Cause) => RepairDone
  costOf: (done: Done) => Spent
  hidden: Cause
  /** What Uldo's own trace would have done, check by check, with what each came to, up to the repair it goes to. */
  shortest: () => Done[]
}

/**
 * An engine to practise on.
 *
 * @throws {RangeError} where a teacher's fault is none that this engine can have
 */
export function prepareExercise(sheet: Sheet, task: Pick<PracticeTask, 'seed' | 'hardness' | 'cause'>): Exercise {
  const drawn = drawCase(sheet, task.seed, { cause: task.cause, severity: SEVERITY[task.hardness] })
  const { patient, traced, cause: hidden } = drawn
  const { moment } = traced
  const look: Exercise['look'] = (check) => ({
    check,
    value: findingOf(check, patient.at(moment), seeded(97 * task.seed + 13 * CHECK_KEYS.indexOf(check) + 1)),
  })
  /** A sound gauge, read after a repair; a sender that was taken for wrong shows what it should. */
  const read = (right: boolean): TraceReading => {
    const { pressure, sound } = patient.at(moment)
    return { moment, pressure: right && hidden !== 'by-design' ? sound : pressure, with: 'mechanical' }
  }
  const repair: Exercise['repair'] = (cause) => ({
    repair: cause,
    right: cause === hidden,
    reading: read(cause === hidden),
  })
  const run: Exercise['run'] = (wanted) => {
    const at = patient.at(STARTS_AT[wanted] ?? wanted)
    const calledOff = isDry(at.pressure, at.sound)
    const reading = patient.read(
      calledOff ? (STARTS_AT[wanted] ?? wanted) : wanted,
      traced.readings[0]!.with ?? 'sender',
    )
    return { run: wanted, reading, ...(calledOff ? { calledOff } : {}) }
  }
  return {
    traced,
    hidden,
    run,
    // An engine that is being primed is started once it has been.
    runs: moment === 'prime' ? ['prime'] : RUNS,
    checks: CHECK_KEYS.filter((key) => canCheck(sheet, moment, key)),
    causes: causesOf(sheet),
    look,
    repair,
    costOf: (done) => {
      if ('run' in done) {
        const at = done.calledOff ? (STARTS_AT[done.run] ?? done.run) : done.run
        const cost = costOfRun(done.run, done.calledOff)
        const { pressure, sound } = patient.at(at)
        return { ...cost, dry: dryFor(cost.turning, pressure, sound, at) }
      }
      const cost = 'check' in done ? costOfCheck(done.check, moment) : costOfRepair(done.repair, moment)
      const { pressure, sound } = patient.at(moment)
      // Once it is repaired it is not dry any more.
      const dry = 'repair' in done && done.right ? 0 : dryFor(cost.turning, pressure, sound, moment)
      return { ...cost, dry }
    },
    shortest: () => {
      const { made, trace } = traceToTheEnd(
        prepareTracer(sheet),
        { patient, traced },
        (check) => look(check).value as never,
      )
      const tried: Done[] = []
      // It repairs what it thinks likeliest, and what it thinks next where it was not that.
      for (const { cause } of trace.causes) {
        tried.push(repair(cause))
        if (cause === hidden) break
      }
      return [...made.map(look), ...tried]
    },
  }
}
