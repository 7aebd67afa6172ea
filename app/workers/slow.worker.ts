import { filledFor } from '#core/record/fill'
import { expose } from 'comlink'
import highsWasm from 'highs/runtime?url'
import type { Sheet } from '#core/record/schema'
import { journalFilm } from '#core/outlook/journalFilm'
import type { FinderProgress, Offer } from '#core/finder/types'
import type { OutlookMap } from '#core/outlook/map'
import type { CandidatePump } from '#core/outlook/pumps'
import type { ValveName } from '#core/parts/reliefReadings'
import { type BearingOrbit, engineOrbits, type OrbitMoment } from '#core/outlook/orbits'
import type { PlanGiven } from '#core/plan/shop'
import type { PrimeSeen } from '#core/prime/watch'
import type { PrimeSetUp } from '#core/prime/setUp'
import { chooseShells } from '#core/shells/choose'
import { integerSolver } from '#core/programme/solver'
import type { ShellProblem } from '#core/shells/types'
import type { Observation } from '#core/start/calibrate'
import type { Stop } from '#core/start/watchTypes'
import type { Seen } from '#core/start/suspects'
import type { Tracer } from '#core/trace/trace'
import type { CheckKey } from '#core/trace/checks'
import type { Cause, Moment, TraceCase } from '#core/trace/vocabulary'
import type { Done, Exercise } from '#core/practice/exercise'
import type { PracticeTask } from '#core/practice/task'
import { withUsableSheets } from './usable'

/** What takes longer than a keystroke: films on the grid, orbits over the cycle, shells by integer programme, comparisons of many set-ups. Apart from the outlook's worker. */
let wanted = 0
let searching = 0
/** The simulations of the sheet that was traced last: each answer asks for the same again. */
let tracer: { of: string; by: Tracer } | undefined
/** The engine on the practice bench, with what it hides. */
let practised: { of: string; by: Exercise } | undefined
async function exerciseOf(sheet: Sheet, task: PracticeTask): Promise<Exercise> {
  const of = JSON.stringify([sheet, task])
  if (practised?.of !== of)
    practised = { of, by: (await import('#core/practice/exercise')).prepareExercise(sheet, task) }
  return practised.by
}

export interface OrbitSummary extends Pick<
  BearingOrbit,
  'set' | 'number' | 'least' | 'peak' | 'greatestLoad' | 'meanLoad' | 'specificLoad' | 'radialClearance'
> {
  x: Float64Array
  y: Float64Array
  film: Float64Array
}

