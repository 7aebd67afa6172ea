import type { GrooveLeakage } from '../bearing/leakage'
import type { ReliefValve } from '../relief/valve'

/** What flows: density kg/m³, dynamic viscosity Pa·s. */
export interface Fluid {
  density: number
  viscosity: number
}

export interface NodeSpec {
  id: string
  /** Height above the datum, m. */
  elevation?: number
  /** Gauge pressure, Pa, where it is held (a sump, a tank); left out where it is to be found. */
  pressure?: number
}

interface Between {
  id: string
  from: string
  to: string
}

/** A round passage with its fittings; `head` is pressure gained along it (turning crank), Pa. */
export interface PipeSpec extends Between {
  kind: 'pipe'
  length: number
  diameter: number
  roughness?: number
  /** Loss coefficient of bends, entries and exits at high Reynolds number, K∞. */
  k?: number
  /** The same in creeping flow: adds K₁/Re. */
  k1?: number
  head?: number
}

/** A sharp-edged hole. */
export interface OrificeSpec extends Between {
  kind: 'orifice'
  diameter: number
  dischargeCoefficient: number
  /** How many alike side by side. */
  count?: number
  /** Pressure gained along it, as by a fall, Pa. */
  head?: number
}

/** Flow in proportion to pressure: films, gaps, porous paper. Conductance in m³/(s·Pa). */
export interface LinearSpec extends Between {
  kind: 'linear'
  conductance: number
  /** Pressure gained along it, as by a fall, Pa. */
  head?: number
}

/** A running bearing: pressure-fed leakage and what turning carries out of its ends; beside a groove the two meet piece by piece. */
export interface BearingSpec extends Between {
  kind: 'bearing'
  /** Pressure-fed leakage, m³/(s·Pa). */
  conductance: number
  /** Flow carried out by turning when it is well fed, m³/s. */
  carried: number
  groove?: GrooveLeakage
}

/** Lets oil through one way once the difference passes `openingPressure`, through a hole. */
export interface CheckSpec extends Between {
  kind: 'check'
  diameter: number
  /** How many alike side by side. */
  count?: number
  dischargeCoefficient?: number
  openingPressure?: number
}

/** A spring-loaded valve: the whole plunger, spring and port, or an opening pressure with a flow slope. */
export interface ReliefSpec extends Between {
  kind: 'relief'
  valve?: ReliefValve
  dischargeCoefficient?: number
  openingPressure?: number
  /** Without a plunger: conductance once open, m³/(s·Pa). */
  conductance?: number
}

/** A positive-displacement pump. */
export interface PumpSpec extends Between {
  kind: 'pump'
  /** m³/rev */
  displacement: number
  /** rev/s */
  speed: number
  /** m³/(s·Pa) */
  slipConductance: number
}

export type ElementSpec = PipeSpec | OrificeSpec | LinearSpec | BearingSpec | CheckSpec | ReliefSpec | PumpSpec

export interface Network {
  nodes: NodeSpec[]
  elements: ElementSpec[]
}

/** Where a law writes flow and slopes in its array of three. */
export const FLOW = 0
export const FROM = 1
export const TO = 2

/** Flow from → to, m³/s, and its slopes with the pressure at either end, m³/(s·Pa). */
export interface FlowSlope {
  flow: number
  slopeFrom: number
  slopeTo: number
}

export class CircuitError extends Error {
  /** @param path the field that is wrong, as `elements.3.diameter`, or the element that would not settle */
  constructor(
    readonly path: string,
    readonly reason: string,
  ) {
    super(`${path}: ${reason}`)
    this.name = 'CircuitError'
  }
}

/** How a circuit settled. */
export interface Solution {
  iterations: number
  /** Largest imbalance of a node over what passes through it. */
  residual: number
}

/** A circuit made ready to be solved many times; elements' numbers may be changed between solves, their joints not. */
export interface PreparedCircuit {
  network: Network
  /** Gauge pressure of each node, Pa, in the network's order: the last solution, and the next one's start. */
  pressures: Float64Array
  /** Flow of each element from → to, m³/s, in the network's order. */
  flows: Float64Array
  /**
   * Finds the pressures at which every node's flows balance, to 10⁻¹⁰ of what passes through it, or to `aim` where less will do.
   * Throws CircuitError naming the element that will not settle.
   */
  solve: (fluid: Fluid, aim?: number) => Solution
  /** Forgets the last solution, so that the next solve starts cold. */
  reset: () => void
  indexOf: (node: string) => number
}
