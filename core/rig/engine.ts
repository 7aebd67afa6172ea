import { filledFor } from '../record/fill'
import { prepareEngine } from '../engine/engine'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { meanPressureAt } from '../outlook/states'
import { modelOf } from '../outlook/model'
import { prepareFilling } from '../prime/filling'
import type { Filling } from '../prime/types'
import { filledAfter } from '../prime/standing'
import { primeSetUpOf } from '../prime/setUp'
import { normal } from '../random/random'
import type { RunSample } from '../start/watchTypes'
import type { RigAction } from '../run/actions'
import {
  briefSpeed,
  drawTruth,
  oilOfSheet,
  passagesOut,
  prepareInstruments,
  type RigSpec,
  TACHO_NOISE,
  THERMO_NOISE,
  type Truth,
} from './rig'
import { faultOf } from '../engine/faults'

export interface EngineRig {
  truth: Truth
  act: (action: RigAction) => void
  /** Goes on by some seconds and reads the instruments. */
  advance: (seconds: number) => RunSample
  /** True pressure at the gauge port, Pa, before any instrument. */
  pressure: () => number
}

/** Time constants, s: speed, oil pressure in a full circuit, oil warming at idle and at working speed. */
const SPEED_LAG = 0.6
const PRESSURE_LAG = 0.2
const WARMING = { idle: 260, working: 110 }
/** How far over the brief's hot oil an engine would warm at working speed, °C. */
const OVERSHOOT = 6
/** The circuit is solved anew so often once it is full, s. */
const ANEW = 0.5

/**
 * A simulated engine that is started: its own circuit with hidden true values, first filling what drained since it was
 * primed, then running and warming, seen through its instruments. The same seed and actions give the same readings.
 */
export function prepareEngineRig(recorded: Sheet, spec: RigSpec, warming = 1): EngineRig {
  const sheet = filledFor(recorded, 'start')
  const fault = spec.fault ? faultOf(spec.fault.key, sheet.layout, spec.fault.severity) : undefined
  const truth = drawTruth(sheet, spec, fault)
  const instruments = prepareInstruments(truth, spec)
  const { random } = instruments
  const oil = oilOfSheet(sheet)
  const hot = requireValue(sheet, 'brief.hotOil').value
  const setUp = primeSetUpOf(sheet)
  const [idle, coldIdle, working, cranking] = (
    ['idleSpeed', 'coldIdleSpeed', 'workingSpeed', 'crankingSpeed'] as const
  ).map((key) => briefSpeed(sheet, key))
  let temperature = requireValue(sheet, 'brief.coldStart').value
  let time = 0
  let wanted = 0
  let speed = 0
  let fired = false
  let ran = 0
  let pressure = 0
  let settled = 0
  let solvedAt = -Infinity
  const leftOut = passagesOut(sheet, truth)
  const full = prepareEngine(sheet.layout, leftOut)
  const pumpSpeed = () => (fault?.undriven ? 0 : speed * truth.values.pump.driveRatio)

  let filling: Filling | undefined = prepareFilling({
    layout: sheet.layout,
    values: truth.values,
    oil: oil(temperature),
    temperature,
    leftOut,
    filterVolume: setUp.filterVolume,
    antiDrain: setUp.antiDrain,
    airLeak: fault?.airLeak,
    ...(fault?.pump
      ? { packing: fault.pump.packing, filter: fault.pump.filter === 'filled' ? 1 : 0 }
      : {
          packing: 'wet' as const,
          filter: 1,
          filled: filledAfter(modelOf(sheet), spec.stood ?? 600, setUp),
        }),
  })

  function targetSpeed(action: RigAction): number {
    return {
      crank: cranking,
      fire: coldIdle,
      'cold-idle': coldIdle,
      'fast-idle': 0.5 * (coldIdle + working),
      idle,
      working,
      stop: 0,
    }[action]
  }

  /** Pressure with a full circuit at this moment, Pa; air at the mouth takes the pump's flow away by and by. */
  function fullPressure(): number {
    const state = oil(temperature)
    const air =
      fault?.uncoversAfter !== undefined && ran > fault.uncoversAfter
        ? Math.min(0.97, 0.25 * (ran - fault.uncoversAfter))
        : 0
    return Math.max(
      0,
      full.gauge(
        truth.values,
        { speed, pumpSpeed: (1 - air) * pumpSpeed(), temperature, meanPressure: meanPressureAt(sheet, speed) },
        state,
        1e-6,
      ),
    )
  }

  function advance(seconds: number): RunSample {
    time += seconds
    speed += (1 - Math.exp(-seconds / SPEED_LAG)) * (wanted - speed)
    const turning = speed * (1 + (fired ? 0.006 : 0.05) * normal(random))
    if (fired && speed > 1) ran += seconds
    const hotter = hot + (OVERSHOOT * (speed - idle)) / Math.max(1, working - idle)
    if (fired)
      temperature +=
        (1 -
          Math.exp(
            (-seconds * warming) /
              (WARMING.idle + ((WARMING.working - WARMING.idle) * (speed - idle)) / Math.max(1, working - idle)),
          )) *
        (Math.max(hotter, temperature - 5) - temperature)
    if (filling) {
      filling.advance(seconds, { pump: pumpSpeed(), crank: speed })
      pressure = Math.max(0, filling.gauge)
      if (filling.flooded.every((each) => each === 1) && !fault?.airLeak) {
        settled = pressure
        filling = undefined
      } else if (fired && Math.floor(time) !== Math.floor(time - seconds))
        filling.renew(truth.values, oil(temperature), temperature)
    } else {
      if (time - solvedAt >= ANEW || Math.abs(wanted - speed) > 0.02 * Math.max(1, wanted)) {
        settled = fullPressure()
        solvedAt = time
      }
      pressure += (1 - Math.exp(-seconds / PRESSURE_LAG)) * (settled - pressure)
    }
    return {
      time,
      ...instruments.read(seconds, pressure),
      speed: Math.max(0, turning * (1 + TACHO_NOISE * normal(random))),
      temperature: temperature + THERMO_NOISE * normal(random),
    }
  }

  return {
    truth,
    advance,
    pressure: () => pressure,
    act: (action) => {
      wanted = targetSpeed(action)
      if (action === 'stop') fired = false
      else if (action !== 'crank') fired = true
    },
  }
}
