import { scaleBearings } from '../engine/engine'
import type { EngineValues } from '../parts/list'
import { leftOutOf } from '../engine/inspections'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import type { PrimeSetUp } from '../prime/setUp'
import type { RigSetUp } from '../run/schema'
import { normal, type Random, seeded } from '../random/random'
import { type Fault } from '../engine/faults'

/** What a simulated engine hides from who reads its instruments. */
export interface Truth {
  values: EngineValues
  /** Its clearances over what was recorded. */
  clearance: number
  /** Sender: what it adds, Pa, and what it shows of the pressure. */
  offset: number
  gain: number
  fault?: Fault
}

/** A simulated engine, and what is to be done with it. */
export interface RigSpec extends RigSetUp {
  kind: 'prime' | 'start'
  setUp?: PrimeSetUp
}

/** Sender and gauge as a shop has them. */
export const SENDER = { lag: 0.25, noise: 3e3, offset: 6e3 }
const GAUGE = { lag: 0.4, noise: 1e3 }
export const TACHO_NOISE = 0.005
export const THERMO_NOISE = 0.2

/** Draws an engine as it could truly be, given what was recorded of it and how uncertain that is. */
export function drawTruth(
  sheet: Sheet,
  { seed, clearance }: Pick<RigSpec, 'seed' | 'clearance'>,
  fault?: Fault,
): Truth {
  const random = seeded(seed)
  const model = modelOf(sheet)
  const values = structuredClone(model.values)
  for (const input of model.inputs.filter(({ sigma }) => sigma > 0)) {
    const value = input.value + Math.max(-2.5, Math.min(2.5, normal(random))) * input.sigma
    input.put(values, input.value > 0 ? Math.max(0.1 * input.value, value) : value)
  }
  const scale = clearance ?? 1
  if (clearance !== undefined) scaleBearings(values, clearance)
  fault?.change?.(values)
  return {
    values,
    clearance: scale,
    offset: SENDER.offset * Math.max(-2, Math.min(2, normal(random))),
    gain: fault?.sender ?? 1,
    fault,
  }
}

/** Passages that are out: those that the record knows of, and those that it does not. */
export function passagesOut(sheet: Sheet, truth: Truth): string[] {
  return [...leftOutOf(sheet), ...(truth.fault?.leftOut ?? [])]
}

/** What instruments show of what is true: first-order lag, offset, gain, noise. */
export interface Instruments {
  /** Takes the truth some seconds on and gives the readings. */
  read: (seconds: number, pressure: number) => { pressure: number; gauge?: number }
  random: Random
}

export function prepareInstruments(
  truth: Truth,
  { seed, mechanicalGauge }: Pick<RigSpec, 'seed' | 'mechanicalGauge'>,
): Instruments {
  const random = seeded(seed + 77)
  let sender = 0
  let needle = 0
  return {
    random,
    read: (seconds, pressure) => {
      sender += (1 - Math.exp(-seconds / SENDER.lag)) * (pressure - sender)
      needle += (1 - Math.exp(-seconds / GAUGE.lag)) * (pressure - needle)
      const shown = truth.gain * sender + truth.offset + SENDER.noise * normal(random)
      return {
        pressure: Math.max(0, shown),
        ...(mechanicalGauge ? { gauge: Math.max(0, needle + GAUGE.noise * normal(random)) } : {}),
      }
    },
  }
}

/** The oil of a sheet at a temperature. */
export function oilOfSheet(sheet: Sheet) {
  const { oil } = modelOf(sheet)
  return (temperature: number) => oilAt(oil, temperature)
}

/** A speed of the brief, rev/s. */
export function briefSpeed(
  sheet: Sheet,
  key: 'idleSpeed' | 'coldIdleSpeed' | 'workingSpeed' | 'crankingSpeed',
): number {
  return requireValue(sheet, `brief.${key}`).value
}
