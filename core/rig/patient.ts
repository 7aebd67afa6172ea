import { prepareEngine, type Running } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import type { EngineValues } from '../parts/list'
import { prepareFilling } from '../prime/filling'
import { primeSetUpOf } from '../prime/setUp'
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
const STEP = 0.25
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
  function marched(running: Running, before: boolean): { pressure: number; air: number; brings: boolean } {
    const setUp = primeSetUpOf(sheet)
    const filling = prepareFilling({
      layout,
      values: truth.values,
      oil: oilAt(oil, running.temperature),
      temperature: running.temperature,
      leftOut: leftOutOf(sheet),
      packing: 'wet',
      filter: before ? 0 : 1,
      filterVolume: setUp.filterVolume,
      antiDrain: setUp.antiDrain,
      airLeak: hole,
      filled: before ? {} : Object.fromEntries(['pump inlet', 'pump outlet', 'filter outlet'].map((node) => [node, 1])),
    })
    const pump = running.pumpSpeed ?? running.speed * truth.values.pump.driveRatio
    const long = before ? MARCH.before : MARCH.running
    let [pressure, flow, count] = [0, 0, 0]
    for (let time = STEP; time <= long; time += STEP) {
      filling.advance(STEP, { pump, crank: running.speed })
      if (time <= 0.6 * long) continue
      pressure += filling.gauge
      flow += filling.flow
      count++
    }
    const turned = truth.values.pump.displacement * pump
    const air = Math.min(1, Math.max(0, 1 - flow / count / Math.max(1e-9, turned)))
    return { pressure: Math.max(0, pressure / count), air, brings: flow / count > 0.03 * turned }
  }

  function stateOf(moment: Moment) {
    const running = runningAt(sheet, moment)
    const whole = gauge(soundEngine, sound.values, running)
    if (NOTHING.includes(cause))
      return { pressure: 0, air: cause === 'no-oil' ? 1 : 0, brings: false, sound: whole, ran: !beforeItRan(moment) }
    if (hole !== undefined)
      return {
        ...marched(running, beforeItRan(moment)),
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
