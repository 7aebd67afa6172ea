import type { FaultKey } from '../parts/list'
import { prepareEngine } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { meanPressureAt } from '../outlook/states'
import { marchWithAir } from '../prime/airDrawn'
import { faultOf } from '../engine/faults'
import { flickerOf, mean } from '../quantity/mean'
import type { RunSample, Stop } from './watchTypes'

/** A cause that fits what was seen. */
export interface Suspect {
  key: Suspected
  words: string
  look: string
  /** Share of all that fits, 0 to 1. */
  share: number
}

/** Steady stretches of a run before its stop: what was read where. */
export interface Seen {
  speed: number
  temperature: number
  pressure: number
  /** Scatter of the readings over their mean. */
  flicker: number
}

/** Seconds that a stretch is read over. */
const STRETCH = 4

/** What the last seconds of a run showed, as one stretch; the sender's noise is taken off its scatter. */
export function seenIn(samples: RunSample[]): Seen[] {
  const last = samples[samples.length - 1]
  const window = samples.filter(
    ({ time, speed }) =>
      last.time - time <= STRETCH &&
      speed !== undefined &&
      Math.abs(speed - (last.speed ?? speed)) < 0.1 * Math.max(speed, 1),
  )
  const readings = window.map(({ gauge, pressure }) => gauge ?? pressure).filter((each) => each !== undefined)
  if (readings.length === 0) return []
  return [
    {
      speed: mean(window.map(({ speed }) => speed!)),
      temperature: mean(window.map(({ temperature }) => temperature ?? 20)),
      pressure: mean(readings),
      flicker: flickerOf(readings),
    },
  ]
}

/** How often each is the cause on a fresh build, before anything was read; Uldo's own estimate, the cheap ones most. */
const USUAL = {
  'dry-pump': 3,
  'pickup-air': 3,
  'relief-open': 2,
  'plug-out': 1.5,
  'sender-low': 1.5,
  undriven: 1.5,
  'relief-shut': 1,
  uncovered: 1,
  clearance: 0.7,
} as const satisfies Partial<Record<FaultKey, number>>
/** What is told apart within the seconds of a stop; a trace goes through all that can be wrong. */
export type Suspected = keyof typeof USUAL
export const SUSPECTED = Object.keys(USUAL) as Suspected[]
/** How well a fault's reading is known, of its logarithm, and of its flicker. */
const SPREAD = 0.12
const STEADY_FLICKER = 0.02
/** A sender's own noise, Pa, and a low reading's fall as the oil warms: a larger share of a low reading. */
const NOISE = 2e3
const SEVERITIES = [0, 0.25, 0.5, 0.75, 1]
/** Least pressure that a comparison goes by, Pa: the sender's own error. */
const FLOOR = 15e3
/** Air has gone through the circuit after so long, s. */
const AIR_FOR = 10

/**
 * Faults that fit a stopped start, most likely first: each as bad as fits best, by the pressures that the model gives with
 * it at the speeds and temperatures that were seen, and by how much the gauge flickered. What no pressure at all can mean is told apart by
 * nothing but how often it is the cause.
 */
export function suspectsOf(recorded: Sheet, stop: Pick<Stop, 'code'>, seen: Seen[]): Suspect[] {
  const sheet = filledFor(recorded, 'start')
  const among = SUSPECTED.filter((key) => fitsCode(key, stop.code))
  const scored = among.map((key) => ({
    key,
    score:
      USUAL[key] *
      Math.exp(
        -0.5 *
          (stop.code === 'falling'
            ? 0
            : stop.code === 'no-pressure'
              ? misfitOfNone(key, seen)
              : misfit(sheet, key, seen)),
      ),
  }))
  const all = scored.reduce((sum, { score }) => sum + score, 0) || 1
  return scored
    .map(({ key, score }) => ({ key, share: score / all, ...wordsOf(sheet, key) }))
    .sort((a, b) => b.share - a.share)
}

function wordsOf(sheet: Sheet, key: FaultKey) {
  const { words, look } = faultOf(key, sheet.layout)
  return { words, look }
}

function fitsCode(key: FaultKey, code: Stop['code']): boolean {
  if (code === 'over-limit') return key === 'relief-shut'
  if (code === 'falling') return key === 'uncovered' || key === 'pickup-air'
  if (code === 'lost') return key !== 'relief-shut' && key !== 'dry-pump'
  if (code === 'no-pressure')
    return key === 'dry-pump' || key === 'undriven' || key === 'pickup-air' || key === 'relief-open'
  return key !== 'dry-pump' && key !== 'undriven' && key !== 'relief-shut' && key !== 'uncovered'
}

/** What stirred before the deadline: a pump that moves no oil at all leaves the gauge at its rest, and one that draws air with it does not. */
function misfitOfNone(key: FaultKey, seen: Seen[]): number {
  return key === 'dry-pump' || key === 'undriven'
    ? seen.reduce((sum, { pressure }) => sum + Math.max(0, pressure / FLOOR - 0.5) ** 2, 0)
    : 0
}

/** Sum of squares by which a fault's readings differ from what was seen, at the severity that fits best. */
function misfit(sheet: Sheet, key: FaultKey, seen: Seen[]): number {
  // A pickup out of the oil leaves next to nothing, however it came to it.
  if (key === 'uncovered')
    return Math.min(
      9,
      seen.reduce((sum, { pressure }) => sum + (Math.log(FLOOR / (pressure + FLOOR)) / SPREAD) ** 2, 0),
    )
  const flickers = key === 'pickup-air'
  // Next to nothing flickers by the sender's noise alone.
  const own = seen
    .filter(({ pressure }) => pressure > 2 * FLOOR)
    .reduce(
      (sum, { pressure, flicker }) =>
        sum +
        (flickers
          ? Math.min(0, Math.log((flicker + 1e-4) / 0.04)) ** 2
          : (Math.max(0, flicker - STEADY_FLICKER - NOISE / pressure) / STEADY_FLICKER) ** 2),
      0,
    )
  return (
    own +
    Math.min(
      ...SEVERITIES.map((severity) =>
        faultPressures(sheet, key, severity, seen).reduce(
          (sum, pressure, i) => sum + (Math.log((pressure + FLOOR) / (seen[i].pressure + FLOOR)) / SPREAD) ** 2,
          0,
        ),
      ),
    )
  )
}

/** What the gauge would say at these moments with a fault. */
export function faultPressures(
  sheet: Sheet,
  key: FaultKey,
  severity: number,
  moments: Pick<Seen, 'speed' | 'temperature'>[],
): number[] {
  const fault = faultOf(key, sheet.layout, severity)
  const model = modelOf(sheet)
  const values = structuredClone(model.values)
  fault.change?.(values)
  const leftOut = [...leftOutOf(sheet), ...(fault.leftOut ?? [])]
  const { airLeak } = fault
  if (airLeak)
    return moments.map(({ speed, temperature }) => {
      const running = { speed, temperature, meanPressure: 0 }
      const march = { airLeak, seconds: AIR_FOR }
      return marchWithAir(sheet, model.values, oilAt(model.oil, temperature), running, march).pressure
    })
  const engine = prepareEngine(sheet.layout, leftOut)
  return moments.map(
    ({ speed, temperature }) =>
      (fault.sender ?? 1) *
      Math.max(
        0,
        engine.gauge(
          values,
          {
            speed,
            temperature,
            meanPressure: meanPressureAt(sheet, speed),
            ...(fault.undriven ? { pumpSpeed: 0 } : {}),
          },
          oilAt(model.oil, temperature),
          1e-6,
        ),
      ),
  )
}
