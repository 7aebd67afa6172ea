import type { FaultKey } from '../parts/list'
import type { Sheet } from '../record/schema'
import { envelopeOf } from '../start/envelope'
import type { Expectation } from '../start/expectation'
import { prepareWatch } from '../start/watch'
import type { WatchRules } from '../start/watchRules'
import type { Stop } from '../start/watchTypes'
import type { RigAction } from '../run/actions'
import { prepareEngineRig } from './engine'

/** What a hand does at a first start, by the second. */
export const START_SCRIPT: [at: number, action: RigAction][] = [
  [0, 'crank'],
  [3, 'fire'],
  [25, 'fast-idle'],
  [60, 'idle'],
  [80, 'working'],
  [100, 'idle'],
  [120, 'stop'],
]

export interface Trial {
  stop?: Stop
  /** s of the run at which it fired. */
  firedAt: number
  /** s from firing to first pressure. */
  firstPressure?: number
  /** s of the run at which it was stopped, or ended. */
  last: number
  /** s of the run from which what the sender gets stayed under what a healthy engine of this build gives. */
  underSince?: number
  /** And from which it stayed under what counts as lost. */
  lostSince?: number
}

/** One whole simulated start under the watch, at ten readings a second, until a stop or the end of the script. */
export function trialStart(
  sheet: Sheet,
  rules: WatchRules,
  expectation: Expectation,
  seed: number,
  fault?: { key: FaultKey; severity: number },
): Trial {
  // Warming four times as fast as an engine does, so that two minutes go from cold to hot.
  const rig = prepareEngineRig(sheet, { kind: 'start', seed, pace: 1, fault, stood: 600 + (seed % 40) * 600 }, 4)
  const watch = prepareWatch(rules, expectation)
  const firedAt = START_SCRIPT[1][0]
  let next = 0
  let underSince: number | undefined
  let lostSince: number | undefined
  for (let tick = 0; tick < 1200; tick++) {
    while (next < START_SCRIPT.length && tick >= 10 * START_SCRIPT[next][0]) rig.act(START_SCRIPT[next++][1])
    const sample = rig.advance(0.1)
    const seen = watch.take(sample)
    // As its sender would show it, without noise.
    const healthy = envelopeOf(expectation, rules, [sample.speed!, sample.speed!], sample.temperature!).least
    const shown = rig.truth.gain * rig.pressure() + rig.truth.offset
    lostSince = shown < rules.loss ? (lostSince ?? seen.time) : undefined
    underSince = shown < healthy ? (underSince ?? seen.time) : undefined
    if (seen.stop || tick === 1199)
      return { stop: seen.stop, firedAt, firstPressure: seen.firstPressure, last: seen.time, underSince, lostSince }
  }
  return { firedAt, last: 120 }
}
