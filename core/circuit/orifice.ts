import { FLOW, FROM, type Fluid, TO } from './types'

/** Reynolds number at which a sharp hole turns from laminar to turbulent. */
const TRANSITION = 30
/** Slots: C_d A √(2/ρ), and Δp_t². */
export const HOLE_SLOTS = 2

/** Writes a hole of area A, m², and its discharge coefficient. */
export function setHole(
  area: number,
  coefficient: number,
  { density, viscosity }: Fluid,
  slots: Float64Array,
  at: number,
): void {
  if (area <= 0) {
    slots[at] = 0
    slots[at + 1] = 1
    return
  }
  const transition = transitionPressure(area, coefficient, density, viscosity)
  slots[at] = coefficient * area * Math.sqrt(2 / density)
  slots[at + 1] = transition * transition
}

/**
 * Flow through a hole of area A, rounded so that it is laminar for small differences:
 *
 *   Q = C_d A √(2/ρ) Δp / (Δp² + Δp_t²)^¼,   Δp_t = ½ ρ (Re_t μ / (C_d ρ d))²,  d = √(4A/π)
 *
 * Source: Merritt, Hydraulic Control Systems (1967), 3.3; the rounding after Borutzky, Barnard & Thoma,
 * An orifice flow model for laminar and turbulent conditions, Simulation Modelling Practice and Theory 10 (2002).
 */
export function holeLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  const square = difference * difference + slots[at + 1]
  const ease = slots[at] / Math.sqrt(Math.sqrt(square))
  const slope = ease * (1 - (0.5 * difference * difference) / square)
  out[FLOW] = ease * difference
  out[FROM] = slope
  out[TO] = -slope
}

const scratch = new Float64Array(HOLE_SLOTS)
const found = new Float64Array(3)

/** The same for one hole at once, m³/s. */
export function holeFlow(area: number, coefficient: number, difference: number, fluid: Fluid): number {
  setHole(area, coefficient, fluid, scratch, 0)
  holeLaw(scratch, 0, difference, found)
  return found[FLOW]
}

/** Δp_t above, Pa: in proportion to 1/A. */
export function transitionPressure(area: number, coefficient: number, density: number, viscosity: number): number {
  return (0.5 * density * ((TRANSITION * viscosity) / (coefficient * density)) ** 2 * Math.PI) / (4 * area)
}
