import type { Running } from '../engine/engine'
import { leftOutOf } from '../engine/inspections'
import type { OilState } from '../oil/oil'
import type { EngineValues } from '../parts/list'
import type { Sheet } from '../record/schema'
import { prepareFilling } from './filling'
import { primeSetUpOf } from './setUp'

/** Length of the march's steps, s, and from which share of it on it is read. */
const STEP = 0.25
const READ_FROM = 0.6

/** What is turned with air coming in: the hole, m; how long, s; whether the circuit was full before, or never filled. */
export interface DrawnAir {
  airLeak: number
  seconds: number
  empty?: boolean
}

/** A circuit that draws air at the pickup, marched on by the filling and read over its last part: gauge, Pa, and oil through the pump, m³/s. */
export function marchWithAir(
  sheet: Sheet,
  values: EngineValues,
  oil: OilState,
  { speed, pumpSpeed = speed * values.pump.driveRatio, temperature }: Running,
  { airLeak, seconds, empty = false }: DrawnAir,
): { pressure: number; flow: number } {
  const { filterVolume, antiDrain } = primeSetUpOf(sheet)
  const filling = prepareFilling({
    layout: sheet.layout,
    values,
    oil,
    temperature,
    leftOut: leftOutOf(sheet),
    packing: 'wet',
    filter: empty ? 0 : 1,
    filterVolume,
    antiDrain,
    airLeak,
    filled: empty ? {} : Object.fromEntries(['pump inlet', 'pump outlet', 'filter outlet'].map((node) => [node, 1])),
  })
  let [pressure, flow, read] = [0, 0, 0]
  const steps = Math.round(seconds / STEP)
  for (let step = 0; step < steps; step++) {
    filling.advance(STEP, { pump: pumpSpeed, crank: speed })
    if (step < READ_FROM * steps) continue
    pressure += filling.gauge
    flow += filling.flow
    read++
  }
  return { pressure: Math.max(0, pressure / read), flow: flow / read }
}
