import type { EngineValues } from '../parts/list'
import type { Packing, Port } from '../parts/primingWords'
import type { Engine } from '../engine/engine'
import type { Layout } from '../record/schema'
import type { OilState } from '../oil/oil'

/** A circuit to be filled: the engine, how it was left, and what is pushed into it. SI, °C. */
export interface FillingSetUp {
  layout: Layout
  values: EngineValues
  oil: OilState
  /** °C */
  temperature: number
  leftOut?: string[]
  packing: Packing
  /** How much oil the filter holds at the start, 0 to 1; `off` leaves the pad open. */
  filter: number | 'off'
  antiDrain?: boolean
  filterVolume: number
  /** Diameter of a hole that draws air at the pickup's joint, m. */
  airLeak?: number
  /** Tank at a port: gauge pressure, Pa, and its oil, m³. */
  tank?: { port: Port; pressure: number; volume: number }
  /** How full each node starts, 0 to 1, by its name; empty where it is not named. */
  filled?: Record<string, number>
}

/** What turns: the pump, rev/s, and the crank, rev/s. */
export interface Turning {
  pump: number
  crank: number
}

/** A circuit being filled. */
export interface Filling {
  /** s since the start. */
  time: number
  /** Nodes that fill, their room and the oil in each, m³. */
  nodes: string[]
  room: Float64Array
  oil: Float64Array
  /** Whether each has been filled and still runs with oil. */
  flooded: Uint8Array
  /** m³ that have come from the sump and gone back to it, been pushed or poured in, and run out at the open pad. */
  drawn: number
  returned: number
  pushed: number
  spilled: number
  /** Pressures at the gauge, the pump's inlet and its outlet, Pa. */
  gauge: number
  inlet: number
  outlet: number
  /** Oil that passes the pump, m³/s. */
  flow: number
  /** Marches on, turning as told. */
  advance: (seconds: number, turning: Turning) => void
  /** Puts the filter on the pad, with that share of its room full. */
  fitFilter: (filled: number) => void
  /** Stops or lets go a tank's hose. */
  push: (open: boolean) => void
  /** Changes oil, temperature or values on the way: a running engine warms. */
  renew: (values: EngineValues, oil: OilState, temperature: number) => void
  engine: Engine
  before: string
}
