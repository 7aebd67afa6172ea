import { canHave } from '../engine/faults'
import type { FaultKey } from '../parts/list'
import type { Sheet } from '../record/schema'
import { median } from '../quantity/mean'
import { type Random, seeded } from '../random/random'
import { prepareEngineRig } from '../rig/engine'
import type { RigAction } from '../run/actions'
import { prepareWatch } from '../start/watch'
import type { WatchRules } from '../start/watchRules'
import type { RunSample, Stop } from '../start/watchTypes'

/** Starts of one drill; how long each is shown, s, from the first turn of the crank; readings a second. */
export const STARTS = 20
export const SHOWN = 14
export const RATE = 10
/** It fires so long after the starter has taken it, s, at the earliest and the latest. */
const FIRES = [1.5, 3]
/** About as many are faulty. */
const FAULTY = 0.5
/** So often one start is drawn anew at most. */
const TRIES = 40
/** Faults that end pressure, or keep it from coming, within seconds of a start. */
const SUDDEN: FaultKey[] = [
  'undriven',
  'no-oil',
  'dry-pump',
  'air-lock',
  'plug-out',
  'relief-open',
  'relief-shut',
  'pickup-air',
  'uncovered',
]

/** One short start, as its gauge shows it. */
export interface DrillStart {
  samples: RunSample[]
  firedAt: number
  fault?: FaultKey
  /** Where the watch stops it; a start without it is to be let run. */
  stop?: Stop
}

/** What a hand did with a start: s of the run at which it called it off; undefined where it let it run. */
export type Call = number | undefined

/**
 * Twenty short starts of one engine, healthy and faulty mixed: which of them are to be stopped is what the watch says that goes by the readings alone (deadline,
 * ceiling, total loss), so that nothing is asked of an eye which could not be seen.
 *
 * @throws {RangeError} where no such start can be drawn of the engine
 */
export function* drillStarts(sheet: Sheet, rules: WatchRules, seed: number): Generator<DrillStart> {
  const random = seeded(101 * seed + 7)
  const sudden = SUDDEN.filter((key) => canHave(key, sheet.layout))
  for (let start = 0; start < STARTS; start++) {
    const faulty = random() < FAULTY
    for (let tries = 0; ; tries++) {
      if (tries === TRIES) throw new RangeError('drill: no start of this engine shows what it is to be called by')
      const fault = faulty ? sudden[Math.floor(random() * sudden.length)] : undefined
      const drawn = oneStart(sheet, rules, fault, random)
      // A fault that shows nothing yet, or a healthy engine that the watch would stop, teaches nothing.
      if (faulty !== (drawn.stop === undefined)) {
        yield drawn
        break
      }
    }
  }
}

function oneStart(sheet: Sheet, rules: WatchRules, key: FaultKey | undefined, random: Random): DrillStart {
  const fault = key && { key, severity: 0.5 + 0.5 * random() }
  const seed = Math.floor(random() * 1e6)
  const rig = prepareEngineRig(sheet, {
    kind: 'start',
    seed,
    pace: 1,
    fault,
    stood: 600 + Math.floor(random() * 12_000),
  })
  const watch = prepareWatch(rules)
  const firedAt = FIRES[0] + (FIRES[1] - FIRES[0]) * random()
  const hand: [at: number, action: RigAction][] = [
    [0, 'crank'],
    [firedAt, 'fire'],
    [firedAt + 4 + 4 * random(), random() < 0.5 ? 'fast-idle' : 'cold-idle'],
  ]
  const samples: RunSample[] = []
  let stop: Stop | undefined
  for (let tick = 0; tick < SHOWN * RATE; tick++) {
    while (hand.length > 0 && tick >= RATE * hand[0][0]) rig.act(hand.shift()![1])
    const sample = rig.advance(1 / RATE)
    samples.push(sample)
    stop ??= watch.take(sample).stop
  }
  return { samples, firedAt, ...(key ? { fault: key } : {}), ...(stop ? { stop } : {}) }
}

export interface DrillScore {
  /** Faulty ones that were stopped, and healthy ones that were let run. */
  right: number
  falseStops: number
  /** Faulty ones that were let run. */
  missed: number
  /** s from the watch's stop to the hand's, in the middle of those that were stopped; under nought where the hand was before it. */
  reaction?: number
  /** s that journals ran on after a stop was due, all together. */
  late: number
}

/** What a hand's calls come to. */
export function scoreDrill(starts: readonly Pick<DrillStart, 'stop'>[], calls: readonly Call[]): DrillScore {
  const reactions: number[] = []
  const score = { right: 0, falseStops: 0, missed: 0, late: 0 }
  starts.forEach(({ stop }, i) => {
    const call = calls[i]
    if (stop === undefined) score[call === undefined ? 'right' : 'falseStops']++
    else if (call === undefined) {
      score.missed++
      score.late += SHOWN - stop.time
    } else {
      score.right++
      reactions.push(call - stop.time)
      score.late += Math.max(0, call - stop.time)
    }
  })
  return { ...score, ...(reactions.length > 0 ? { reaction: median(reactions) } : {}) }
}
