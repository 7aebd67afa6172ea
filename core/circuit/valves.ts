import { fullLift, uncoveredArea, uncoveredWidth } from '../relief/port'
import { preload } from '../relief/spring'
import { liftAt, plungerArea } from '../relief/valve'
import { HOLE_SLOTS, setHole, transitionPressure } from '../orifice/orifice'
import { holeLaw } from './orifice'
import { type CheckSpec, FLOW, FROM, type Fluid, type ReliefSpec, TO } from './types'

/** Keeps a shut valve joined to the circuit: a weep that no gauge would show, m³/(s·Pa). */
const WEEP = 1e-17

/** Pressure over which a check valve's ball or disc lifts clear of its seat, Pa. */
const LIFTING = 2e3

/** Step of the slope where flow force makes lift no straight line of pressure, Pa. */
const STEP = 1

/** Slots: the hole's, and the opening pressure. */
export const CHECK_SLOTS = HOLE_SLOTS + 1

export function setCheck(check: CheckSpec, fluid: Fluid, slots: Float64Array, at: number): void {
  setHole(
    0.25 * Math.PI * check.diameter ** 2 * (check.count ?? 1),
    check.dischargeCoefficient ?? 0.7,
    fluid,
    slots,
    at,
  )
  slots[at + HOLE_SLOTS] = check.openingPressure ?? 0
}

/**
 * A check valve: shut below its opening pressure, lifting over the next 2 kPa (the open share of its hole rises with the
 * square of the excess), and the hole's flow for the excess above that.
 */
export function checkLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  const over = difference - slots[at + HOLE_SLOTS]
  if (over > 0) {
    holeLaw(slots, at, over, out)
    if (over < LIFTING) {
      const open = (over / LIFTING) ** 2
      const slope = out[FROM] * open + (2 * out[FLOW] * open) / over
      out[FLOW] *= open
      out[FROM] = slope
      out[TO] = -slope
    }
  } else shut(out)
  weep(difference, out)
}

/**
 * A relief valve. With a plunger: Q = C_d A(x) √(2 Δp/ρ), lift x from spring and pressure, as relief/valve says, with
 * slope C_d √(2/ρ) (A′ x′ g + A g′) where g is the rounded square root of the orifice and its transition moves with A.
 */
export function reliefLaw(relief: ReliefSpec, difference: number, fluid: Fluid, out: Float64Array): void {
  shut(out)
  if (relief.valve) plungerFlow(relief, difference, fluid, out)
  else {
    const over = difference - relief.openingPressure!
    if (over > 0) {
      const conductance = relief.conductance ?? 1e-8
      out[FLOW] = conductance * over
      out[FROM] = conductance
      out[TO] = -conductance
    }
  }
  weep(difference, out)
}

function plungerFlow(relief: ReliefSpec, difference: number, { density, viscosity }: Fluid, out: Float64Array): void {
  const valve = relief.valve!
  if (difference <= 0) return
  const lift = liftAt(valve, difference)
  const area = uncoveredArea(valve.port, lift)
  if (area <= 0) return
  const coefficient = relief.dischargeCoefficient ?? 0.65
  const moving =
    lift > 0 && lift < fullLift(valve.port) && difference * plungerArea(valve.plungerDiameter) > preload(valve)
  const areaSlope = !moving
    ? 0
    : valve.flowForce
      ? (uncoveredArea(valve.port, liftAt(valve, difference + STEP)) -
          uncoveredArea(valve.port, liftAt(valve, difference - STEP))) /
        (2 * STEP)
      : uncoveredWidth(valve.port, lift) * (plungerArea(valve.plungerDiameter) / valve.springRate)
  const transition = transitionPressure(area, coefficient, density, viscosity)
  const square = difference * difference + transition * transition
  const root = difference / Math.sqrt(Math.sqrt(square))
  const rootByPressure = (1 - (0.5 * difference * difference) / square) / Math.sqrt(Math.sqrt(square))
  const rootByArea = (0.5 * root * transition * transition) / (square * area)
  const capacity = coefficient * Math.sqrt(2 / density)
  out[FLOW] = capacity * area * root
  const slope = capacity * (areaSlope * root + area * (rootByPressure + rootByArea * areaSlope))
  out[FROM] = slope
  out[TO] = -slope
}

function shut(out: Float64Array): void {
  out[FLOW] = 0
  out[FROM] = 0
  out[TO] = 0
}

function weep(difference: number, out: Float64Array): void {
  out[FLOW] += WEEP * difference
  out[FROM] += WEEP
  out[TO] -= WEEP
}
