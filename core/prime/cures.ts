import { type PrimeFault, type PrimeModel, type PrimeRun, primeRun, type Stall } from './run'
import type { PrimeSetUp } from './setUp'

/** A change to how an engine is primed that cures a stall. */
export interface Cure {
  key: 'pack' | 'filter-off' | 'faster' | 'tank' | 'pump-port' | 'pad-port' | 'more-oil'
  words: string
  setUp: PrimeSetUp
  /** Seconds to pressure with it. */
  time: number
}

/** Fastest that a hand drill should turn a pump, rev/s: 1200 rpm. */
const FASTEST = 20

/** What stalls a prime, in a builder's words. */
export const STALL_WORDS: Record<Stall, string> = {
  'not-turning': 'nothing turns the pump',
  'cannot-draw': 'air slips back through the pump faster than it moves it: it cannot lift oil from the sump',
  'cannot-push': 'the pump draws, but on air it cannot open the way through the filter',
  'draws-air': 'air comes in at the pickup: the oil arrives foamed and late, or not at all',
  'tank-empty': 'the tank is empty before every passage is full',
  'no-hold':
    'oil is in the gallery, but something lets it out again: a plug left out, a relief valve that stands open, or air with the oil',
  slow: 'oil moves, but too slowly to fill the circuit in five minutes',
}

/** Every single change that would prime a stalled engine, by the model, quickest first. */
export function curesFor(model: PrimeModel, run: PrimeRun, fault: PrimeFault = {}): Cure[] {
  const { setUp } = run
  const tries: Omit<Cure, 'time'>[] = []
  const offer = (key: Cure['key'], words: string, change: Partial<PrimeSetUp>) =>
    tries.push({ key, words, setUp: { ...setUp, ...change } })
  if (setUp.method === 'tank')
    offer('more-oil', 'fill the tank with twice the oil', { tankVolume: 2 * setUp.tankVolume })
  else {
    if (setUp.packing === 'dry' || setUp.packing === 'oil')
      offer('pack', 'pack the pump with assembly lubricant', { packing: 'assembly-lubricant' })
    if (setUp.filter !== 'off' && model.sheet.layout.filter)
      offer('filter-off', 'leave the filter off until oil runs at the pad', { filter: 'off' })
    if (setUp.method === 'drill' && setUp.drillSpeed < FASTEST)
      offer('faster', 'turn the drill at 1200 rpm', { drillSpeed: FASTEST })
    if (setUp.method === 'hand' && setUp.port !== 'pump')
      offer('pump-port', 'pour at the pump, not after it', { port: 'pump' })
    if (setUp.method === 'hand' && setUp.port === 'gauge' && model.sheet.layout.filter)
      offer('pad-port', 'pour into the pump’s side of the filter pad until it drips', { port: 'pad' })
    offer('tank', 'push oil in from a pressure tank at the gauge port', { method: 'tank', port: 'gauge' })
  }
  return tries
    .map((each) => ({ each, ran: primeRun(model, each.setUp, fault) }))
    .filter(({ ran }) => ran.primed)
    .map(({ each, ran }) => ({ ...each, time: ran.timeToPressure! }))
    .sort((a, b) => a.time - b.time)
}

/** The same prime with the filter left off, fitted dry and fitted full; the safe one first by whether it primes, then by time. */
export function filterSideBySide(model: PrimeModel, setUp: PrimeSetUp): PrimeRun[] {
  return (['off', 'dry', 'filled'] as const).map((filter) => primeRun(model, { ...setUp, filter }))
}

/**
 * Which way with the filter is safe: of those that prime with this pump and also with one that is only oiled, the quickest, so that a
 * pump whose packing was washed out does not stand against an air gap.
 */
export function safeFilter(model: PrimeModel, setUp: PrimeSetUp): PrimeRun['setUp']['filter'] {
  const runs = filterSideBySide(model, setUp)
  const worse = filterSideBySide(model, { ...setUp, packing: 'dry' })
  const good = runs.filter((run, i) => run.primed && worse[i].primed)
  const among = good.length > 0 ? good : runs.filter((run) => run.primed)
  return among.sort((a, b) => a.timeToPressure! - b.timeToPressure!)[0]?.setUp.filter ?? 'off'
}
