import { fullLift, uncoveredArea, uncoveredWidth } from '../relief/port'
import { preload } from '../relief/spring'
import { liftAt, plungerArea } from '../relief/valve'
import { holeFlow, stopped, transitionPressure } from './orifice'
import type { CheckSpec, Fluid, FlowSlope, ReliefSpec } from './types'

/** Keeps a shut valve joined to the circuit: a weep that no gauge would show, m³/(s·Pa). */
const WEEP = 1e-17

/** Pressure over which a check valve's ball or disc lifts clear of its seat, Pa. */
const LIFTING = 2e3

/** Step of the slope where flow force makes lift no straight line of pressure, Pa. */
const STEP = 1

/**
 * A check valve: shut below its opening pressure, lifting over the next 2 kPa (the open share of its hole rises with the
 * square of the excess), and the hole's flow for the excess above that.
 */
export function checkFlow(check: CheckSpec, difference: number, fluid: Fluid, out: FlowSlope): void {
  const over = difference - (check.openingPressure ?? 0)
  if (over > 0) {
    holeFlow(0.25 * Math.PI * check.diameter ** 2 * (check.count ?? 1), check.dischargeCoefficient ?? 0.7, over, fluid, out)
    if (over < LIFTING) {
      const open = (over / LIFTING) ** 2
      const slope = out.slopeFrom * open + (2 * out.flow * open) / over
      out.flow *= open
      out.slopeFrom = slope
      out.slopeTo = -slope
    }
  } else stopped(out)
  weep(difference, out)
}

/**
 * A relief valve. With a plunger: Q = C_d A(x) √(2 Δp/ρ), lift x from spring and pressure, as relief/valve says, with
 * slope C_d √(2/ρ) (A′ x′ g + A g′) where g is the rounded square root of the orifice and its transition moves with A.
 */
export function reliefFlow(relief: ReliefSpec, difference: number, fluid: Fluid, out: FlowSlope): void {
  stopped(out)
  if (relief.valve) plungerFlow(relief, difference, fluid, out)
  else {
    const over = difference - relief.openingPressure!
    if (over > 0) {
      const conductance = relief.conductance ?? 1e-8
      out.flow = conductance * over
      out.slopeFrom = conductance
      out.slopeTo = -conductance
    }
  }
  weep(difference, out)
}

function plungerFlow(relief: ReliefSpec, difference: number, { density, viscosity }: Fluid, out: FlowSlope): void {
  const valve = relief.valve!
  if (difference <= 0) return
  const lift = liftAt(valve, difference)
  const area = uncoveredArea(valve.port, lift)
  if (area <= 0) return
  const coefficient = relief.dischargeCoefficient ?? 0.65
  const moving = lift > 0 && lift < fullLift(valve.port) && difference * plungerArea(valve.plungerDiameter) > preload(valve)
  const areaSlope = !moving ? 0 : valve.flowForce
    ? (uncoveredArea(valve.port, liftAt(valve, difference + STEP)) - uncoveredArea(valve.port, liftAt(valve, difference - STEP))) / (2 * STEP)
    : uncoveredWidth(valve.port, lift) * (plungerArea(valve.plungerDiameter) / valve.springRate)
  const transition = transitionPressure(area, coefficient, density, viscosity)
  const square = difference * difference + transition * transition
  const root = difference / Math.sqrt(Math.sqrt(square))
  const rootByPressure = (1 - (0.5 * difference * difference) / square) / Math.sqrt(Math.sqrt(square))
  const rootByArea = (0.5 * root * transition * transition) / (square * area)
  const capacity = coefficient * Math.sqrt(2 / density)
  out.flow = capacity * area * root
  const slope = capacity * (areaSlope * root + area * (rootByPressure + rootByArea * areaSlope))
  out.slopeFrom = slope
  out.slopeTo = -slope
}

function weep(difference: number, out: FlowSlope): void {
  out.flow += WEEP * difference
  out.slopeFrom += WEEP
  out.slopeTo -= WEEP
}