const films = {
  film: journalFilm,
  pumps: async (sheet: Sheet, candidates: CandidatePump[], fitted: { label: string; displacement: number }) =>
    (await import('#core/outlook/pumps')).comparePumps(sheet, candidates, fitted),
  pumpWays: async (sheet: Sheet, fresh?: CandidatePump & { price?: number }) =>
    (await import('#core/outlook/pumpWays')).pumpWays(sheet, fresh),
  longIdle: async (sheet: Sheet) => (await import('#core/outlook/longIdle')).longIdle(sheet),
  benchReads: async (sheet: Sheet, name: ValveName) =>
    (await import('#core/outlook/benchReads')).benchReads(sheet, name),
  grooves: async (sheet: Sheet, grades: string[]) =>
    (await import('#core/outlook/grooves')).groovesCompared(sheet, grades),
  pumpAtStates: async (sheet: Sheet) => (await import('#core/outlook/pumpOver')).pumpAtStates(sheet),
  pumpOver: async (sheet: Sheet) => (await import('#core/outlook/pumpOver')).pumpOver(sheet),
  mapBand: async (sheet: Sheet, map: Pick<OutlookMap, 'speeds' | 'temperatures' | 'pressure'>) =>
    (await import('#core/outlook/mapBand')).mapBand(sheet, map),
  scenarios: async (sheet: Sheet) => (await import('#core/outlook/scenarios')).scenarios(sheet),
  /** Set-ups from the shelf, told as they are found; undefined when cancelled or asked anew meanwhile. */
  async find(
    sheet: Sheet,
    offer: Offer,
    tell: (progress: FinderProgress) => void,
  ): Promise<FinderProgress | undefined> {
    const turn = ++searching
    const { findSetups } = await import('#core/finder/find')
    let last: FinderProgress | undefined
    let told = 0
    for (const progress of findSetups(sheet, offer)) {
      last = progress
      if (performance.now() - told < 120) continue
      told = performance.now()
      tell(progress)
      // Lets a cancel in.
      await new Promise((done) => setTimeout(done))
      if (turn !== searching) return undefined
    }
    return last
  },
  stopFinding: () => void searching++,
  passages: async (sheet: Sheet) => (await import('#core/outlook/passages')).passageEffects(sheet),
  /** Orbits of all bearings, told one by one; undefined when cancelled or asked anew meanwhile. */
  async orbits(
    sheet: Sheet,
    moment: OrbitMoment,
    tell?: (done: number, of: number) => void,
  ): Promise<OrbitSummary[] | undefined> {
    const turn = ++wanted
    const of = sheet.layout.mains + sheet.layout.feed.length
    const found: OrbitSummary[] = []
    for (const {
      set,
      number,
      least,
      peak,
      greatestLoad,
      meanLoad,
      specificLoad,
      radialClearance,
      x,
      y,
      film,
    } of engineOrbits(sheet, moment)) {
      found.push({ set, number, least, peak, greatestLoad, meanLoad, specificLoad, radialClearance, x, y, film })
      tell?.(found.length, of)
      // Lets a cancel in between two bearings.
      await new Promise((done) => setTimeout(done))
      if (turn !== wanted) return undefined
    }
    return found
  },
  timeline: async (sheet: Sheet, setUp: PrimeSetUp) =>
    (await import('#core/prime/timeline')).primeTimeline(sheet, setUp),
  /** The three ways with the filter side by side, the safe one, and what cures a stall. */
  async primeSetUps(sheet: Sheet, setUp: PrimeSetUp) {
    const [{ curesFor, filterSideBySide, safeFilter }, { modelOf }] = await Promise.all([
      import('#core/prime/cures'),
      import('#core/outlook/model'),
    ])
    const model = modelOf(filledFor(sheet, 'prime'))
    const runs = filterSideBySide(model, setUp)
    const own = runs.find((run) => run.setUp.filter === setUp.filter)!
    return {
      runs: runs.map(({ moments: _moments, ...run }) => run),
      safe: safeFilter(model, setUp),
      cures: own.primed ? [] : curesFor(model, own),
    }
  },
  primeClock: async (sheet: Sheet) => (await import('#core/prime/standing')).primeClock(sheet),
  primeSuspects: async (sheet: Sheet, setUp: PrimeSetUp, seen: PrimeSeen) =>
    (await import('#core/prime/watch')).primeSuspects(sheet, setUp, seen),
  expectation: async (sheet: Sheet) => (await import('#core/start/expectation')).expectationOf(sheet),
  startSuspects: async (sheet: Sheet, stop: Stop, seen: Seen[]) =>
    (await import('#core/start/suspects')).suspectsOf(sheet, stop, seen),
  calibrate: async (sheet: Sheet, observations: Observation[]) =>
    (await import('#core/start/calibrate')).calibrate(sheet, observations),
  /** Causes of a case by how likely they are, the checks to make next, and what spoke for each cause. */
  async trace(sheet: Sheet, traced: TraceCase, priors: Partial<Record<Cause, number>>, tell?: (share: number) => void) {
    const [{ prepareTracer }, { recordSays }] = await Promise.all([
      import('#core/trace/trace'),
      import('#core/trace/record'),
    ])
    const of = JSON.stringify({ ...sheet, cases: undefined })
    if (tracer?.of !== of) tracer = { of, by: prepareTracer(sheet, tell) }
    return {
      ...tracer.by.trace(traced, priors),
      reasons: tracer.by.reasons(traced, priors),
      said: recordSays(sheet, traced),
    }
  },
  /** What is said of an engine on the practice bench, what can be looked at and what it may be. */
  async exercise(sheet: Sheet, task: PracticeTask) {
    const { traced, checks, runs, causes } = await exerciseOf(sheet, task)
    return { traced, checks, runs, causes }
  },
  async exerciseLook(sheet: Sheet, task: PracticeTask, check: CheckKey) {
    const exercise = await exerciseOf(sheet, task)
    const done = exercise.look(check)
    return { done, spent: exercise.costOf(done) }
  },
  async exerciseRun(sheet: Sheet, task: PracticeTask, moment: Moment) {
    const exercise = await exerciseOf(sheet, task)
    const done = exercise.run(moment)
    return { done, spent: exercise.costOf(done) }
  },
  async exerciseRepair(sheet: Sheet, task: PracticeTask, cause: Cause) {
    const exercise = await exerciseOf(sheet, task)
    const done = exercise.repair(cause)
    return { done, spent: exercise.costOf(done) }
  },
  /** What it was, what the way there came to, and the shortest one. */
  async exerciseEnd(sheet: Sheet, task: PracticeTask, done: Done[], helped: number) {
    const [exercise, { scoreOf, tallyOf }] = await Promise.all([
      exerciseOf(sheet, task),
      import('#core/practice/score'),
    ])
    const way = exercise.shortest()
    const shortestTally = tallyOf(exercise, way)
    return {
      hidden: exercise.hidden,
      shortest: way.map((each) => ({ done: each, spent: exercise.costOf(each) })),
      shortestTally,
      score: scoreOf(tallyOf(exercise, done), shortestTally, done, helped),
    }
  },
  /** Twenty short starts of an engine; told how many are drawn. */
  async drill(sheet: Sheet, seed: number, tell: (share: number) => void) {
    const [{ drillStarts, STARTS }, { watchRules }] = await Promise.all([
      import('#core/practice/drill'),
      import('#core/start/watchRules'),
    ])
    const starts = []
    for (const start of drillStarts(sheet, watchRules(sheet), seed)) tell(starts.push(start) / STARTS)
    return starts
  },
  causeCurves: async (sheet: Sheet, causes: Cause[], temperature: number) =>
    (await import('#core/trace/curves')).causeCurves(sheet, causes, temperature),
  warm: async () =>
    void (await Promise.all([
      import('#core/prime/timeline'),
      import('#core/prime/cures'),
      import('#core/prime/standing'),
      import('#core/prime/watch'),
      import('#core/start/expectation'),
      import('#core/start/suspects'),
      import('#core/start/calibrate'),
      import('#core/trace/trace'),
      import('#core/trace/record'),
      import('#core/trace/curves'),
      import('#core/practice/exercise'),
      import('#core/practice/score'),
      import('#core/practice/drill'),
    ])),
  cancel: () => void wanted++,
  plan: async (given: PlanGiven) =>
    (await import('#core/plan/shop')).shopPlan(given, await integerSolver(() => highsWasm)),
  shells: async (problem: ShellProblem) => chooseShells(problem, await integerSolver(() => highsWasm)),
}
export type SlowWorker = typeof films
expose(withUsableSheets(films))
