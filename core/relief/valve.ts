import { holeFlow } from '../orifice/orifice'
import { type Port, fullLift, uncoveredArea } from './port'
import { type FittedSpring, preload, total } from './spring'

export interface ReliefValve extends FittedSpring {
  plungerDiameter: number
  port: Port
  /** Length with the coils touching, m. */
  solidLength?: number
  /** Whether oil streaming past the plunger's edge pulls it shut. */
  flowForce?: boolean
}

/** Plunger area A, m². */
export function plungerArea(plungerDiameter: number): number {
  return 0.25 * Math.PI * plungerDiameter * plungerDiameter
}

/**
 * Opening pressure: the plunger leaves its seat when p A = k (L_free − L_installed + Σ shims), Pa above the sump.
 * Source: balance of forces on the plunger.
 */
export function openingPressure(valve: ReliefValve): number {
  return preload(valve) / plungerArea(valve.plungerDiameter)
}

/** Pressure at which flow starts, Pa: the plunger must first travel the overlap, p A = F₀ + k x_overlap. */
export function flowStartPressure(valve: ReliefValve): number {
  return openingPressure(valve) + (valve.springRate * (valve.port.overlap ?? 0)) / plungerArea(valve.plungerDiameter)
}

/** What a shim of thickness `shim` adds to the opening pressure, Pa: it lengthens the preload (`preload` in spring.ts). */
export function shimEffect(valve: ReliefValve, shim: number): number {
  return openingPressure({ ...valve, shims: [...valve.shims, shim] }) - openingPressure(valve)
}

/** Free length with which a valve, shimmed and fitted as it is, opens at a pressure, m. */
export function freeLengthFor(valve: ReliefValve, pressure: number): number {
  const { springRate, plungerDiameter, freeLength } = valve
  return freeLength + ((pressure - openingPressure(valve)) * plungerArea(plungerDiameter)) / springRate
}

/** 2 C_d C_v cos 69°: what the jet's turn takes of area times pressure. */
const FLOW_FORCE = 0.43

/**
 * Lift that a pressure holds, m, from shut to fully open: p A = F₀ + k x, and with flow force p A = F₀ + k x + 0.43 A(x) p.
 * Source: Merritt, Hydraulic Control Systems (1967), 5.4, steady flow force of a sharp edge at 69°.
 */
export function liftAt(valve: ReliefValve, pressure: number): number {
  const push = pressure * plungerArea(valve.plungerDiameter) - preload(valve)
  const most = fullLift(valve.port)
  const lift = Math.min(most, Math.max(0, push / valve.springRate))
  if (!valve.flowForce || lift <= 0) return lift
  let low = 0
  let high = lift
  for (let i = 0; i < 50; i++) {
    const middle = 0.5 * (low + high)
    if (valve.springRate * middle + FLOW_FORCE * uncoveredArea(valve.port, middle) * pressure < push) low = middle
    else high = middle
  }
  return 0.5 * (low + high)
}

/** Spring length left before the coils touch with the plunger fully open, m; negative where it binds. */
export function bindMargin(valve: ReliefValve): number | undefined {
  if (valve.solidLength === undefined) return undefined
  return valve.installedLength - total(valve.shims) - fullLift(valve.port) - valve.solidLength
}

/**
 * Flow past the plunger: Q = C_d A(x) √(2 Δp / ρ), m³/s, with x from the balance of spring and pressure, and laminar
 * for cold oil by the rounding of `orifice`.
 * Source: Merritt, Hydraulic Control Systems (1967), ch. 3 and 5.
 */
export function valveFlow(
  valve: ReliefValve,
  pressure: number,
  density: number,
  viscosity: number,
  dischargeCoefficient = 0.65,
): number {
  if (pressure <= 0) return 0
  return holeFlow(uncoveredArea(valve.port, liftAt(valve, pressure)), dischargeCoefficient, pressure, {
    density,
    viscosity,
  })
}

/**
 * Full-flow pressure: what the valve settles at when `flow` must pass through it, Pa, by bisection.
 *
 * @throws RangeError when the fully open port cannot pass the flow below 10 MPa
 */
export function fullFlowPressure(valve: ReliefValve, flow: number, density: number, viscosity: number): number {
  let low = openingPressure(valve)
  let high = 10e6
  if (valveFlow(valve, high, density, viscosity) < flow) throw new RangeError('flow: more than the open port can pass')
  for (let i = 0; i < 60; i++) {
    const middle = 0.5 * (low + high)
    if (valveFlow(valve, middle, density, viscosity) < flow) low = middle
    else high = middle
  }
  return 0.5 * (low + high)
}
