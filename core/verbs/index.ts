/**
 * Uldo for programs: each verb of the command line as a function, its input as a schema, and an example that runs. SI units, rev/s or
 * what a key says, °C. Every function refuses what it cannot use with `Refused`, whose message begins with the field.
 */
import { z } from 'zod'
import { Sheet } from '../record/schema'
import { integerSolver } from '../programme/solver'
import { film, FilmInput } from './film'
import { network, NetworkInput } from './network'
import { outlook } from './outlook'
import { plan, PlanInput } from './plan'
import { prime, PrimeWay } from './prime'
import { relief, ReliefInput } from './relief'
import { named, Refused } from './take'
import { trace, TraceInput } from './trace'
import { trend, TrendDay } from './trend'
import { validate } from './validate'
import { viscosity, ViscosityInput } from './viscosity'
import { watch, WatchInput } from './watch'

export { film, network, outlook, plan, prime, Refused, relief, trace, trend, validate, viscosity, watch }
export type { BuildFile } from './build'

/** One verb of the command line. */
export interface Verb {
  /** What it answers, in a line. */
  summary: string
  input: z.ZodType
  /** An input that it answers; where it begins with a build file, the rest of it, to be put beside or around one. */
  example: unknown
  /** Where the build file stands in the input: it is the input, stands among its keys, under `build`, or under `build` in each of its engines. */
  build?: 'whole' | 'beside' | 'under' | 'each'
  /** What it answers; a promise of it where it loads a solver first. */
  run: (input: unknown) => unknown
}

/** A verb as it is asked from outside: what comes is not known to fit. */
const verb = <T>(each: Omit<Verb, 'run'> & { run: (input: T) => unknown }): Verb => ({
  ...each,
  run: (input) => named(() => each.run(input as T)),
})

export const VERBS: Record<string, Verb> = {
  viscosity: verb({
    summary: 'Viscosity and density of an oil at temperatures',
    input: ViscosityInput,
    example: { kv40: 108, kv100: 14.6, density15: 880, temperatures: [20, 90] },
    run: viscosity,
  }),
  film: verb({
    summary:
      'One plain bearing by the Reynolds equation: thinnest film, leakage and drag under a load or at an eccentricity',
    input: FilmInput,
    example: {
      diameter: 0.06,
      length: 0.025,
      radialClearance: 3e-5,
      speed: 50,
      viscosity: 0.01,
      load: 5000,
      feedPressure: 3e5,
      groove: { arc: 180, centre: 0, width: 0.004 },
    },
    run: film,
  }),
  relief: verb({
    summary: 'A relief valve: opening pressure, spring left to bind, pressure and lift at a flow',
    input: ReliefInput,
    example: {
      plungerDiameter: 0.0127,
      springRate: 5900,
      freeLength: 0.048,
      installedLength: 0.041,
      shims: [0.0015],
      solidLength: 0.0275,
      port: { shape: 'round', diameter: 0.0065 },
      flow: 3e-4,
      oil: '15W-40',
      temperature: 95,
    },
    run: relief,
  }),
  network: verb({
    summary: 'Pressures and flows of any oil circuit of pipes, orifices, valves and pumps',
    input: NetworkInput,
    example: {
      fluid: { density: 850, viscosity: 0.02 },
      nodes: [{ id: 'sump', pressure: 0 }, { id: 'gallery' }],
      elements: [
        {
          id: 'pump',
          kind: 'pump',
          from: 'sump',
          to: 'gallery',
          displacement: 1.5e-5,
          speed: 20,
          slipConductance: 1e-10,
        },
        { id: 'bearings', kind: 'linear', from: 'gallery', to: 'sump', conductance: 8e-10 },
      ],
    },
    run: network,
  }),
  outlook: verb({
    summary: 'What the gauge of a build will read at its four states, with bands and verdicts, and its map',
    input: Sheet,
    example: {},
    build: 'whole',
    run: outlook,
  }),
  plan: verb({
    summary: 'The plan of a shop: who does what next on which engine and when, what waits, what will be late',
    input: PlanInput,
    example: {
      now: '2026-12-01T08:00:00+01:00',
      people: [
        {
          name: 'Oda',
          hours: [
            ['08:00', '12:00'],
            ['13:00', '17:00'],
          ],
          days: [1, 2, 3, 4],
          away: ['2026-12-08'],
        },
      ],
      engines: [
        {
          promised: '2026-12-09T17:00:00+01:00',
          waits: [
            { what: 'shells', before: 'bearings', until: '2026-12-02T10:00:00+01:00' },
            { what: 'sealer', after: 'pickup', hours: 12 },
          ],
        },
      ],
    },
    build: 'each',
    run: async (input: unknown) => plan(await integerSolver(), input as PlanInput),
  }),
  prime: verb({
    summary: 'Priming a build: when oil is where, or why it stalls and what cures it',
    input: PrimeWay.loose(),
    example: { method: 'drill', packing: 'oil' },
    build: 'beside',
    run: prime,
  }),
  watch: verb({
    summary: 'The watch over recorded starts, as the page keeps it: first pressure, STOP, what was to be watched',
    input: WatchInput,
    example: {
      runs: [
        {
          samples: [
            { time: 0, rpm: 0, pressure: 0 },
            { time: 1, rpm: 180, pressure: 2e4 },
            { time: 2, rpm: 180, pressure: 1.5e5 },
          ],
        },
      ],
    },
    build: 'under',
    run: watch,
  }),
  trace: verb({
    summary: 'Causes of wrong or missing pressure by how likely they are, and which check to make next',
    input: TraceInput,
    example: {
      cases: [{ context: 'fresh', moment: 'prime', readings: [{ pressure: 0, with: 'mechanical' }], observations: {} }],
    },
    build: 'under',
    run: trace,
  }),
  trend: verb({
    summary: 'Where a build’s hot idle goes over the years by its service log, and when it may meet its floor',
    input: TrendDay.loose(),
    example: { today: '2026-12-01' },
    build: 'beside',
    run: trend,
  }),
  validate: verb({
    summary: 'Whether a build file can be taken, and what in it would void its prediction',
    input: Sheet,
    example: {},
    build: 'whole',
    run: validate,
  }),
}

/** An example of a verb, whole, with a build file in it where it wants one. */
export function exampleOf({ build, example }: Verb, file: object): unknown {
  if (build === 'whole') return file
  if (build === 'beside') return { ...file, ...(example as object) }
  if (build === 'each')
    return {
      ...(example as object),
      engines: (example as { engines: object[] }).engines.map((each) => ({ ...each, build: file })),
    }
  return build === 'under' ? { build: file, ...(example as object) } : example
}
