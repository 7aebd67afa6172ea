import { filledFor } from '../record/fill'
import { passagesOf } from '../engine/catalogue'
import type { FaultKey } from '../parts/list'
import type { Sheet } from '../record/schema'
import { modelOf } from '../outlook/model'
import { type Fault, faultOf } from '../engine/faults'
import type { PrimeExpectation } from './prime'
import { type PrimeRun, primeRun } from './run'
import type { PrimeTimeline } from './timeline'
import type { PrimeSetUp } from './setUp'

/** What has been seen of a prime so far. */
export interface PrimeSeen {
  /** Seconds that the pump has turned, or the tank has pushed. */
  turned: number
  /** Whether oil ran at the pad, where it could be seen, and after how many seconds of turning. */
  pad?: number
  /** Gauge over the last seconds, Pa: mean, and scatter over it with the sender's own noise taken off. */
  gauge: number
  flicker: number
  /** The newest readings without a single spike, Pa, where several are averaged in `gauge`. */
  latest?: number
  /** Seconds since the gauge was last read, where it should have been read since. */
  unread?: number
  /** Seconds of turning since the gauge last moved by a tenth. */
  still: number
  /** Sender and mechanical gauge side by side, Pa, where both are there. */
  sender?: number
}

export type PrimeWordCode =
  | 'going-well'
  | 'primed'
  | 'late-pad'
  | 'late-gauge'
  | 'low'
  | 'flickers'
  | 'gauges-differ'
  | 'over-band'
  | 'over-limit'
  | 'not-watching'

export interface PrimeWord {
  code: PrimeWordCode
  level: 'fine' | 'watch' | 'stop'
  /** How late, s, or how far under, Pa. */
  by: number
}

/** Seconds of turning without pressure that are enough where no model says when it should come. */
const UNMODELLED = 30
/** Grace beside a time's band, s, and how still a gauge must be to be judged, s. */
const GRACE = 5
const STILL = 4
/** Gauge that counts as risen, Pa. */
const RISEN = 20e3
const FLICKERS = 0.12
const DIFFER = { share: 0.15, least: 40e3 }

/** What the model says of a prime: when oil should be where, and what the gauge should come to. */
export interface PrimeModelled {
  timeline: Pick<PrimeTimeline, 'pad' | 'gauge' | 'pressure' | 'run'>
  expected: Pick<PrimeExpectation, 'least' | 'high'>
}

/** How long a gauge may creep under half of the least to accept: so many times what it should have stood by, and s. */
const CREEPING = { times: 1.5, grace: 6 }

/**
 * An early word on a prime: what it has come to by now, held against when oil should be where and what the gauge should say. Without a model the limit and a
 * gauge that does not move are still watched, and nothing is called primed.
 *
 * @param ceiling what filter and seals may see, Pa
 */
export function primeWord(seen: PrimeSeen, modelled: PrimeModelled | undefined, ceiling: number): PrimeWord {
  const word = (code: PrimeWordCode, level: PrimeWord['level'], by = 0): PrimeWord => ({ code, level, by })
  // Whatever drives it, and before anything else.
  const most = Math.max(seen.gauge, seen.latest ?? 0)
  if (most > ceiling) return word('over-limit', 'stop', most - ceiling)
  if (seen.unread !== undefined) return word('not-watching', 'watch', seen.unread)
  if (!modelled)
    return seen.gauge < RISEN && seen.turned > UNMODELLED
      ? word('late-gauge', 'stop', seen.turned)
      : word('not-watching', 'watch')
  const { timeline, expected } = modelled
  const { run } = timeline
  if (
    seen.sender !== undefined &&
    Math.abs(seen.sender - seen.gauge) > Math.max(DIFFER.least, DIFFER.share * seen.gauge)
  )
    return word('gauges-differ', 'watch', seen.sender - seen.gauge)
  if (
    run.setUp.filter === 'off' &&
    timeline.pad &&
    seen.pad === undefined &&
    seen.gauge < RISEN &&
    seen.turned > timeline.pad.high + GRACE
  )
    return word('late-pad', 'stop', seen.turned - timeline.pad.high)
  const due = timeline.pressure?.high ?? timeline.gauge?.high
  if (seen.gauge < RISEN) {
    // Where the model itself says that it stalls, so long is enough.
    const late = due === undefined ? UNMODELLED : due + GRACE
    return seen.turned > late ? word('late-gauge', 'stop', seen.turned - (due ?? 0)) : word('going-well', 'fine')
  }
  if (seen.flicker > FLICKERS && seen.turned > (due ?? 20)) return word('flickers', 'stop', seen.flicker)
  // A gauge that creeps far under what is wanted, long after it should have stood, is not waited out.
  const creeps =
    due !== undefined && seen.turned > CREEPING.times * due + CREEPING.grace && seen.gauge < 0.5 * expected.least
  if (creeps) return word('low', 'stop', expected.least - seen.gauge)
  if (seen.still < STILL || seen.turned < (due ?? 0)) return word('going-well', 'fine')
  if (seen.gauge < expected.least) return word('low', 'stop', expected.least - seen.gauge)
  return seen.gauge > expected.high + 20e3
    ? word('over-band', 'watch', seen.gauge - expected.high)
    : word('primed', 'fine')
}

/** Seconds of turning for which a stop is not taken back by “going on”: a gauge that stirs is judged anew only once it has stood. */
const TAKEN_BACK = 8

