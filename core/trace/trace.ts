import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { nextChecks, type NextCheck } from './nextChecks'
import { type Reason, reasonsOf } from './reasons'
import { simulate, type Simulated } from './simulated'
import { momentsOf, weigh, type WeighedCause } from './weigh'
import type { Cause, TraceCase } from './vocabulary'

export interface Trace {
  causes: WeighedCause[]
  /** One cause stands so far above all others that it is gone to and mended, or nothing more can tell them apart. */
  decided: boolean
  nextChecks: NextCheck[]
}

/** From here on it is gone to, where no more than this share is left to all but the first three; and a check that tells less, bits, is not worth its walk. */
const DECIDED = 0.72
const AMONG_THREE = 0.9
const TELLS_NOTHING = 0.06

/** The simulations of one sheet, kept by what they were made of: a case asks for the same again with each answer. */
export interface Tracer {
  trace: (traced: TraceCase, priors?: Partial<Record<Cause, number>>) => Trace
  simulated: (traced: Pick<TraceCase, 'moment' | 'readings'>) => Simulated
  reasons: (traced: TraceCase, priors?: Partial<Record<Cause, number>>) => Reason[]
}

/** Makes a sheet ready to be traced. */
export function prepareTracer(recorded: Sheet, progress?: (share: number) => void): Tracer {
  const sheet = filledFor(recorded, 'start')
  const kept = new Map<string, Simulated>()
  const simulated: Tracer['simulated'] = (traced) => {
    const moments = momentsOf(sheet, traced)
    const key = JSON.stringify(moments)
    let found = kept.get(key)
    if (!found) kept.set(key, (found = simulate(sheet, moments, progress)))
    return found
  }
  return {
    simulated,
    reasons: (traced, priors) => reasonsOf(sheet, simulated, traced, priors),
    trace: (traced, priors) => {
      const causes = weigh(sheet, simulated(traced), traced, priors)
      const checks = nextChecks(sheet, traced, causes)
      const three = causes.slice(0, 3).reduce((sum, { probability }) => sum + probability, 0)
      const decided =
        (causes[0].probability >= DECIDED && three >= AMONG_THREE) || checks.every(({ tells }) => tells < TELLS_NOTHING)
      return { causes, nextChecks: checks, decided }
    },
  }
}
