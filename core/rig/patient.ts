import { prepareEngine, type Running } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import type { EngineValues } from '../parts/list'
import { marchWithAir } from '../prime/airDrawn'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { normal, type Random, seeded } from '../random/random'
import { faultOf } from '../engine/faults'
import { beforeItRan, runningAt } from '../trace/moments'
import type { Cause, Moment, TraceReading } from '../trace/vocabulary'
import { drawTruth, SENDER } from './rig'
import type { Patient } from './symptoms'

/** Holes that a loose pickup and a cover without its gasket leave, m. */
const HOLES = { least: 0.35e-3, most: 3e-3 }
/** How long air and oil are marched on before they are read, s of turning. */
const MARCH = { before: 25, running: 12 }
/** A sound gauge or tachometer or thermometer is out by so much. */
const GAUGE = 0.02
const SPEED = 0.02
const WARMTH = 4

/** Causes with which nothing is drawn at all. */
const NOTHING: Cause[] = ['no-oil', 'undriven', 'wrong-way', 'dry-pump', 'air-lock']

/** A simulated engine with something wrong: its hidden values, and what is true of it at any moment. */
export interface SimulatedPatient {
  cause: Cause
  at: (moment: Moment) => Patient
  /** What a gauge shows at a moment, with where the engine really stood. */
  read: (moment: Moment, gauge: 'mechanical' | 'sender') => TraceReading
  random: Random
}

/**
 * An engine drawn as its record lets it be, with a cause as bad as `severity` says. Steady states are the circuit's; what air
 * does is marched in time by the filling.
 */
export function preparePatient(recorded: Sheet, cause: Cause, severity: number, seed: number): SimulatedPatient {
  const sheet = filledFor(recorded, 'start')
  const { layout } = sheet
  const fault = cause === 'by-design' ? undefined : faultOf(cause, layout, severity)
  const [truth, sound] = [drawTruth(sheet, { seed }, fault), drawTruth(sheet, { seed })]
  const random = seeded(seed + 4711)
  const { oil } = modelOf(sheet)
  const engine = prepareEngine(layout, [...leftOutOf(sheet), ...(fault?.leftOut ?? [])])
  const soundEngine = prepareEngine(layout, leftOutOf(sheet))
  const hole = fault?.airLeak === undefined ? undefined : HOLES.least * (HOLES.most / HOLES.least) ** severity
  const gauge = (of: typeof engine, values: EngineValues, running: Running) => {
    of.circuit.reset()
    return Math.max(0, of.gauge(values, running, oilAt(oil, running.temperature)))
  }

  /** Pressure and share of air once air has been drawn for a while. */
  function marched(airLeak: number, running: Running, empty: boolean) {
    const seconds = empty ? MARCH.before : MARCH.running
    const { values } = truth
    const drawn = { airLeak, seconds, empty }
    const { pressure, flow } = marchWithAir(sheet, values, oilAt(oil, running.temperature), running, drawn)
    const turned = values.pump.displacement * (running.pumpSpeed ?? running.speed * values.pump.driveRatio)
    const air = Math.min(1, Math.max(0, 1 - flow / Math.max(1e-9, turned)))
    return { pressure, air, brings: flow > 0.03 * turned }
  }

  function stateOf(moment: Moment) {
    const running = runningAt(sheet, moment)
    const whole = gauge(soundEngine, sound.values, running)
    if (NOTHING.includes(cause))
      return { pressure: 0, air: cause === 'no-oil' ? 1 : 0, brings: false, sound: whole, ran: !beforeItRan(moment) }
    if (hole !== undefined)
      return {
        ...marched(hole, running, beforeItRan(moment)),
        sound: whole,
        ran: !beforeItRan(moment) || moment === 'first-run',
      }
    const starved = cause === 'uncovered' ? Math.min(1, 0.15 + severity) : 0
    const pressure = (1 - starved) * gauge(engine, truth.values, running)
    return {
      pressure,
      air: starved,
      brings: starved < 0.9 && !(cause === 'screen-blocked' && pressure < 0.05 * whole),
      sound: whole,
      ran: moment !== 'prime' && moment !== 'crank',
    }
  }

  const known = new Map<Moment, ReturnType<typeof stateOf>>()
  const at = (moment: Moment): Patient => {
    let state = known.get(moment)
    if (!state) known.set(moment, (state = stateOf(moment)))
    return { cause, ...state }
  }
  return {
    cause,
    at,
    random,
    read: (moment, kind) => {
      const { speed, temperature } = runningAt(sheet, moment)
      const { pressure } = at(moment)
      const shown =
        kind === 'mechanical'
          ? pressure * (1 + GAUGE * normal(random)) + 2e3 * normal(random)
          : truth.gain * pressure + truth.offset + SENDER.noise * normal(random)
      return {
        moment,
        pressure: Math.max(0, shown),
        with: kind,
        ...(speed > 0 ? { speed: speed * (1 + SPEED * normal(random)) } : {}),
        temperature: temperature + WARMTH * normal(random),
      }
    },
  }
}