/** The word that stands, and at how many seconds of turning it last asked to stop. */
export interface StandingWord {
  word: PrimeWord
  stopAt?: number
}

/**
 * The word that stands after another was come to: a stop gives way at once to another stop or to a judgement. To “going on” it gives way only
 * after a while, and with a gauge that has come half the way to the least to accept, where it was too low all of it; or once oil runs at the pad, where
 * that was waited for. What went over the limit stays stopped.
 *
 * @param least least to accept at the gauge, Pa
 */
export function standingWord(
  before: StandingWord | undefined,
  word: PrimeWord,
  { turned, gauge, pad }: Pick<PrimeSeen, 'turned' | 'gauge' | 'pad'>,
  least: number,
): StandingWord {
  if (before?.word.code === 'over-limit' && !(word.code === 'over-limit' && word.by > before.word.by)) return before
  if (word.level === 'stop') return { word, stopAt: turned }
  // Readings that fail take no stop back.
  if (word.code === 'not-watching' && before?.word.level === 'stop') return before
  const since = before?.stopAt === undefined ? -1 : turned - before.stopAt
  if (word.code !== 'going-well' || since < 0 || (before!.word.code === 'late-pad' && pad !== undefined))
    return { word }
  return since < TAKEN_BACK || gauge < (before!.word.code === 'low' ? 1 : 0.5) * least ? before! : { word }
}

/** A cause that fits a prime that departs. */
export interface PrimeSuspect {
  key: FaultKey
  words: string
  look: string
  share: number
}

const USUAL: Partial<Record<FaultKey, number>> = {
  'dry-pump': 3,
  'pickup-air': 3,
  undriven: 1.5,
  'relief-open': 2,
  'plug-out': 1.5,
  'sender-low': 1,
  clearance: 0.5,
}
/** How well a fault's reading is known, as a share of it and by the sender's own error, Pa; its times, of their logarithm. */
const PRESSURE = 0.15
const SENDER = 8e3
const TIME = 0.4

/**
 * Faults that fit a prime that departs from its model, most likely first: each primed by the model in its place, and held
 * against when oil came to the pad, what the gauge says and how it flickers.
 */
export function primeSuspects(sheet: Sheet, setUp: PrimeSetUp, seen: PrimeSeen): PrimeSuspect[] {
  const keys = (Object.keys(USUAL) as FaultKey[]).filter(
    (key) => setUp.method !== 'tank' || (key !== 'undriven' && key !== 'dry-pump' && key !== 'pickup-air'),
  )
  const scored = keys.map((key) => {
    const fits = variants(sheet, key).map((fault) =>
      Math.exp(-0.5 * misfit(runWith(sheet, setUp, fault), fault, setUp, seen)),
    )
    return { key, score: (USUAL[key]! * fits.reduce((sum, fit) => sum + fit, 0)) / fits.length }
  })
  const all = scored.reduce((sum, { score }) => sum + score, 0) || 1
  return scored
    .map(({ key, score }) => {
      const { words, look } = faultOf(key, sheet.layout)
      return { key, words, look, share: score / all }
    })
    .sort((a, b) => b.share - a.share)
}

/** A fault as bad as it can be here: at two severities, and for plugs each one. */
function variants(sheet: Sheet, key: FaultKey): Fault[] {
  if (key !== 'plug-out') return [0.1, 0.5, 0.9].map((severity) => faultOf(key, sheet.layout, severity))
  const seen = new Set<string>()
  return passagesOf(sheet.layout).flatMap(({ kind, absent, key: passage }) => {
    if (kind !== 'plug' || absent.kind !== 'leak' || seen.has(`${absent.node} ${absent.bore}`)) return []
    seen.add(`${absent.node} ${absent.bore}`)
    return [{ ...faultOf('plug-out', sheet.layout), leftOut: [passage] }]
  })
}

/** The prime as it goes with a fault in its place. */
export function runWith(sheet: Sheet, setUp: PrimeSetUp, fault: Fault): PrimeRun {
  const model = modelOf(filledFor(sheet, 'prime'))
  const values = structuredClone(model.values)
  fault.change?.(values)
  const changed: PrimeSetUp = {
    ...setUp,
    ...(fault.pump ?? {}),
    ...(fault.undriven ? { drillSpeed: 0, crankSpeed: 0 } : {}),
  }
  return primeRun({ sheet, values, oil: model.oil }, changed, { airLeak: fault.airLeak, leftOut: fault.leftOut }, 60)
}

function misfit(run: PrimeRun, fault: Fault, setUp: PrimeSetUp, seen: PrimeSeen): number {
  const gauge = (fault.sender ?? 1) * run.pressure
  let sum = ((gauge - seen.gauge) / Math.hypot(PRESSURE * Math.min(gauge, seen.gauge), SENDER)) ** 2
  const visible = setUp.filter === 'off' && setUp.method !== 'tank'
  if (visible) {
    if (seen.pad === undefined && run.timeToPad !== undefined && run.timeToPad < 0.8 * seen.turned) sum += 9
    if (seen.pad !== undefined)
      sum +=
        run.timeToPad === undefined ? 16 : Math.min(9, (Math.log((run.timeToPad + 2) / (seen.pad + 2)) / TIME) ** 2)
  }
  if (fault.airLeak !== undefined) sum += seen.gauge > RISEN && seen.flicker < 0.03 ? 4 : 0
  else if (seen.gauge > RISEN && seen.flicker > FLICKERS) sum += 6
  return sum
}
